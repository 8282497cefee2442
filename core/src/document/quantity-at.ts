import type { BuildDocument, QuantityPath, SectionName } from './document.ts';
import type { Known, KnownBuild } from './known-build.ts';
import type { Sourced } from './quantity-spec.ts';

/** Section and key of a path. Asked for every quantity at every keystroke, so nothing is split. */
const parts = (path: QuantityPath): readonly [SectionName, string] => {
  const point = path.indexOf('.');
  return [path.slice(0, point) as SectionName, path.slice(point + 1)];
};

/** The entered quantity at a path. @throws TypeError for a path that names none. */
export function quantityAt(build: BuildDocument, path: QuantityPath): Sourced {
  const [section, key] = parts(path);
  const values: Readonly<Record<string, unknown>> = build[section];
  const value = values[key];
  if (value === undefined) throw new TypeError(`no quantity at ${path}`);
  return value as Sourced;
}

/** The build with the quantity at a path replaced, copied along its path; everything else is shared. */
export function withQuantity(build: BuildDocument, path: QuantityPath, value: Sourced): BuildDocument {
  const [section, key] = parts(path);
  return { ...build, [section]: { ...build[section], [key]: value } };
}

/** The build with the quantity at a path assumed to have a value, in the unit of its spec. */
export const withValue = (build: BuildDocument, path: QuantityPath, value: number): BuildDocument =>
  withQuantity(build, path, { source: 'assumed', value });

/** The resolved quantity at a path. @throws TypeError for a path that names none. */
export function knownAt(known: KnownBuild, path: QuantityPath): Known {
  const [section, key] = parts(path);
  const values: Readonly<Record<string, Known>> = known[section];
  const value = values[key];
  if (value === undefined) throw new TypeError(`no quantity at ${path}`);
  return value;
}
