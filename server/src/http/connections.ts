import { createServer, type RequestListener, type Server } from 'node:http';
import type { Socket } from 'node:net';

/** What connections may hold. */
export interface ConnectionBounds {
  /** Most at once. */
  readonly most: number;
  /** A head has to be here in so long, a whole request in so long, and an idle connection is kept for so long, ms. */
  readonly headMs: number;
  readonly requestMs: number;
  readonly idleMs: number;
  /** How often it is looked whether a request is late, ms. */
  readonly lookMs: number;
}

/** A page has six connections, and a workshop a handful of pages; a route of 6 MB is here in seconds. */
const USUAL: ConnectionBounds = {
  most: 200,
  headMs: 10_000,
  requestMs: 60_000,
  idleMs: 20_000,
  lookMs: 2000,
};

/**
 * A server whose connections are bounded: late requests are ended, and a connection too many takes the place of the one that
 * has been without an answer under way for longest, so that whoever opens many and says nothing starves nobody.
 */
export function boundServer(app: RequestListener, bounds: ConnectionBounds = USUAL): Server {
  const server = createServer(
    {
      headersTimeout: bounds.headMs,
      requestTimeout: bounds.requestMs,
      keepAliveTimeout: bounds.idleMs,
      connectionsCheckingInterval: bounds.lookMs,
    },
    app,
  );
  // Waiting sockets in the order in which they began to wait; those that are being answered are not among them.
  const waiting = new Set<Socket>();
  const open = new Set<Socket>();
  server.on('connection', (socket: Socket) => {
    open.add(socket);
    waiting.add(socket);
    socket.on('close', () => {
      open.delete(socket);
      waiting.delete(socket);
    });
    if (open.size <= bounds.most) return;
    const [longest] = waiting;
    (longest ?? socket).destroy();
  });
  server.on('request', (request, response) => {
    const { socket, headers } = request;
    const whole = headers['content-length'] === undefined && headers['transfer-encoding'] === undefined;
    // Until its body is here a request is only half sent.
    if (whole) waiting.delete(socket);
    else request.on('end', () => waiting.delete(socket));
    response.on('close', () => {
      if (open.has(socket)) waiting.add(socket);
    });
  });
  return server;
}
