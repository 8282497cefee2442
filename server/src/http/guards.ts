import helmet from 'helmet';
import type { RequestHandler } from 'express';
import { Problem } from './problems.ts';

/** A whole authority that names this machine's loopback, on any port (RFC 9110, 7.2); nothing before or behind it. */
const LOOPBACK = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d{1,5})?$/i;

/**
 * Only pages served by this machine may talk to the server: the Host must be the loopback (against DNS
 * rebinding), and an Origin, where the browser sends one, must be the very same address.
 */
export const sameMachine: RequestHandler = (request, _response, next) => {
  const host = request.headers.host ?? '';
  if (!LOOPBACK.test(host)) {
    next(new Problem(403, 'host', 'This server answers on the loopback address only.'));
    return;
  }
  const { origin } = request.headers;
  if (origin !== undefined && origin !== `http://${host}`) {
    next(new Problem(403, 'origin', 'Another page may not use this server.'));
    return;
  }
  next();
};

/** Writes must say that they are JSON: a plain form of another page cannot. */
export const jsonWrites: RequestHandler = (request, _response, next) => {
  const writes = request.method === 'POST' || request.method === 'PUT';
  if (writes && request.is('application/json') === false) {
    next(new Problem(415, 'content-type', 'Send the body as application/json.'));
    return;
  }
  next();
};

/** Everything comes from this server; styles may be inline because dialogs and charts place themselves so. */
export const securityHeaders: RequestHandler = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
      upgradeInsecureRequests: null,
    },
  },
  strictTransportSecurity: false,
});
