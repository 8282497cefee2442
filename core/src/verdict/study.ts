import type { BuildDocument } from '../document/document.ts';
import { knownBuild, knownInUse, type Known, type KnownBuild } from '../document/known.ts';
import type { Check } from '../check/check.ts';
import { fitChecks } from '../fit/fit.ts';
import { currentChain, type Chain } from '../power-chain/chain.ts';
import { powerChecks } from '../power-chain/checks.ts';
import { subject, type Subject } from '../fit/subject.ts';
import { heatOnGrade, hillOnce, type HeatTimes } from '../trips/hill-heat.ts';
import { assembleKnown, type Machine } from '../machine/machine.ts';
import { kmhToMs } from '../quantity/units.ts';
import { climb, type ClimbOutcome } from '../ride/climb.ts';
import { constantSpeedRange, type RangeOutcome } from '../ride/range.ts';
import type { Ride } from '../ride/ride.ts';
import { startGrade, type StartGrade } from '../ride/start-grade.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import { topSpeed, type SteadyOutcome } from '../ride/steady.ts';
import type { GearChoice } from '../ride/traction.ts';

/** Everything worked out once for a build; the figures, findings and charts are made from it. */
export interface Study {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  /** Every known quantity that counts under the build's choices. */
  readonly used: readonly Known[];
  readonly machine: Machine;
  readonly choice: GearChoice;
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

/** The test hill's heat: once up, and on its grade without an end. */
function heatOf(
  machine: Machine,
  climbed: ClimbOutcome,
  { brief }: KnownBuild,
  choice: GearChoice,
): Pick<Study, 'hillRide' | 'heat'> {
  if (!climbed.climbs) return { hillRide: undefined, heat: { tooHotAfter: 0, what: 'damage' } };
  const grade = brief.hillGradePct.value;
  return {
    hillRide: hillOnce(machine, STATED_CHARGE, brief.hillLengthM.value, grade, choice, climbed.v),
    heat: heatOnGrade(machine, STATED_CHARGE, grade, choice),
  };
}

/** Works out everything but the law, which needs a book of rules besides. */
export function study(build: BuildDocument): Study {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  const choice: GearChoice = machine.heldGear ?? 'best';
  const { brief, pack } = known;
  const cruise = kmhToMs(brief.cruiseSpeedKmh.value);
  const charge = pack.chargeLimitPct.value / 100;
  const topFull = topSpeed(machine, charge);
  const hill = (on: Machine): ClimbOutcome =>
    climb(on, STATED_CHARGE, brief.hillLengthM.value, brief.hillGradePct.value, choice);
  const climbed = hill(machine);
  // A protection that is too small does not ration the current, it cuts out: what is asked is without it.
  const asked =
    machine.limits.bmsA < machine.limits.batteryA
      ? hill({ ...machine, limits: { ...machine.limits, bmsA: Infinity } })
      : climbed;
  const chain = currentChain(build, known, machine, asked);
  const fitted = subject(build, known, machine, topFull.moves ? topFull.v : 0);
  return {
    build,
    known,
    used: knownInUse(build, known),
    machine,
    choice,
    top: topSpeed(machine, STATED_CHARGE),
    topFull,
    climb: climbed,
    ...heatOf(machine, climbed, known, choice),
    start: startGrade(machine, STATED_CHARGE, choice),
    range: constantSpeedRange(machine, cruise, charge),
    rangeRested: constantSpeedRange(machine, cruise, charge, 'resting'),
    subject: fitted,
    checks: fitChecks(fitted),
    chain,
    powerChecks: powerChecks({ build, known, machine, chain }),
  };
}
