import {
  QUANTITY_PATHS,
  convert,
  formatNumber,
  packIndexOf,
  quantityAt,
  shownUnit,
  specAt,
  unitText,
  usualDigits,
  type BuildDocument,
  type QuantityPath,
  type UnitSystem,
} from '@apple-cart/core';
import { differences } from './differences.ts';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function quantityWords(a: BuildDocument, b: BuildDocument, path: QuantityPath, system: UnitSystem): string {
  const { label, unit } = specAt(path);
  const shown = shownUnit(unit, system);
  const text = (build: BuildDocument): string => {
    const entered = quantityAt(build, path);
    if (entered.source === 'unknown') return 'not known';
    const value = convert(entered.value, unit, shown);
    return formatNumber(value, usualDigits(value, shown));
  };
  const [from, to] = [text(a), text(b)];
  const name = `${label}${(packIndexOf(path) ?? 0) > 0 ? `, pack ${String((packIndexOf(path) ?? 0) + 1)}` : ''}`;
  // The same number from a better source is a change as well.
  if (from === to) return `${name} ${to}, now ${quantityAt(b, path).source}`;
  return `${name} ${from} to ${to}${unit === '1' ? '' : ` ${unitText(shown)}`}`;
}

/** The parts of a build by their names: what a change is told by first. */
const NAMED: readonly (readonly [string, (build: BuildDocument) => string])[] = [
  ['Motor', (b) => b.drive.name],
  ['Pack', (b) => b.packs[0].name],
  ['Controller', (b) => b.controller.name],
  ['Donor', (b) => b.donor.name],
];

/** What differs between two states of a build, from and to: parts first, then numbers, then everything else by name. */
export function changesTold(a: BuildDocument, b: BuildDocument, system: UnitSystem): readonly string[] {
  const parts = NAMED.flatMap(([what, name]) => {
    const [from, to] = [name(a).trim(), name(b).trim()];
    return from === to ? [] : [`${what} ${from === '' ? 'none' : from} to ${to === '' ? 'none' : to}`];
  });
  const quantities = QUANTITY_PATHS.filter(
    (path) =>
      (packIndexOf(path) ?? 0) < Math.min(a.packs.length, b.packs.length) &&
      !same(quantityAt(a, path), quantityAt(b, path)),
  );
  const labels = new Set(quantities.map((path) => specAt(path).label));
  const others = differences(a, b).filter(
    (name) => !labels.has(name.replace(/^pack \d+: /, '')) && !/: name$|^name$/.test(name),
  );
  return [...parts, ...quantities.map((path) => quantityWords(a, b, path, system)), ...others];
}
