/** A row of a table: whether it holds, and what it says. */
export type Row<T> = readonly [holds: boolean, value: T];

/** What the first row that holds says, else the last word: a table in place of nested conditions. */
export function firstOf<const T>(rows: readonly Row<T>[], otherwise: T): T {
  for (const [holds, value] of rows) if (holds) return value;
  return otherwise;
}
