import type { BuildDocument, QuantityPath } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { withValue } from '../document/quantity-at.ts';
import { lazily } from '../quantity/lazily.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { supplyOn } from '../machine/diodes.ts';
import type { Machine } from '../machine/machine.ts';
import { gearsAcross } from '../machine/ratios.ts';
import { torqueConstant, unloadedSpeed } from '../machine/motor.ts';
import { cornerOf, isGearing, plausibleSpan, unknownOf, type Bearings } from '../machine/span.ts';
import { motorAlone, steadySpeed } from './steady.ts';

/** One way the rider can have a build, with what follows from it. */
export interface Way {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  /** What counts of it. */
  readonly used: readonly Known[];
}

export function wayOf(build: BuildDocument): Way {
  const way: Way = lazily<Way>({
    build: () => build,
    known: () => knownBuild(build),
    machine: () => assembleKnown(build, way.known),
    used: () => knownInUse(build, way.known),
  });
  return way;
}

/** A machine as it is entered, and with unknown values at their plausible ends. */
export interface Corners {
  readonly unknown: readonly Known[];
  /** More than one where the motor may be too weak for its load. */
  readonly ups: readonly [Way, ...Way[]];
  /** More than one where the gearing of the motor is unknown: of its ends either may be the slower. */
  readonly downs: readonly [Way, ...Way[]];
}

/** The way with every gearing that its motor may have at once: at each speed it is in the best of them. */
function anyGearing(way: Way, unknown: readonly Known[], bearings: Bearings): Way {
  const open = unknown.filter(isGearing);
  if (open.length === 0) return way;
  const slow = wayOf(cornerOf(way.build, open, bearings, 'down'));
  return lazily<Way>({
    build: () => way.build,
    known: () => way.known,
    used: () => way.used,
    machine: () => {
      const anyRatio = way.machine.gears.map((gear, i) => [gear, slow.machine.gears[i] ?? gear] as const);
      return { ...way.machine, gears: gearsAcross(anyRatio), anyRatio };
    },
  });
}

/**
 * A motor that turns at this share of its unloaded speed is held by its volts, and the faster for a higher speed constant. This and the
 * next two are tolerances of the search, no source: held over thousands of drawn builds (gearing-unread.test.ts).
 */
const HELD_BY_VOLTS = 0.7;
/** Speed constants that are tried over their span where it is not. */
const TRIED = 9;
/** A gear that is less than this times the tallest one is it, as nearly as ratios are tried. */
const NEXT = 1.25;

/**
 * Whether its load holds it far below the speed at which it turns freely, in the tallest gearing that it may have: it wants force by
 * the amps then, which a slower winding gives; watts of the pack are the same by any. In a shorter gearing a taller one would do what
 * a faster winding does.
 */
function isLaden({ machine }: Way): boolean {
  const supply = supplyOn(machine, 1);
  const { motor, gears, road, circuitOhm } = machine;
  const free = unloadedSpeed(motor, supply.openVolts, circuitOhm + supply.ohm);
  const tallest = Math.min(...gears.map((gear) => gear.motorRatio));
  const alone = motorAlone(machine, road.massKg);
  const found = steadySpeed(alone, supply, 0, 'best');
  const { gear, limit } = found.traction;
  if (limit !== 'phase-current' && limit !== 'voltage') return false;
  return (
    gear.motorRatio < tallest * NEXT && (found.moves ? found.v : 0) * gear.motorRatio < HELD_BY_VOLTS * free
  );
}

/** The speed constant of a span with which a laden motor drives it fastest on the level, rpm/V. */
function fastestLaden(build: BuildDocument, path: QuantityPath, [low, high]: readonly [number, number]): Way {
  const tried = Array.from({ length: TRIED }, (_, i) => {
    const way = wayOf(withValue(build, path, low + ((high - low) * i) / (TRIED - 1)));
    const alone = motorAlone(way.machine, way.machine.road.massKg);
    const outcome = steadySpeed(alone, supplyOn(alone, 1), 0, 'best');
    return { way, v: outcome.moves ? outcome.v : 0 };
  });
  return tried.reduce((best, one) => (one.v > best.v ? one : best)).way;
}

