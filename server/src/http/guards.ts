import helmet from 'helmet';
import type { RequestHandler } from 'express';
import { Problem } from './problems.ts';

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
