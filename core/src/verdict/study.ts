import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import type { Check } from '../check/check.ts';
import { fitChecks } from '../fit/fit.ts';
import { currentChain, type Chain } from '../power-chain/chain.ts';
import { hillOpen } from '../power-chain/hill-open.ts';
import { powerChecks } from '../power-chain/checks.ts';
import { subject, type Faster, type Subject } from '../fit/subject.ts';
import { hillOnce, type HeatTimes } from '../trips/hill-heat.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { fastCorners } from '../ride/corners.ts';
import type { Machine } from '../machine/machine.ts';
import { FASTER_AS_RIDDEN, unknownOf } from '../machine/span.ts';
import { lazily } from '../quantity/lazily.ts';
import { kmhToMs } from '../quantity/units.ts';
import { climb, type ClimbOutcome } from '../ride/climb.ts';
import { constantSpeedRange } from '../ride/range.ts';
import type { RangeOutcome } from '../ride/range-outcome.ts';
import type { Legs } from '../ride/ways.ts';
import { limitNames, type LimitNames } from '../ride/limit-words.ts';
import type { Ride } from '../ride/ride.ts';
import { startGrade, type StartGrade } from '../ride/start-grade.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import { topSpeed, type SteadyOutcome } from '../ride/steady.ts';
import type { GearChoice } from '../ride/traction.ts';

/** Everything worked out once for a build; the figures, findings, charts and comparisons are made from it. */
export interface Study {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  /** Every known quantity that counts under the build's choices. */
  readonly used: readonly Known[];
  /** What binds, by name; a limit that rests on an assumed value says so. */
  readonly limitNames: LimitNames;
  readonly machine: Machine;
  readonly choice: GearChoice;
  /** The charge that the habit of charging begins a ride with, 0 to 1. */
  readonly charged: number;
  readonly top: SteadyOutcome;
  readonly topFull: SteadyOutcome;
  readonly climb: ClimbOutcome;
  /** The test hill ridden once from cold; undefined where it is not climbed. */
  readonly hillRide: Ride | undefined;
  /** How long a climb of the test hill's grade is borne. */
  readonly heat: HeatTimes;
  readonly start: StartGrade;
  readonly range: RangeOutcome;
  readonly rangeRested: RangeOutcome;
  readonly subject: Subject;
  readonly checks: readonly Check[];
  readonly chain: Chain;
  /** Checks of the power chain beside its currents. */
  readonly powerChecks: readonly Check[];
}

interface Hill {
  readonly top: Ride | undefined;
  readonly heat: HeatTimes;
}

/** The test hill's steady climb on a machine, at half charge. */
const hillOn = (machine: Machine, { known: { brief } }: Study): ClimbOutcome =>
  climb(
    machine,
    STATED_CHARGE,
    brief.hillLengthM.value,
    brief.hillGradePct.value,
    machine.heldGear ?? 'best',
  );

/** The test hill once from cold, and how long its grade is borne; one that is not climbed is too hot at once. */
function hillOf({ machine, climb: climbed, known: { brief }, choice }: Study): Hill {
  if (!climbed.climbs) return { top: undefined, heat: { tooHotAfter: 0, what: 'damage' } };
  const { hillLengthM, hillGradePct } = brief;
  return hillOnce(machine, STATED_CHARGE, hillLengthM.value, hillGradePct.value, choice, climbed.v);
}

const speedOf = (top: SteadyOutcome): number => (top.moves ? top.v : 0);

/** Without a wind ahead: what has to stop it has to stop it on a still day too. */
const unhindered = (machine: Machine): Machine =>
  machine.road.headwind > 0 ? { ...machine, road: { ...machine.road, headwind: 0 } } : machine;

/** Its top speed as the brakes are asked for it, m/s. */
const askedOfBrakes = ({ machine, topFull, charged }: Study): number =>
  speedOf(machine.road.headwind > 0 ? topSpeed(unhindered(machine), charged) : topFull);

/** How fast it might be by what nobody has read; the wheel that the controller holds is taken as true. */
function fasterOf({ build, used, charged }: Study): Faster {
  // A walk key ends long before that.
  const unknown = unknownOf(used, FASTER_AS_RIDDEN).filter(({ path }) => path !== 'controls.walkCutoffKmh');
  return lazily<Faster>({
    unknown: () => unknown,
    topMs: () =>
      Math.max(
        ...fastCorners(build, unknown, FASTER_AS_RIDDEN).map(({ machine }) =>
          speedOf(topSpeed(unhindered(machine), charged)),
        ),
      ),
  });
}

const rangeOf = (s: Study, legs: Legs): RangeOutcome =>
  constantSpeedRange(s.machine, kmhToMs(s.known.brief.cruiseSpeedKmh.value), s.charged, legs);

/** Works out everything but the law, which needs a book of rules besides; each part when it is first asked for. */
export function study(build: BuildDocument): Study {
  const hill = lazily({ once: () => hillOf(s) });
  const s: Study = lazily<Study>({
    build: () => build,
    known: () => knownBuild(build),
    used: () => knownInUse(build, s.known),
    limitNames: () => limitNames(s.known),
    machine: () => assembleKnown(build, s.known),
    choice: () => s.machine.heldGear ?? 'best',
    charged: () => s.known.packs[0].chargeLimitPct.value / 100,
    top: () => topSpeed(s.machine, STATED_CHARGE),
    topFull: () => topSpeed(s.machine, s.charged),
    climb: () => hillOn(s.machine, s),
    hillRide: () => hill.once.top,
    heat: () => hill.once.heat,
    start: () => startGrade(s.machine, STATED_CHARGE, s.choice),
    range: () => rangeOf(s, 'helping'),
    rangeRested: () => rangeOf(s, 'resting'),
    subject: () => subject(build, s.known, s.machine, askedOfBrakes(s), fasterOf(s)),
    checks: () => fitChecks(s.subject),
    chain: () =>
      currentChain(
        build,
        s.known,
        s.machine,
        s.climb,
        hillOpen(build, s.used, (machine) => hillOn(machine, s)),
      ),
    powerChecks: () => powerChecks({ build, known: s.known, machine: s.machine, chain: s.chain }),
  });
  return s;
}
