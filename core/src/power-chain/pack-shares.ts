import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { unreadOf } from '../document/worked.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { batteryAmps, supplyAt, type Supply } from '../machine/battery.ts';
import { diodesAt, mostWatts, terminalVolts } from '../machine/diodes.ts';
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

/** The largest share that is given for longer than a sliver of the whole. */
function mostFor(hours: readonly number[], shares: readonly number[]): number {
  const order = shares.map((a, i) => ({ a, h: hours[i] ?? 0 })).sort((x, y) => y.a - x.a);
  let left = SLIVER * hours.reduce((sum, h) => sum + h, 0);
  for (const { a, h } of order) {
    left -= h;
    if (left < 0) return a;
  }
  return 0;
}

/** Roots are found to this share. */
const HAIR = 1e-6;

/** The watts of so many amps; those of which less comes the more they are stand for the most that there is. */
function wattsOf(bus: Supply, amps: number): number {
  const watts = amps * terminalVolts(bus, amps);
  return batteryAmps(bus, watts) < (1 - HAIR) * amps ? (1 - HAIR) * mostWatts(bus) : watts;
}

/** What each gives of the whole, 0 to 1. */
const sharesOf = (amps: readonly number[]): readonly number[] => {
  const whole = amps.reduce((sum, a) => sum + a, 0);
  return amps.map((a) => a / whole);
};

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
    (bus) => (bus.openVolts > limits.lowVolts ? { watts: wattsOf(bus, hillA), v: 0 } : undefined),
    'combiner',
    diodeV,
  );
  // Nothing that feeds: each is asked all.
  if (steps.length === 0) return aboard.map(() => whole);
  const each = steps.map((step, i) => (steps[i + 1]?.hours ?? hours) - step.hours);
  const onHill = steps.map(({ amps }) => sharesOf(amps));
  const atPeak = steps.map(({ charges }) => {
    const bus = diodesAt(aboard, charges, diodeV);
    const supplies = aboard.map(({ pack }, i) => supplyAt(pack, charges[i] ?? 0));
    const point = busPoint(supplies, wattsOf(bus, peakA), 'combiner', diodeV);
    return point && sharesOf(point.amps);
  });
  return aboard.map((_, i) => {
    // The more is asked, the more evenly it is shared: by the hill's share the most is not too little.
    const share = mostFor(
      each,
      onHill.map((shares) => shares[i] ?? 1),
    );
    const peakShare = mostFor(
      each,
      atPeak.map((shares) => shares?.[i] ?? 1),
    );
    return { ...partOfDemand(whole, share), peakA: whole.peakA * peakShare };
  });
}

/**
 * What the shares of packs behind diodes rest on that nobody has read: each pack's ohms, size, age and charge. Nothing where
 * nobody has counted the cells: then nothing is shared.
 */
export const sharesRestOn = ({ packs: documents }: BuildDocument, { packs }: KnownBuild): readonly Known[] =>
  !areCounted({ packs })
    ? []
    : packs.flatMap(({ wiringMohm, capacityAh, healthPct, chargeLimitPct, cell }, i) =>
        [
          ...(documents[i]?.make === 'cells' ? [cell.resistanceMohm] : []),
          wiringMohm,
          capacityAh,
          healthPct,
          chargeLimitPct,
        ].flatMap(unreadOf),
      );
