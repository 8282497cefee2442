import type { ErrorRequestHandler, RequestHandler } from 'express';
import { describeIssue, type Issue } from '@apple-cart/core';
import type { Logger } from 'pino';
import { isCode, sqliteCode } from '../database/sqlite-code.ts';

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

/** Put away, not deleted: whoever still has it open can bring it back. */
export const putAwayMeanwhile = (what: string): Problem =>
  new Problem(410, 'put-away', `This ${what} has been put away.`);

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

const KEPT = 'What you typed is still in the page, and is sent again.';

/** What the database cannot do now and may do later; the page keeps what it has and asks again. */
const OF_DATABASE: readonly (readonly [plain: string, status: number, code: string, words: string])[] = [
  ['SQLITE_FULL', 507, 'disk-full', `The disk is full: nothing was stored. Make room. ${KEPT}`],
  ['ENOSPC', 507, 'disk-full', `The disk is full: nothing was stored. Make room. ${KEPT}`],
  ['SQLITE_IOERR', 500, 'disk', `The disk does not take it: nothing was stored. ${KEPT}`],
  ['SQLITE_BUSY', 503, 'busy', `Another program holds the database: nothing was stored. ${KEPT}`],
  ['SQLITE_READONLY', 500, 'read-only', `The database can only be read: nothing was stored. ${KEPT}`],
  ['SQLITE_CORRUPT', 500, 'damaged', `The database is damaged. Stop, and bring a backup back. ${KEPT}`],
];

function fromDatabase(error: unknown): Problem | undefined {
  const code = sqliteCode(error);
  const found = OF_DATABASE.find(([plain]) => isCode(code, plain));
  return found === undefined ? undefined : new Problem(found[1], found[2], found[3]);
}

/** The last handler: problems as they are, anything else as one plain sentence and a line in the log. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = error instanceof Problem ? error : (fromDatabase(error) ?? fromLibrary(error ?? {}));
    if (problem === undefined || problem.status >= 500) log.error({ err: error }, 'request failed');
    const { status, code, message, extra } =
      problem ??
      new Problem(500, 'failed', 'Something went wrong in the server. What you typed is still in the page.');
    response.status(status).json({ error: { code, message, ...extra } });
  };
