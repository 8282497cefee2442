import { PRESETS } from '../frame/presets/index.ts';
import { FRAME_STYLES, type FrameStyle } from '../frame/names.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The first place for a pack on a frame of a style. */
export const usualPlace = (style: FrameStyle) => PRESETS[style].places[0]?.place ?? 'free';

/** Version 1 did not say where the pack is: it lies where the style has it. */
function packPlaced(old: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const { donor, pack } = old;
  if (!isObject(donor) || !isObject(pack) || 'boxes' in pack) return old;
  const style = FRAME_STYLES.find((s) => s === donor['style']) ?? 'diamond';
  return { ...old, pack: { ...pack, boxes: [{ place: usualPlace(style), at: null }] } };
}

const entries = (value: unknown): Record<string, unknown> => (isObject(value) ? { ...value } : {});
const without = (value: unknown, ...keys: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(Object.entries(entries(value)).filter(([key]) => !keys.includes(key)));
const given = (key: string, value: unknown): Record<string, unknown> =>
  value === undefined ? {} : { [key]: value };

const OF_PACK = ['pack', 'cell', 'charger'];

/**
 * Up to version 5 a build had a pack, and beside it a second one that rode in the same place: now a list of packs, each
 * with its boxes, cells and charger. A second one that was not joined was none.
 */
function packsListed(old: Readonly<Record<string, unknown>>): Record<string, unknown> {
  if (!isObject(old['pack']))
    return 'pack' in old
      ? { ...without(old, 'pack', 'second', 'cell', 'charger'), packs: [old['pack']] }
      : { ...old };
  const { pack, second, cell, charger, shelf, money } = old;
  const other = entries(second);
  const { join, chargedPct, combinerA } = other;
  const { pricePerKwh } = entries(charger);
  const copied = entries(shelf);
  const first = {
    ...pack,
    ...given('cell', cell),
    ...(charger === undefined ? {} : { charger: without(charger, 'pricePerKwh') }),
    ...given(
      'shelf',
      shelf === undefined
        ? undefined
        : Object.fromEntries(Object.entries(copied).filter(([k]) => OF_PACK.includes(k))),
    ),
  };
  const joined = join !== undefined && join !== 'none';
  const beside = {
    name: '',
    chemistry: 'nmc',
    ...without(second, 'join', 'chargedPct', 'combinerA'),
    boxes: [{ place: firstPlace(pack), at: null }],
    ...given('chargeLimitPct', chargedPct),
  };
  return {
    ...without(old, 'pack', 'second', 'cell', 'charger', 'shelf'),
    packs: joined ? [first, beside] : [first],
    joining: { ...(joined ? { how: join } : {}), ...given('ratedA', combinerA) },
    ...given('shelf', shelf === undefined ? undefined : without(shelf, ...OF_PACK)),
    money: { ...entries(money), ...given('pricePerKwh', pricePerKwh) },
  };
}

/** Where a pack's first box lies. */
function firstPlace(pack: unknown): unknown {
  const { boxes } = entries(pack);
  const box: unknown = Array.isArray(boxes) ? boxes[0] : undefined;
  return isObject(box) ? box['place'] : 'free';
}

/**
 * What a version's documents meant otherwise than the next one's. What they did not ask needs no step: the schema
 * fills it as unknown. Versions 2 to 4 only asked less than the next.
 */
const STEPS: Readonly<
  Partial<Record<number, (old: Readonly<Record<string, unknown>>) => Record<string, unknown>>>
> = {
  1: packPlaced,
  5: packsListed,
};

/** A document of an older version as one of the version of today. */
export function migrated(
  data: Readonly<Record<string, unknown>>,
  from: number,
  to: number,
): Record<string, unknown> {
  let current = { ...data };
  for (let version = from; version < to; version += 1) current = STEPS[version]?.(current) ?? current;
  return { ...current, schemaVersion: to };
}

const OLD_NAMES: readonly (readonly [RegExp, string])[] = [
  [/^packs\.0\.(cell|charger)\b/, '$1'],
  [/^packs\.0\b/, 'pack'],
  [/^packs\.1\.chargeLimitPct\b/, 'second.chargedPct'],
  [/^packs\.1\b/, 'second'],
  [/^packs$/, 'pack'],
  [/^joining\.ratedA\b/, 'second.combinerA'],
  [/^joining\.how\b/, 'second.join'],
  [/^money\.pricePerKwh\b/, 'charger.pricePerKwh'],
];

/** Where a fault found after the migration stood in the document of an older version. */
export function pathBefore(path: string, version: number): string {
  if (version > 5) return path;
  const name = OLD_NAMES.find(([now]) => now.test(path));
  return name === undefined ? path : path.replace(name[0], name[1]);
}
