/** What is wrong with a value that came from outside: one row per fault. Words are made from it at the edge. */
export interface Issue {
  readonly code:
    | 'type'
    | 'range'
    | 'missing'
    | 'unknown-key'
    | 'choice'
    | 'text'
    | 'unit'
    | 'json'
    | 'xml'
    | 'csv'
    | 'size'
    | 'version';
  /** Dotted path of the value in its document; empty for the whole. */
  readonly path: string;
  readonly actual: unknown;
  readonly limit: string;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issues: readonly Issue[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });
export const fail = (...issues: readonly Issue[]): Result<never> => ({ ok: false, issues });

/** One plain sentence for an issue. */
export function describeIssue(issue: Issue): string {
  const where = issue.path === '' ? 'The document' : issue.path;
  const actual = issue.actual === undefined ? 'nothing' : JSON.stringify(issue.actual);
  const shown = actual.length > 60 ? `${actual.slice(0, 57)}...` : actual;
  return `${where}: wanted ${issue.limit}, found ${shown}.`;
}
