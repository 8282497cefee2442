import type { ErrorRequestHandler, RequestHandler } from 'express';
import { describeIssue, type Issue } from '@apple-cart/core';
import type { Logger } from 'pino';

/** An outcome that the client is told about in plain words; never a stack trace. */
export class Problem extends Error {
  readonly status: number;
  readonly code: string;
  readonly extra: Readonly<Record<string, unknown>>;

  constructor(status: number, code: string, message: string, extra: Readonly<Record<string, unknown>> = {}) {
    super(message);
    this.status = status;
    this.code = code;
    this.extra = extra;
  }
}

/** Bad input as status 400, with every issue and its words. */
export const badInput = (issues: readonly Issue[]): Problem =>
  new Problem(400, 'invalid', 'The input cannot be used. Nothing was stored.', {
    issues: issues.map((issue) => ({ ...issue, message: describeIssue(issue) })),
  });

export const notFound = (what: string): Problem => new Problem(404, 'not-found', `There is no such ${what}.`);

export const unknownRoute: RequestHandler = (_request, _response, next) => {
  next(notFound('address'));
};

interface LibraryError {
  readonly type?: string;
  readonly status?: number;
  readonly message?: string;
  readonly limit?: number;
}

/** Failures of the body parser, the router and the file server, in the product's words. */
function fromLibrary(error: LibraryError): Problem | undefined {
  if (error.type === 'entity.too.large') {
    return new Problem(
      413,
      'too-large',
      `The body is larger than ${String(error.limit)} bytes. Nothing was stored.`,
    );
  }
  if (error.type === 'entity.parse.failed') {
    return badInput([
      { code: 'json', path: '', actual: undefined, limit: `JSON (${error.message ?? 'cannot be read'})` },
    ]);
  }
  if (error.status === 404) return notFound('file');
  if (error.status !== undefined && error.status >= 400 && error.status < 500) {
    return new Problem(error.status, 'unreadable', 'The request cannot be read.');
  }
  return undefined;
}

/** The last handler: problems as they are, anything else as one plain sentence and a line in the log. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = error instanceof Problem ? error : fromLibrary(error ?? {});
    if (problem === undefined) log.error({ err: error }, 'request failed');
    const { status, code, message, extra } =
      problem ??
      new Problem(500, 'failed', 'Something went wrong in the server. What you typed is still in the page.');
    response.status(status).json({ error: { code, message, ...extra } });
  };
