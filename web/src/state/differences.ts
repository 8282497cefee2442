import { quantityAt, QUANTITY_PATHS, specAt, type BuildDocument } from '@apple-cart/core';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Names of what differs between two documents: labels of quantities, then the other keys by path. */
export function differences(a: BuildDocument, b: BuildDocument): readonly string[] {
  const labels = QUANTITY_PATHS.filter((path) => !same(quantityAt(a, path), quantityAt(b, path))).map(
    (path) => specAt(path).label,
  );
  const quantityPaths = new Set<string>(QUANTITY_PATHS);
  const others = Object.keys(a).flatMap((section) => {
    const [x, y] = [(a as Record<string, unknown>)[section], (b as Record<string, unknown>)[section]];
    if (typeof x !== 'object' || x === null || typeof y !== 'object' || y === null)
      return same(x, y) ? [] : [section];
    return Object.keys(x)
      .filter((key) => !quantityPaths.has(`${section}.${key}`))
      .filter((key) => !same((x as Record<string, unknown>)[key], (y as Record<string, unknown>)[key]))
      .map((key) => `${section}: ${key}`);
  });
  return [...labels, ...others];
}

/** Names of the values at the top of two documents that differ. */
export function namesOfDifferences(a: object, b: object): readonly string[] {
  const [x, y] = [a as Readonly<Record<string, unknown>>, b as Readonly<Record<string, unknown>>];
  return [...new Set([...Object.keys(x), ...Object.keys(y)])].filter((key) => !same(x[key], y[key]));
}
