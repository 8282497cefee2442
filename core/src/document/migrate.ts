import { FRAME_STYLES, type FrameStyle } from '../frame/names.ts';
import { USUAL_FRAME } from '../frame/usual.ts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The first place for a pack on a frame of a style. */
export const usualPlace = (style: FrameStyle) => USUAL_FRAME[style].pack;

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
 * Up to version 6 one answer stood for two facts: that the help by the pedals stops with them, and that the motor cannot run
 * with the pedals still. "No" beside a throttle may have meant either, so it is asked again.
 */
function pedalsApart(old: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const { controls } = old;
  const { motorStopsWithPedals: said, throttle } = entries(controls);
  if (said === undefined) return { ...old };
  return {
    ...old,
    controls: {
      ...without(controls, 'motorStopsWithPedals'),
      pedalHelpStops: said === 'no' && throttle === 'full' ? 'unknown' : said,
    },
  };
}

/** Up to version 7 the prices of four things stood with the budget: now each stands with its line of the parts list. */
function pricesOnLines(old: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const money = entries(old['money']);
  const { lines, ...purchase } = entries(old['purchase']);
  const priced = ['donor', 'motor', 'pack', 'controller']
    .filter((key) => typeof money[key] === 'number')
    .map((key): [string, unknown] => [key, { ...entries(entries(lines)[key]), price: money[key] }]);
  // The price of several packs was what they cost together.
  const list = old['packs'];
  const count = Array.isArray(list) ? list.length : 1;
  const packs = typeof money['pack'] === 'number' ? count : 1;
  const further = Array.from({ length: packs - 1 }, (_, i): [string, unknown] => [
    `pack/${String(i + 2)}`,
    { ...entries(entries(lines)[`pack/${String(i + 2)}`]), price: 0, note: 'in the price of the first pack' },
  ]);
  return {
    ...old,
    money: without(money, 'donor', 'motor', 'pack', 'controller', 'other'),
    purchase: {
      ...purchase,
      lines: { ...entries(lines), ...Object.fromEntries([...priced, ...further]) },
      ...given('rest', money['other']),
    },
  };
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
  6: pedalsApart,
  7: pricesOnLines,
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

/** What a place in the document was called up to a version. */
const OLD_NAMES: readonly (readonly [upTo: number, now: RegExp, before: string])[] = [
  [7, /^purchase\.lines\.(donor|motor|pack|controller)\.price\b/, 'money.$1'],
  [7, /^purchase\.rest\b/, 'money.other'],
  [6, /^controls\.pedalHelpStops\b/, 'controls.motorStopsWithPedals'],
  [5, /^packs\.0\.(cell|charger)\b/, '$1'],
  [5, /^packs\.0\b/, 'pack'],
  [5, /^packs\.1\.chargeLimitPct\b/, 'second.chargedPct'],
  [5, /^packs\.1\b/, 'second'],
  [5, /^packs$/, 'pack'],
  [5, /^joining\.ratedA\b/, 'second.combinerA'],
  [5, /^joining\.how\b/, 'second.join'],
  [5, /^money\.pricePerKwh\b/, 'charger.pricePerKwh'],
];

/** Where a fault found after the migration stood in the document of an older version. */
export function pathBefore(path: string, version: number): string {
  const name = OLD_NAMES.find(([upTo, now]) => version <= upTo && now.test(path));
  return name === undefined ? path : path.replace(name[1], name[2]);
}
