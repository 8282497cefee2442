import type { Row } from '@apple-cart/core';

/** A parcel in a few words. */
export const parcelWords = (rows: readonly Row[]): string => {
  const counts = new Map<string, number>();
  for (const { what } of rows) {
    const name = what.split(',')[0] ?? what;
    counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  const names = [...counts].map(([name, count]) => (count === 1 ? name : `${String(count)} x ${name}`));
  return names.length <= 2
    ? names.join(' and ')
    : `${names.slice(0, 2).join(', ')} and ${String(names.length - 2)} more`;
};
