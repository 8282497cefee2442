import { specAt, type QuantityPath } from '@apple-cart/core';

/** A quantity's label for the middle of a sentence. */
export const labelOf = (path: QuantityPath): string => {
  const { label } = specAt(path);
  return label.charAt(0).toLowerCase() + label.slice(1);
};
