import type { BuildDocument, QuantityPath } from '../../document/document.ts';
import { inUse, knownBuild } from '../../document/known.ts';
import { knownAt, withQuantity } from '../../document/quantity-at.ts';
import { usualDrive, type UsualDrive } from '../../document/stands-in.ts';
import type { RideKind } from '../ride-record.ts';
import { FORCE_PARAMETERS, fitForces, PRIOR_SD, type ForceFit } from './force-fit.ts';
import { HEAT_PARAMETERS, HEAT_PRIOR_SD, fitHeat, type HeatFit } from './heat-fit.ts';
import { prepared, type LearnRide, type Prepared } from './learn-ride.ts';
import { HALF, learntOf, type LearntValue, type NotApart } from './learnt.ts';
import { singleValues } from './singles.ts';

/** How far off the energy of a ride is, as a share of the plan's: before, and with what was learnt. */
export interface RideOff {
  readonly key: string;
  readonly kind: RideKind;
  readonly on: string;
  readonly before: number;
  readonly after: number;
}

export interface LearnOutcome {
  readonly values: readonly LearntValue[];
  readonly off: readonly RideOff[];
  /** A ride that the fit did not see, and how far off it is then; undefined with fewer than three rides with power. */
  readonly heldOut: RideOff | undefined;
  /** Of the winding, K. */
  readonly heat: { readonly before: number; readonly after: number } | undefined;
  /** What drives a plan of which nobody has chosen the motor, or read the volts: its own values cannot be told then. */
  readonly standsIn: UsualDrive;
  /** Rides that teach nothing, and why. */
  readonly leftOut: readonly { readonly key: string; readonly why: string }[];
  /** What the fit leaves, in standard errors: far above 1 the rides contradict each other. */
  readonly contradiction: number;
}

export interface LearnProgress {
  readonly done: number;
  readonly words: string;
}

const PATHS: Readonly<Record<(typeof FORCE_PARAMETERS)[number], { path: QuantityPath; name: string }>> = {
  cda: { path: 'donor.cdaM2', name: 'Drag area' },
  crr: { path: 'donor.crr', name: 'Rolling resistance' },
  eta: { path: 'drive.efficiency', name: 'Efficiency of the motor’s gears' },
  ohm: { path: 'drive.resistanceOhm', name: 'Resistance of the winding' },
};
const HEAT_PATHS: Readonly<
  Record<
    (typeof HEAT_PARAMETERS)[number],
    { path: QuantityPath; name: string; also: readonly QuantityPath[] }
  >
> = {
  winding: { path: 'drive.windingHeatJK', name: 'Heat the winding holds', also: [] },
  shell: { path: 'drive.shellHeatJK', name: 'Heat the shell holds', also: [] },
  couple: { path: 'drive.coupleWK', name: 'Winding to shell', also: [] },
  air: { path: 'drive.coolStillWK', name: 'Heat to the air', also: ['drive.coolMovingWK'] },
};
const NAMES: Readonly<Record<string, string>> = {
  cda: 'drag',
  crr: 'rolling',
  eta: 'the gears',
  ohm: 'the winding',
  mass: 'mass',
  gain: 'the current sensor',
  zero: 'the slope of the road',
  wind: 'wind',
  winding: 'heat in the winding',
  shell: 'heat in the shell',
  couple: 'winding to shell',
  air: 'the air',
};

function mostLike(
  k: number,
  names: readonly string[],
  correlation: (a: number, b: number) => number,
): NotApart | undefined {
  let best: NotApart | undefined;
  names.forEach((name, j) => {
    if (j === k) return;
    const share = Math.abs(correlation(k, j));
    if (share >= HALF && share > (best?.share ?? 0))
      best = { from: NAMES[name] ?? name, share: Math.min(1, share) };
  });
  return best;
}

/** Kinds in the order of what they tell, those that tell next to nothing left out. */
function kindsBy(shares: readonly number[], rides: readonly Prepared[]): readonly RideKind[] {
  const by = new Map<RideKind, number>();
  shares.forEach((share, i) => {
    const kind = rides[i]?.kind;
    if (kind !== undefined) by.set(kind, (by.get(kind) ?? 0) + share);
  });
  return [...by]
    .filter(([, s]) => s > 0.08)
    .sort((a, b) => b[1] - a[1])
    .map(([kind]) => kind);
}

function forceValues(build: BuildDocument, fit: ForceFit): readonly LearntValue[] {
  const known = knownBuild(build);
  return FORCE_PARAMETERS.flatMap((id, k): LearntValue[] => {
    const { path, name } = PATHS[id];
    if (!inUse(build, path)) return [];
    const own = knownAt(known, path);
    const [factor, spread] = [Math.exp(fit.values[k] ?? 0), fit.sd[k] ?? PRIOR_SD[id]];
    const after = own.value * factor;
    const [sd, beforeSd] = [after * spread, own.value * PRIOR_SD[id]];
    return [
      learntOf(own, {
        path,
        name,
        beforeSd,
        after,
        sd,
        toldBy: kindsBy(fit.toldBy(k), fit.rides),
        notApart: mostLike(k, fit.names, fit.correlation),
        also: [],
      }),
    ];
  });
}

