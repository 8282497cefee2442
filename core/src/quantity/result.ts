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
    | 'version'
    /** So many issues more than are told one by one; `actual` is their number. */
    | 'more';
  /** Dotted path of the value in its document; empty for the whole. */
  readonly path: string;
  readonly actual: unknown;
  readonly limit: string;
}

export type Result<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly issues: readonly Issue[] };

/** No more are told one by one: whoever mends fifty knows how to go on, and an answer stays smaller than its question. */
export const MOST_ISSUES = 50;

/** The first issues, and how many more there are. */
export function told(issues: readonly Issue[]): readonly Issue[] {
  const counted = issues.reduce((n, { code, actual }) => n + (code === 'more' ? Number(actual) : 1), 0);
  const single = issues.filter((issue) => issue.code !== 'more').slice(0, MOST_ISSUES);
  const more = counted - single.length;
  return more === 0 ? single : [...single, { code: 'more', path: '', actual: more, limit: 'fewer' }];
}

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });
export const fail = (...issues: readonly Issue[]): Result<never> => ({
  ok: false,
  issues: told(issues),
});

/** One plain sentence for an issue. */
export function describeIssue(issue: Issue): string {
  if (issue.code === 'more') return `And ${String(issue.actual)} more.`;
  const where = issue.path === '' ? 'The document' : issue.path;
  const actual = issue.actual === undefined ? 'nothing' : JSON.stringify(issue.actual);
  const shown = actual.length > 60 ? `${actual.slice(0, 57)}...` : actual;
  return `${where}: wanted ${issue.limit}, found ${shown}.`;
}
