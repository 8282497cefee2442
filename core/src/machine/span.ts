import { specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { knownAt, withQuantities, type Moves } from '../document/quantity-at.ts';

/** Which way a value of the machine turns what the law measures: up with it, or down. */
type Turns = 1 | -1;
/** Paths by which way they turn, the most telling first; those of a pack stand for every pack. */
export type Bearings = readonly (readonly [path: string, turns: Turns])[];

/** What makes a machine faster, and stronger, on its motor alone. */
export const FASTER: Bearings = [
  ['controller.assistCutoffKmh', 1],
  ['controller.setRolloutMm', -1],
  ['controls.throttleCutoffKmh', 1],
  ['controls.walkCutoffKmh', 1],
  ['donor.rolloutMm', 1],
  ['donor.beadMm', 1],
  ['donor.tyreMm', 1],
  ['drive.kvRpmPerV', 1],
  ['drive.reduction', -1],
  ['drive.resistanceOhm', -1],
  ['controller.batteryCurrentA', 1],
  ['controller.phaseCurrentA', 1],
  ['controller.powerLimitW', 1],
  ['controller.weakeningA', 1],
  ['packs.cellsInSeries', 1],
  ['packs.healthPct', 1],
  ['packs.wiringMohm', -1],
  ['packs.capacityAh', 1],
  // A pack that is made from cells is as stiff as they are, side by side.
  ['packs.cell.parallel', 1],
  ['packs.cell.capacityAh', 1],
  ['packs.cell.resistanceMohm', -1],
  ['drive.efficiency', 1],
  ['drive.hysteresisNm', -1],
  ['drive.eddyNms', -1],
  ['drive.brushV', -1],
  ['drive.cancelA', -1],
  ['drive.motorSprocketTeeth', 1],
  ['drive.wheelSprocketTeeth', -1],
  ['gearing.ringTeeth', 1],
  ['gearing.chainEfficiency', 1],
  ['donor.cdaM2', -1],
  ['donor.crr', -1],
  ['donor.massKg', -1],
  ['drive.massKg', -1],
  ['controller.massKg', -1],
  ['packs.massKg', -1],
  ['controller.resistanceMohm', -1],
  ['controller.standbyW', -1],
];

/** The same where what ends it was measured on a ride: that says nothing of the wheel that the controller holds. */
export const FASTER_AS_RIDDEN: Bearings = FASTER.filter(([path]) => path !== 'controller.setRolloutMm');

/**
 * What gears the motor. Neither end of it is the faster and stronger one whatever else the machine has: a motor too weak to
 * turn as fast as its volts reach is faster geared down, and what is cut off early is stronger so.
 */
const GEARING: ReadonlySet<QuantityPath> = new Set([
  'drive.reduction',
  'drive.motorSprocketTeeth',
  'drive.wheelSprocketTeeth',
  'gearing.ringTeeth',
]);
export const isGearing = ({ path }: Known): boolean => GEARING.has(path);

/** What makes it heavier. */
export const HEAVIER: Bearings = [
  // What nobody has weighed follows from what it holds: that first.
  ['packs.nominalV', 1],
  ['packs.cellsInSeries', 1],
  ['packs.capacityAh', 1],
  ['packs.cell.parallel', 1],
  ['packs.cell.massG', 1],
  ['donor.massKg', 1],
  ['drive.massKg', 1],
  ['packs.massKg', 1],
  ['controller.massKg', 1],
];

/** What makes help per rider watt more. */
export const MORE_HELP: Bearings = [
  ['controls.assistRatio', 1],
  ['controller.assistCutoffKmh', 1],
  ['controller.setRolloutMm', -1],
  ['controller.assistTaperKmh', -1],
  ['donor.rolloutMm', 1],
  ['donor.beadMm', 1],
  ['donor.tyreMm', 1],
  ['drive.efficiency', 1],
  ['gearing.chainEfficiency', -1],
];

/** The same where help follows the torque at the cranks: the taller the gear the more. */
export const MORE_HELP_BY_TORQUE: Bearings = [...MORE_HELP, ['gearing.ringTeeth', 1]];

/** Standard deviations that a default is taken to be off at most, as in the band of the range. */
const DEVIATIONS = 2.5;

/** Wider than what is usual: of these the question is just whether they are. */
const WIDE_SPANS: Partial<Record<string, readonly [number, number]>> = {
  // A key that drives it faster than a walk is just what the clause is about.
  'controls.walkCutoffKmh': [3, 25],
  'controller.weakeningA': [0, 30],
};

/** Between which values quantities of the kind lie. */
function usualSpan({ path, spread, value }: Known): readonly [low: number, high: number] {
  const { min, max, plausible } = specAt(path);
  const own = WIDE_SPANS[path];
  if (own !== undefined) return own;
  if (spread === undefined) return plausible;
  const off = DEVIATIONS * spread * Math.abs(value);
  return [Math.max(min, value - off), Math.min(max, value + off)];
}

/**
 * Between which values an unknown quantity may plausibly lie. What it is taken for is among them, also of a machine that is not usual:
 * a wheel of 12 inches has a short roll-out.
 */
export function plausibleSpan(known: Known): readonly [low: number, high: number] {
  const [low, high] = usualSpan(known);
  return [Math.min(low, known.value), Math.max(high, known.value)];
}

/**
 * A value that nobody has read, where it could matter: at an end of its span another answer would be given.
 * @param answer what is found at so much of it
 */
export const couldTurn = (
  known: Known,
  answer: (value: number) => unknown,
  span: readonly number[] = plausibleSpan(known),
): readonly Known[] => {
  if (known.source !== 'unknown') return [];
  const now = answer(known.value);
  return span.some((value) => answer(value) !== now) ? [known] : [];
};

/** A path of any pack, as the bearings name it. */
export const anyPack = (path: QuantityPath): string => path.replace(/^packs\.\d\./, 'packs.');

/** Unknown quantities that a fact rests on, the most telling first. */
export function unknownOf(used: readonly Known[], bearings: Bearings): readonly Known[] {
  const order = bearings.map(([path]) => path);
  return used
    .filter((k) => k.source === 'unknown' && order.includes(anyPack(k.path)))
    .toSorted((a, b) => order.indexOf(anyPack(a.path)) - order.indexOf(anyPack(b.path)));
}

/**
 * The build with every unknown value at the end of its plausible span that turns a fact up (or down): no machine that the
 * entered values allow is beyond it, where each value turns the fact one way.
 */
export function cornerOf(
  build: BuildDocument,
  unknown: readonly Known[],
  bearings: Bearings,
  end: 'up' | 'down',
): BuildDocument {
  const turns = new Map(bearings);
  let [corner, moved]: [BuildDocument, Moves] = [build, []];
  const settled = (): BuildDocument => {
    [corner, moved] = [withQuantities(corner, moved), []];
    return corner;
  };
  unknown.forEach((known, i) => {
    // A limit of the throttle that nobody has read holds nothing back: no value of it lets it go faster.
    if (end === 'up' && known.path === 'controls.throttleCutoffKmh') return;
    // What a pack weighs follows from what it holds, which was put before it.
    const follows = i > 0 && anyPack(known.path) === 'packs.massKg';
    const [low, high] = plausibleSpan(follows ? knownAt(knownBuild(settled()), known.path) : known);
    const up = (turns.get(anyPack(known.path)) ?? 1) === (end === 'up' ? 1 : -1);
    moved = [...moved, [known.path, { source: 'assumed', value: up ? high : low }]];
  });
  return settled();
}