function heatValues(build: BuildDocument, fit: HeatFit, rides: readonly Prepared[]): readonly LearntValue[] {
  const known = knownBuild(build);
  const kinds = [...new Set(rides.filter((r) => fit.rides.includes(r.key)).map((r) => r.kind))];
  return HEAT_PARAMETERS.flatMap((id, k): LearntValue[] => {
    const { path, name, also } = HEAT_PATHS[id];
    if (!inUse(build, path)) return [];
    const own = knownAt(known, path);
    const after = own.value * Math.exp(fit.values[k] ?? 0);
    const [sd, beforeSd] = [after * (fit.sd[k] ?? HEAT_PRIOR_SD), own.value * HEAT_PRIOR_SD];
    return [
      learntOf(own, {
        path,
        name,
        beforeSd,
        after,
        sd,
        toldBy: kinds,
        notApart: mostLike(k, HEAT_PARAMETERS, fit.correlation),
        also,
      }),
    ];
  });
}

const drive = function* (
  rides: readonly Prepared[],
  from: number,
  to: number,
  words: string,
): Generator<LearnProgress, ForceFit> {
  const steps = fitForces(rides);
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
    yield { done: from + (to - from) * value, words };
  }
};

function whyNot({ ride, recording }: LearnRide, standsIn: UsualDrive): string {
  if (recording === undefined) return 'typed by hand: no line to learn from';
  if (standsIn === 'with a usual motor' && ride.kind !== 'coast-down')
    return 'no motor is chosen, so what it loses is not known';
  return ride.kind === 'coast-down' ? 'it hardly rolls' : 'too short';
}

/** Rides that the force fit can use: of power under a motor that nobody has chosen a usual one would take its share. */
const tellsForces = (p: Prepared, standsIn: UsualDrive): boolean =>
  p.kind === 'coast-down' ||
  (standsIn !== 'with a usual motor' && Array.from(p.sine).some((s) => !Number.isNaN(s)));

/** What is read off a motor, or the volts it runs on, tells nothing where a usual one stands in. */
const restsOn = (path: QuantityPath, standsIn: UsualDrive): boolean =>
  standsIn !== '' &&
  path.startsWith('drive.') &&
  (standsIn === 'with a usual motor' || path === 'drive.kvRpmPerV');

/**
 * Learns from rides what the plan had to assume: all forces in one fit, the heat of the motor in another, capacity, leads and
 * winding by themselves. Nothing is taken by itself.
 */
export function* learn(
  build: BuildDocument,
  rides: readonly LearnRide[],
): Generator<LearnProgress, LearnOutcome> {
  const standsIn = usualDrive({ build, known: knownBuild(build) });
  const ready = rides.flatMap((ride) => prepared(build, ride) ?? []);
  const forces = ready.filter((p) => tellsForces(p, standsIn));
  yield { done: 0.02, words: 'reading the rides' };
  const none: readonly LearntValue[] = [];
  let [values, off, contradiction] = [none, [] as readonly RideOff[], 0];
  let heldOut: RideOff | undefined;
  const offOf = (fit: ForceFit, i: number): RideOff => {
    const { key, kind, on } = fit.rides[i] ?? { key: '', kind: 'everyday', on: '' };
    return { key, kind, on, ...fit.off(i) };
  };
  if (forces.length > 0) {
    const fit = yield* drive(forces, 0.05, 0.6, 'fitting the forces');
    values = forceValues(build, fit);
    off = forces.map((_, i) => offOf(fit, i)).filter((o) => Number.isFinite(o.before));
    const z = fit.values.map((v, k) => v / (fit.prior[k] ?? 1));
    contradiction = Math.max(0, ...z.map(Math.abs));
    const withPower = forces.filter((f) => f.kind !== 'coast-down');
    const last = withPower.at(-1);
    if (withPower.length >= 3 && last !== undefined) {
      const others = yield* drive(
        forces.filter((f) => f !== last),
        0.6,
        0.9,
        'fitting again without the last ride',
      );
      // The others judge it as it would have been judged before it was ridden.
      heldOut = heldOutOf(others, last);
    }
  }
  yield { done: 0.9, words: 'fitting the heat' };
  const warmed = standsIn === 'with a usual motor' ? [] : ready.filter((p) => p.windingC !== undefined);
  const heat = fitHeat(warmed);
  return {
    values: [
      ...values,
      ...singleValues(build, rides),
      ...(heat === undefined ? [] : heatValues(build, heat, ready)),
    ].filter(({ path }) => !restsOn(path, standsIn)),
    off,
    heldOut,
    heat: heat === undefined ? undefined : { before: heat.before, after: heat.after },
    standsIn,
    leftOut: rides
      .filter((r) => !forces.some((f) => f.key === r.key))
      .map((r) => ({ key: r.key, why: whyNot(r, standsIn) })),
    contradiction,
  };
}

function heldOutOf(others: ForceFit, last: Prepared): RideOff | undefined {
  const { before, after } = others.judge(last);
  return Number.isFinite(before) ? { key: last.key, kind: last.kind, on: last.on, before, after } : undefined;
}

/** The plan with some of what was learnt: measured, with a note of the rides that told it. */
export function withLearnt(build: BuildDocument, taken: readonly LearntValue[], note: string): BuildDocument {
  return taken.reduce((b, { path, after, before, sd, also }) => {
    const known = knownBuild(b);
    const value = rounded(after);
    const one = withQuantity(b, path, {
      source: 'measured',
      value,
      plusMinus: Math.max(1e-6, rounded(sd)),
      note,
    });
    return also.reduce((c, other) => {
      const own = knownAt(known, other).value * (after / before);
      return withQuantity(c, other, {
        source: 'measured',
        value: rounded(own),
        plusMinus: Math.max(1e-6, rounded((own * sd) / after)),
        note,
      });
    }, one);
  }, build);
}

const rounded = (value: number): number => Number(value.toPrecision(4));
