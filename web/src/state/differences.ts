import { packIndexOf, quantityAt, QUANTITY_PATHS, specAt, type BuildDocument } from '@apple-cart/core';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** "pack 2: " before what is said of a pack that is not the only or the first one. */
const ofPack = (path: string): string => {
  const index = packIndexOf(path) ?? 0;
  return index === 0 ? '' : `pack ${String(index + 1)}: `;
};

const PATHS = new Set<string>(QUANTITY_PATHS);
/** Groups whose values are named one by one. */
const GROUP = /^(packs|packs\.\d|packs\.\d\.(cell|charger))$/;

/** Paths of what differs beside the quantities: values of groups by name, everything else as a whole. */
function othersIn(a: object, b: object, path: string): readonly string[] {
  const [x, y] = [a as Readonly<Record<string, unknown>>, b as Readonly<Record<string, unknown>>];
  return [...new Set([...Object.keys(x), ...Object.keys(y)])].flatMap((key) => {
    const at = path === '' ? key : `${path}.${key}`;
    const [now, then] = [x[key], y[key]];
    if (PATHS.has(at) || same(now, then)) return [];
    const both = typeof now === 'object' && now !== null && typeof then === 'object' && then !== null;
    return both && (path === '' || GROUP.test(at)) ? othersIn(now, then, at) : [at];
  });
}

/** A key as it is read: "frameMaterial" as "frame material". */
const keyWords = (key: string): string =>
  key.replaceAll(/([a-z])([A-Z])/g, (_, end: string, start: string) => `${end} ${start.toLowerCase()}`);

/** A path as it is read: "controls: throttle", "donor: frame material", "packs: boxes", "pack 2: boxes". */
function named(path: string): string {
  if (!path.startsWith('packs.')) return keyWords(path.replace('.', ': '));
  const [, , ...rest] = path.split('.');
  return rest.length === 0
    ? `pack ${String((packIndexOf(path) ?? 0) + 1)}`
    : `${ofPack(path) || 'packs: '}${keyWords(rest.join(' '))}`;
}

/** Names of what differs between two documents: labels of quantities, then the other keys by path. */
export function differences(a: BuildDocument, b: BuildDocument): readonly string[] {
  const labels = QUANTITY_PATHS.filter((path) => !same(quantityAt(a, path), quantityAt(b, path)))
    .filter((path) => (packIndexOf(path) ?? 0) < Math.min(a.packs.length, b.packs.length))
    .map((path) => `${ofPack(path)}${specAt(path).label}`);
  return [...labels, ...othersIn(a, b, '').map(named)];
}

/** Names of the values at the top of two documents that differ. */
export function namesOfDifferences(a: object, b: object): readonly string[] {
  const [x, y] = [a as Readonly<Record<string, unknown>>, b as Readonly<Record<string, unknown>>];
  return [...new Set([...Object.keys(x), ...Object.keys(y)])]
    .filter((key) => !same(x[key], y[key]))
    .map(keyWords);
}