/**
 * The corner with the speed constants that may give most: the highest, with which a motor spins fastest. Where its core drags so much
 * that a weaker winding no longer gets there, also the one that does: Kt of the fastest (Kt V - h)/(Kt^2 + c) is
 * (h + sqrt(h^2 + V^2 c))/V with h = Th R and c = ce R, derived. Where its load is too much for it, the one that drives that fastest.
 * Where its resistance is known, the lowest too: it then pulls as hard with less copper loss.
 */
function fastest(
  build: BuildDocument,
  unknown: readonly Known[],
  bearings: Bearings,
): readonly [Way, ...Way[]] {
  const way = wayOf(build);
  const kv = unknown.find((k) => k.path === 'drive.kvRpmPerV');
  if (kv === undefined) return [way];
  const { machine } = way;
  const { motor, controllerOhm } = machine;
  const { openVolts, ohm } = supplyOn(machine, 1);
  const all = motor.resistance20 + controllerOhm + ohm;
  const [h, c] = [motor.hysteresisNm * all, motor.eddyNms * all];
  const best = torqueConstant((h + Math.sqrt(h * h + openVolts ** 2 * c)) / openVolts);
  const [low, high] = plausibleSpan(kv);
  const wound = (value: number): Way => wayOf(withValue(build, kv.path, value));
  const follows = unknown.some((k) => k.path === 'drive.resistanceOhm');
  return [
    way,
    ...(best >= high ? [] : [wound(Math.max(low, best))]),
    ...(isLaden(anyGearing(way, unknown, bearings)) ? [fastestLaden(build, kv.path, [low, high])] : []),
    ...(follows ? [] : [wound(low)]),
  ];
}

/**
 * Packs that are joined directly feed together where they have one count of cells: the corner with what nobody has counted as in the
 * first that somebody has. None where all of them are counted, or not joined so.
 */
function feedingTogether(corner: BuildDocument, unknown: readonly Known[]): readonly BuildDocument[] {
  const open = new Set(
    unknown.map(({ path }) => path).filter((path) => /^packs\.\d\.cellsInSeries$/.test(path)),
  );
  if (corner.joining.how !== 'parallel' || open.size === 0) return [];
  const { packs } = knownBuild(corner);
  const counted = packs.find(({ cellsInSeries }) => !open.has(cellsInSeries.path)) ?? packs[0];
  return [[...open].reduce((b, path) => withValue(b, path, counted.cellsInSeries.value), corner)];
}

/** The ways with unknown values at the ends that turn a fact up: more than one where neither is so for every fact. */
export function fastCorners(
  build: BuildDocument,
  unknown: readonly Known[],
  bearings: Bearings,
): readonly [Way, ...Way[]] {
  const up = cornerOf(build, unknown, bearings, 'up');
  const [first, ...others] = [up, ...feedingTogether(up, unknown)].flatMap((corner) =>
    fastest(corner, unknown, bearings),
  );
  if (first === undefined) throw new TypeError('a corner has at least one way');
  const geared = (way: Way): Way => anyGearing(way, unknown, bearings);
  return [geared(first), ...others.map(geared)];
}

/** The corners of a way by what bears on a fact. */
export function cornersOf({ build, used }: Way, bearings: Bearings): Corners {
  const unknown = unknownOf(used, bearings);
  return lazily<Corners>({
    unknown: () => unknown,
    ups: () => fastCorners(build, unknown, bearings),
    downs: () => {
      const down = cornerOf(build, unknown, bearings, 'down');
      const open = unknown.filter(isGearing);
      return open.length === 0 ? [wayOf(down)] : [wayOf(down), wayOf(cornerOf(down, open, bearings, 'up'))];
    },
  });
}
