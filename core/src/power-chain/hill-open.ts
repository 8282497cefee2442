import type { BuildDocument } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { assembleKnown } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { anyPack, FASTER, HEAVIER, plausibleSpan } from '../machine/span.ts';
import { lazily } from '../quantity/lazily.ts';
import type { ClimbOutcome } from '../ride/climb.ts';

/** A value that nobody has read, and the most that the hill takes at an end of its span, A. */
interface Reach {
  readonly known: Known;
  /** Undefined for all that the controller lets through. */
  readonly batteryA: number | undefined;
  /** Of all motors together, as the machine's own. */
  readonly phaseA: number;
}

/** What the amps of the test hill rest on that nobody has read. */
export interface HillOpen {
  /** Each value by itself, the most telling first; how far it reaches is worked out when that is first asked for. */
  readonly reaches: readonly Reach[];
}

/** Nothing that the hill rests on is open. */
export const HILL_KNOWN: HillOpen = { reaches: [] };

/** What the climb is worked out on beside what makes a machine faster or heavier; the rider and the hill are chosen, and not read. */
const OF_THE_CLIMB: ReadonlySet<string> = new Set([
  'controller.phaseCurrentA',
  ...FASTER.map(([path]) => path),
  ...HEAVIER.map(([path]) => path),
  'drive.labelV',
  'drive.ratedPowerW',
  'drive.windingC',
  'controls.assistRatio',
  'controller.lowVoltageCutoffV',
  'controller.lowVoltageFoldV',
  'controller.assistTaperKmh',
]);

/** The most telling first: where one is enough, the others are not ridden. */
const ORDER = [...OF_THE_CLIMB];
const telling = ({ path }: Known): number => ORDER.indexOf(anyPack(path));

/**
 * What a climb takes; one that is not climbed takes all there is. Of the battery that is more than the machine's limit in amps where
 * watts at the lowest volts decide: left to what is asked of the links.
 */
const takes = (climb: ClimbOutcome, { limits }: Machine): Omit<Reach, 'known'> =>
  climb.climbs
    ? { batteryA: climb.batteryA, phaseA: climb.phaseA }
    : { batteryA: undefined, phaseA: limits.phaseA };

function reachOf(build: BuildDocument, known: Known, climbOf: (machine: Machine) => ClimbOutcome): Reach {
  const of = lazily({
    ends: () =>
      plausibleSpan(known).map((value) => {
        const other = withQuantity(build, known.path, { source: 'assumed', value });
        const machine = assembleKnown(other, knownBuild(other));
        return takes(climbOf(machine), machine);
      }),
  });
  return lazily<Reach>({
    known: () => known,
    batteryA: () =>
      of.ends.reduce<number | undefined>(
        (most, { batteryA }) =>
          most === undefined || batteryA === undefined ? undefined : Math.max(most, batteryA),
        0,
      ),
    phaseA: () => Math.max(...of.ends.map(({ phaseA }) => phaseA)),
  });
}

/**
 * How far the hill's amps reach by each value that nobody has read, moved by itself to the ends of its span.
 * @param used what counts of the build
 */
export const hillOpen = (
  build: BuildDocument,
  used: readonly Known[],
  climbOf: (machine: Machine) => ClimbOutcome,
): HillOpen =>
  lazily<HillOpen>({
    reaches: () =>
      used
        // What is worked out of others moves with them.
        .filter(({ source, restsOn }) => source === 'unknown' && restsOn === undefined)
        .filter(({ path }) => OF_THE_CLIMB.has(anyPack(path)))
        .toSorted((a, b) => telling(a) - telling(b))
        .map((known) => reachOf(build, known, climbOf)),
  });
