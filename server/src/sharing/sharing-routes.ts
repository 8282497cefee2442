import { Router, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import * as z from 'zod';
import { parseBody } from '../http/parse-body.ts';
import { Problem, notFound } from '../http/problems.ts';
import { cookieOf, isThisComputer, tokenOf } from './guard.ts';
import type { Sharing } from './sharing.ts';

const entry = z.object({ code: z.string().max(20) });
const MINUTE_MS = 60_000;
/** Guesses a minute: from one address, and from all together, so that one guesser does not shut the others out. */
const [GUESSES, ALL_GUESSES] = [5, 30];

const tooMany: RequestHandler = (_request, _response, next) => {
  next(
    new Problem(429, 'too-many', 'Too many codes were tried. Wait a minute, and look at the screen again.'),
  );
};
const WINDOW = {
  windowMs: MINUTE_MS,
  standardHeaders: false,
  legacyHeaders: false,
  skipSuccessfulRequests: true,
  handler: tooMany,
} as const;
/** By the address of whoever asks (IPv6 by its network, as the library does it), and by nothing. */
const perAddress = () => rateLimit({ ...WINDOW, limit: GUESSES });
const together = () => rateLimit({ ...WINDOW, limit: ALL_GUESSES, keyGenerator: () => 'all' });

/** Only whoever sits at this computer gives codes out and signs devices out. */
const here: RequestHandler = (request, _response, next) => {
  next(
    isThisComputer(request)
      ? undefined
      : new Problem(403, 'not-here', 'Only at the computer of the workshop.'),
  );
};

/** /api/share: codes and devices for this computer, entering and leaving for the others. */
export function sharingRoutes(sharing: Sharing): Router {
  const router = Router();

  router.get('/me', (request, response) => {
    const local = isThisComputer(request);
    response.json({ here: local, in: local || sharing.knows(tokenOf(request)) });
  });

  router.post('/enter', perAddress(), together(), (request, response) => {
    const { code } = parseBody(entry, request.body);
    const name = request.headers['user-agent'] ?? 'a device';
    const token = sharing.enter(code.replaceAll(/\D/g, ''), name, request.socket.remoteAddress ?? '');
    if (token === undefined)
      throw new Problem(401, 'wrong-code', 'This code is wrong, old, or has been used. Ask for a new one.');
    response.setHeader('Set-Cookie', cookieOf(token));
    response.json({ in: true });
  });

  router.post('/leave', (request, response) => {
    sharing.leave(tokenOf(request));
    response.setHeader('Set-Cookie', cookieOf(''));
    response.json({ in: false });
  });

  router.get('/', here, (request, response) => {
    const port = String(request.socket.localPort ?? '');
    response.json({
      on: sharing.on,
      addresses: sharing.on ? sharing.addresses().map((address) => `http://${address}:${port}/`) : [],
      devices: sharing.devices(),
    });
  });

  router.post('/code', here, (_request, response) => {
    if (!sharing.on) throw new Problem(409, 'not-shared', 'Start it with --share to let other devices in.');
    response.json(sharing.newCode());
  });

  router.delete('/devices/:id', here, (request, response) => {
    if (!sharing.signOut(String(request.params['id']))) throw notFound('device');
    response.status(204).end();
  });

  return router;
}
