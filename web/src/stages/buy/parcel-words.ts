import type { Row } from '@apple-cart/core';

/** A parcel in a few words. */
export const parcelWords = (rows: readonly Row[]): string => {
  const names = rows.map((r) => r.what.split(',')[0] ?? r.what);
  return names.length <= 2
    ? names.join(' and ')
    : `${names.slice(0, 2).join(', ')} and ${String(names.length - 2)} more`;
};
