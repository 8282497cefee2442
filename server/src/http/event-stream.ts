import type { Response } from 'express';

/** What is told next, and whether it is the last. */
export interface Told {
  readonly value: unknown;
  readonly last: boolean;
}

/** Tells one event after the other (server-sent events) until the listener leaves or there are no more. */
export function eventStream(response: Response, everyMs: number, next: () => Told): void {
  response.set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-cache, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  const tell = (): void => {
    const { value, last } = next();
    response.write(`data: ${JSON.stringify(value)}\n\n`);
    if (!last) return;
    clearInterval(timer);
    response.write('event: end\ndata: {}\n\n');
    response.end();
  };
  const timer = setInterval(tell, everyMs);
  response.on('close', () => {
    clearInterval(timer);
  });
  tell();
}
