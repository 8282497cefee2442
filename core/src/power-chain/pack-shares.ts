import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { unreadOf } from '../document/worked.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { supplyAt } from '../machine/battery.ts';
import { diodesAt, terminalVolts } from '../machine/diodes.ts';
import type { Machine } from '../machine/machine.ts';
import { busPoint, sharePower } from '../ride/packs-together.ts';
import { partOfDemand, type Demand } from './demand.ts';

/** What is shared out is a share of something, A. */
const LEAST_A = 1;
/**
 * What lasts for less than this share of a discharge is its last sliver, where one is empty a moment before the others.
 * Common practice, no source.
 */
const SLIVER = 0.05;

/** Somebody has counted the cells of every pack. */
const areCounted = ({ packs }: Pick<KnownBuild, 'packs'>): boolean =>
  packs.every(({ cellsInSeries }) => cellsInSeries.source !== 'unknown');

/** The most that is asked for longer than a sliver of the whole. */
function mostFor(hours: readonly number[], amps: readonly number[]): number {
  const order = amps.map((a, i) => ({ a, h: hours[i] ?? 0 })).sort((x, y) => y.a - x.a);
  let left = SLIVER * hours.reduce((sum, h) => sum + h, 0);
  for (const { a, h } of order) {
    left -= h;
    if (left < 0) return a;
  }
  return 0;
}

/**
 * What is asked of each pack behind diodes while they feed together, in their order: the largest share of the current that it
 * gives along a discharge at the hill's amps, from the charges that they begin with. A higher one begins alone, and a lower
 * one may end alone. Derived.
 * @param whole what is asked of all together
 */
export function sharedDemands(
  build: BuildDocument,
  known: KnownBuild,
  { limits, diodeV }: Machine,
  whole: Demand,
): readonly Demand[] {
  // Who feeds is decided by the volts: where nobody has counted the cells each may be asked all.
  if (!areCounted(known)) return build.packs.map(() => whole);
  const aboard = packsAboard(build, known);
  const hillA = Math.max(LEAST_A, whole.continuousA);
  const peakA = Math.max(LEAST_A, whole.peakA);
  const { steps, hours } = sharePower(
    aboard,
    (bus) =>
      bus.openVolts > limits.lowVolts ? { watts: hillA * terminalVolts(bus, hillA), v: 0 } : undefined,
    'combiner',
    diodeV,
  );
  // Nothing that feeds: each is asked all.
  if (steps.length === 0) return aboard.map(() => whole);
  const each = steps.map((step, i) => (steps[i + 1]?.hours ?? hours) - step.hours);
  const atPeak = steps.map(({ charges }) => {
    const bus = diodesAt(aboard, charges, diodeV);
    const supplies = aboard.map(({ pack }, i) => supplyAt(pack, charges[i] ?? 0));
    return busPoint(supplies, peakA * terminalVolts(bus, peakA), 'combiner', diodeV)?.amps;
  });
  return aboard.map((_, i) => {
    const most = (amps: readonly number[], of: number): number => Math.min(1, mostFor(each, amps) / of);
    // The more is asked, the more evenly it is shared: by the hill's share the most is not too little.
    const share = most(
      steps.map(({ amps }) => amps[i] ?? hillA),
      hillA,
    );
    const peakShare = most(
      atPeak.map((amps) => amps?.[i] ?? peakA),
      peakA,
    );
    return { ...partOfDemand(whole, share), peakA: whole.peakA * peakShare };
  });
}

/**
 * What the shares of packs behind diodes rest on that nobody has read: each pack's ohms, size, age and charge. Nothing where
 * nobody has counted the cells: then nothing is shared.
 */
export const sharesRestOn = ({ packs }: KnownBuild): readonly Known[] =>
  !areCounted({ packs })
    ? []
    : packs.flatMap(({ wiringMohm, capacityAh, healthPct, chargeLimitPct }) =>
        [wiringMohm, capacityAh, healthPct, chargeLimitPct].flatMap(unreadOf),
      );
