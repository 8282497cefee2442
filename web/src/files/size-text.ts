import { formatNumber } from '@apple-cart/core';

/** The size of a file as it is read. */
export const sizeText = (bytes: number): string =>
  bytes < 1e6 ? `${formatNumber(bytes / 1e3, 0)} kB` : `${formatNumber(bytes / 1e6, 1)} MB`;
