import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { withValue } from '../document/quantity-at.ts';
import { lazily } from '../quantity/lazily.ts';
import { assembleKnown } from './assemble.ts';
import { supplyOn } from './diodes.ts';
import type { Gear } from './driveline.ts';
import type { Machine } from './machine.ts';
import { torqueConstant } from './motor.ts';
import { cornerOf, isGearing, plausibleSpan, unknownOf, type Bearings } from './span.ts';

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
  readonly up: Way;
  /** More than one where the gearing of the motor is unknown: of its ends either may be the slower. */
  readonly downs: readonly [Way, ...Way[]];
}

/** Ratios this far apart: between them no speed and no power is more than 4 % above those of the nearer one, since neither grows faster than the ratio. */
const RATIO_STEP = 1.08;

/** The gears of the fast end, of the slow end, and enough between them that no ratio between is far from one. */
function spread(fast: readonly Gear[], slow: readonly Gear[]): readonly Gear[] {
  const ends = fast.map((gear, i) => [gear, slow[i] ?? gear] as const);
  const apart = Math.max(...ends.map(([a, b]) => b.motorRatio / a.motorRatio));
  const steps = Math.max(0, Math.ceil(Math.log(apart) / Math.log(RATIO_STEP)));
  return Array.from({ length: steps + 1 }, (_, j) =>
    ends.map(([a, b]) => {
      const between = (from: number, to: number): number => from * (to / from) ** (j / Math.max(1, steps));
      return {
        ...a,
        motorRatio: between(a.motorRatio, b.motorRatio),
        crankRatio: between(a.crankRatio, b.crankRatio),
      };
    }),
  ).flat();
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
    machine: () => ({ ...way.machine, gears: spread(way.machine.gears, slow.machine.gears) }),
  });
}

/**
 * The corner with the speed constant at which the motor spins fastest within its span: the highest, unless its core drags so
 * much that a weaker winding no longer gets there. Kt of the fastest (Kt V - h)/(Kt^2 + c) is (h + sqrt(h^2 + V^2 c))/V with
 * h = Th R and c = ce R. Derived.
 */
function fastest(build: BuildDocument, unknown: readonly Known[]): Way {
  const way = wayOf(build);
  const kv = unknown.find((k) => k.path === 'drive.kvRpmPerV');
  if (kv === undefined) return way;
  const { machine } = way;
  const { motor, controllerOhm } = machine;
  const { openVolts, ohm } = supplyOn(machine, 1);
  const all = motor.resistance20 + controllerOhm + ohm;
  const [h, c] = [motor.hysteresisNm * all, motor.eddyNms * all];
  const best = torqueConstant((h + Math.sqrt(h * h + openVolts ** 2 * c)) / openVolts);
  const [low, high] = plausibleSpan(kv);
  return best >= high ? way : wayOf(withValue(build, kv.path, Math.max(low, best)));
}

/** The way with unknown values at the ends that turn a fact up. */
export const fastCorner = (build: BuildDocument, unknown: readonly Known[], bearings: Bearings): Way =>
  anyGearing(fastest(cornerOf(build, unknown, bearings, 'up'), unknown), unknown, bearings);

/** The corners of a way by what bears on a fact. */
export function cornersOf({ build, used }: Way, bearings: Bearings): Corners {
  const unknown = unknownOf(used, bearings);
  return lazily<Corners>({
    unknown: () => unknown,
    up: () => fastCorner(build, unknown, bearings),
    downs: () => {
      const down = cornerOf(build, unknown, bearings, 'down');
      const open = unknown.filter(isGearing);
      return open.length === 0 ? [wayOf(down)] : [wayOf(down), wayOf(cornerOf(down, open, bearings, 'up'))];
    },
  });
}
