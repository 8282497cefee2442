import type { Request, RequestHandler } from 'express';
import { Problem } from '../http/problems.ts';
import { isLoopback } from './addresses.ts';
import type { Sharing } from './sharing.ts';

/** A whole authority that names this machine's loopback, on any port (RFC 9110, 7.2); nothing before or behind it. */
const LOOPBACK_HOST = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d{1,5})?$/i;
const COOKIE = 'apple-cart';
const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Both ends of the connection are this computer's own: nobody else's hand is on it. */
export const isThisComputer = ({ socket }: Pick<Request, 'socket'>): boolean =>
  isLoopback(socket.remoteAddress) && isLoopback(socket.localAddress);

/** What the cookie of a device holds; empty without one. */
export function tokenOf({ headers }: Pick<Request, 'headers'>): string {
  const found = (headers.cookie ?? '')
    .split(';')
    .map((pair) => pair.trim().split('='))
    .find(([name]) => name === COOKIE);
  return found?.[1] ?? '';
}

/** Lax in nothing: only this site sends it, no script reads it. Not `Secure`: the local network speaks plain http. */
export const cookieOf = (token: string): string =>
  `${COOKIE}=${token}; HttpOnly; SameSite=Strict; Path=/; Max-Age=${token === '' ? '0' : '2592000'}`;

/** Paths that a device needs before it is let in: the page that asks for the code, and the answer to it. */
const isOpen = ({ method, path }: Request): boolean =>
  path === '/api/share/enter' || path === '/api/share/me' || (READS.has(method) && !path.startsWith('/api'));

function hostTrouble(request: Request, sharing: Sharing): Problem | undefined {
  const host = request.headers.host ?? '';
  if (isThisComputer(request)) {
    return LOOPBACK_HOST.test(host)
      ? undefined
      : new Problem(403, 'host', 'This server answers on the loopback address only.');
  }
  if (!sharing.on) return new Problem(403, 'host', 'This server answers on the loopback address only.');
  const port = String(request.socket.localPort ?? '');
  return sharing.addresses().some((address) => host === `${address}:${port}`)
    ? undefined
    : new Problem(421, 'host', 'This address is not one of this server’s.');
}

/**
 * Who may talk to the server. From this computer: pages that it serves itself (Host is the loopback, against DNS rebinding; Origin, where
 * the browser sends one, the very same). From the network, only while sharing is on: Host is one of this computer's addresses, Origin
 * the same and never missing on a write, and the device has been let in.
 */
export const whoMayAsk =
  (sharing: Sharing): RequestHandler =>
  (request, _response, next) => {
    const trouble = hostTrouble(request, sharing);
    if (trouble !== undefined) {
      next(trouble);
      return;
    }
    const { host = '', origin } = request.headers;
    if (origin !== undefined && origin !== `http://${host}`) {
      next(new Problem(403, 'origin', 'Another page may not use this server.'));
      return;
    }
    if (isThisComputer(request)) {
      next();
      return;
    }
    if (origin === undefined && !READS.has(request.method)) {
      next(new Problem(403, 'origin', 'A write from another device has to come from its page.'));
      return;
    }
    if (isOpen(request) || sharing.knows(tokenOf(request))) {
      next();
      return;
    }
    next(new Problem(401, 'sign-in', 'Enter the code that the computer of the workshop shows.'));
  };
