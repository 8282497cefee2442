import {
  packIndexOf,
  sectionOf,
  type BuildDocument,
  type PackIndex,
  type QuantityPath,
  type SectionPath,
} from './document.ts';
import type { Known, KnownBuild } from './known-build.ts';
import type { PackDocument } from './pack.ts';
import type { Sourced } from './quantity-spec.ts';

type Values = Readonly<Record<string, unknown>>;

/** What stands in a group of a document or of a known build; undefined for a pack that it has not. */
function groupIn(whole: object, section: SectionPath): Values | undefined {
  const index = packIndexOf(section);
  const of = whole as Readonly<Record<string, unknown>>;
  if (index === undefined) return of[section] as Values;
  const pack = (of['packs'] as readonly Values[])[index];
  const inside = section.slice('packs.0.'.length);
  return inside === '' || pack === undefined ? pack : (pack[inside] as Values);
}

/** The values of a group; undefined for a pack that the build has not. */
export const sectionAt = (build: BuildDocument, section: SectionPath): Values | undefined =>
  groupIn(build, section);

/** Not entered. */
const ABSENT: Sourced = { source: 'unknown' };

/** The entered quantity at a path; unknown for a pack that the build has not. @throws TypeError for a path that names none. */
export function quantityAt(build: BuildDocument, path: QuantityPath): Sourced {
  const section = sectionOf(path);
  const group = groupIn(build, section);
  if (group === undefined) return ABSENT;
  const value = group[path.slice(section.length + 1)];
  if (value === undefined) throw new TypeError(`no quantity at ${path}`);
  return value as Sourced;
}

/** The build with one pack changed; the same where it has no such pack. */
export const withPack = (
  build: BuildDocument,
  index: number,
  change: (pack: PackDocument) => PackDocument,
): BuildDocument => ({
  ...build,
  packs: build.packs.map((pack, i) => (i === index ? change(pack) : pack)) as BuildDocument['packs'],
});

/** The build with some values of a group replaced, copied along its path; everything else is shared. */
export function withValues(build: BuildDocument, section: SectionPath, values: Values): BuildDocument {
  const index: PackIndex | undefined = packIndexOf(section);
  if (index === undefined) {
    const plain = section as keyof BuildDocument;
    return { ...build, [plain]: { ...(build[plain] as object), ...values } };
  }
  const inside = section.slice('packs.0.'.length) as '' | 'cell' | 'charger';
  return withPack(build, index, (pack) =>
    inside === '' ? { ...pack, ...values } : { ...pack, [inside]: { ...pack[inside], ...values } },
  );
}

/** The build with the quantity at a path replaced. */
export function withQuantity(build: BuildDocument, path: QuantityPath, value: Sourced): BuildDocument {
  const section = sectionOf(path);
  return withValues(build, section, { [path.slice(section.length + 1)]: value });
}

/** Quantities by their paths. */
export type Moves = readonly (readonly [path: QuantityPath, value: Sourced])[];

/** The build with many quantities replaced: each group is copied once. */
export function withQuantities(build: BuildDocument, moves: Moves): BuildDocument {
  const groups = new Map<SectionPath, Record<string, Sourced>>();
  for (const [path, value] of moves) {
    const section = sectionOf(path);
    const group = groups.get(section) ?? {};
    group[path.slice(section.length + 1)] = value;
    groups.set(section, group);
  }
  return [...groups].reduce((b, [section, values]) => withValues(b, section, values), build);
}

/** The build with the quantity at a path assumed to have a value, in the unit of its spec. */
export const withValue = (build: BuildDocument, path: QuantityPath, value: number): BuildDocument =>
  withQuantity(build, path, { source: 'assumed', value });

/** The resolved quantity at a path; undefined for a pack that the build has not. */
export function knownIfAny(known: KnownBuild, path: QuantityPath): Known | undefined {
  const section = sectionOf(path);
  return groupIn(known, section)?.[path.slice(section.length + 1)] as Known | undefined;
}

/** The resolved quantity at a path. @throws TypeError for a path that names none. */
export function knownAt(known: KnownBuild, path: QuantityPath): Known {
  const value = knownIfAny(known, path);
  if (value === undefined) throw new TypeError(`no quantity at ${path}`);
  return value;
}
