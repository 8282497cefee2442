import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { withValue } from '../document/quantity-at.ts';
import { chargeAtRest, supplyAt } from '../machine/battery.ts';
import { quantiles } from '../quantity/numerics.ts';
import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { topSpeed } from '../ride/steady.ts';
import type { Trace } from '../ride/trace.ts';
import { riddenLengthM } from '../route/profile.ts';
import type { Route } from '../route/route.ts';
import { givesWay } from '../route/surface.ts';
import { drawingOf } from '../trips/drawing.ts';
import { ridePlan, traceSpacing, type Effort, type RidePlan } from '../trips/ride-plan.ts';
import { knownBuild } from '../document/known.ts';
import { assemble } from '../machine/assemble.ts';
import { usualDrive } from '../document/stands-in.ts';
import { riddenAtLevel, trueRide } from './as-ridden.ts';
import type { Recording } from './channels.ts';
import { netWh, packByVolts, whByVolts } from './measured.ts';
import { wayRows, type WayRow } from './on-the-way.ts';
import { roadOfLog } from './own-road.ts';
import type { RideFigure, RideFigureId, RideRecord, RideTold } from './ride-record.ts';

/** The road of a ride: the one that was recorded, or a route that is kept here. */
export interface RideRoad {
  readonly route: Route;
  readonly of: 'recorded' | 'route';
}

/** What the plan says of a ride, and the ride of the plan as a line; none where there is no road to ride it on. */
export interface Beside {
  readonly told: Omit<RideTold, 'planVersion'>;
  /** All that the plan says, also where nobody has read the same. */
  readonly plan: Readonly<Partial<Record<RideFigureId, number>>>;
  readonly trace: Trace | undefined;
  /** What was read on the way, beside what the plan had there. */
  readonly way: readonly WayRow[];
}

/** The road of a ride: its own where it was recorded with heights, else the route that it names. */
export function roadOfRide(
  { title }: RideRecord,
  route: Route | undefined,
  recording: Recording | undefined,
): RideRoad | undefined {
  const own = recording === undefined ? undefined : roadOfLog(title, recording, route);
  if (own !== undefined) return { route: own, of: 'recorded' };
  return route === undefined ? undefined : { route, of: 'route' };
}

export interface BesideProgress {
  readonly done: number;
  readonly of: number;
}

/** Rides of the plan by chance, of which the likely span is made: 19 of 20 would do, this many are steadier. */
const RIDES = 40;
const SEED = 5;
const SNOW_SURFACE = 'packed-snow';

/** How far a route differs from what was ridden before its distance is not the ride's, as a share. */
const SAME_LENGTH = 0.1;

const settledBy: readonly (readonly [keyof RideRecord, QuantityPath])[] = [
  ['airC', 'brief.temperatureC'],
  ['loadKg', 'brief.loadMassKg'],
];
/** A wind that was noted is off by so much of what one that was not noted is. Common practice, no source. */
const NOTED_WIND = 0.4;
/** Energy by volts at rest is off by so much of itself on either side. Common practice, no source. */
const BY_VOLTS = 0.12;
/** Nobody is entered with more, W. */
const MOST_RIDER_W = 800;

interface Day {
  readonly build: BuildDocument;
  /** What was read that day, and how much of its spread is left to chance. */
  readonly settled: Map<QuantityPath, number>;
  readonly windKnown: boolean;
}

/** The plan as it was ridden that day: its air, load, legs and speed, where they were read. */
function onTheDay(build: BuildDocument, ride: RideRecord, road: RideRoad | undefined): Day {
  let day = build;
  const settled = new Map<QuantityPath, number>();
  const set = (path: QuantityPath, value: number): void => {
    day = withValue(day, path, value);
    settled.set(path, 0);
  };
  for (const [key, path] of settledBy) {
    const value = ride[key];
    if (typeof value === 'number') set(path, value);
  }
  if (ride.riderW !== null) set('brief.riderPowerW', Math.min(MOST_RIDER_W, ride.riderW));
  if (ride.riderWh !== null) settled.set('brief.riderPowerW', 0);
  if (ride.pedalled === 'no') set('brief.riderPowerW', 0);
  // Wind of a known strength and an unknown direction is ahead on one half of the way and behind on the other.
  const { windMs, windFromDeg } = ride;
  if (windMs !== null) {
    day = withValue(day, 'brief.headwindMs', windFromDeg === null ? 0 : windMs);
    settled.set('brief.headwindMs', NOTED_WIND);
    if (windFromDeg !== null) day = withValue(day, 'brief.windFromDeg', windFromDeg);
  }
  if (road?.of === 'recorded') {
    // The wishes stand in the road; nothing else holds the speed.
    const fastest = Math.max(10, ...road.route.spans.map((s) => s.limitKmh ?? 0));
    set('brief.cruiseSpeedKmh', Math.min(80, fastest));
    set('brief.descentKmh', Math.min(100, fastest));
  } else if (
    ride.distanceKm !== null &&
    ride.minutes !== null &&
    ride.kind !== 'hill' &&
    ride.kind !== 'heat'
  )
    set('brief.cruiseSpeedKmh', Math.max(3, Math.min(80, (60 * ride.distanceKm) / ride.minutes)));
  return {
    build: day,
    settled,
    windKnown: windMs !== null && (windMs <= 2 || windFromDeg !== null),
  };
}

/** How often the legs of the plan are brought nearer to those that were measured. */
const LEG_ROUNDS = 2;
const SPEED_ROUNDS = 3;

/** The plan with legs that give as much over the way as was measured: they ease off behind the motor, and push where it fails. */
function withLegs(build: BuildDocument, ride: RideRecord, route: Route, effort: Effort): BuildDocument {
  const { riderWh } = ride;
  if (riderWh === null) return build;
  let found = build;
  for (let i = 0; i < LEG_ROUNDS; i += 1) {
    const plan = ridePlan(found, route, effort, 'helping', 'ahead');
    const watts = plan.known.brief.riderPowerW.value;
    const given = plan.ride({ step: 2 }).ledger.rider / 3600;
    if (given <= 0) return found;
    found = withValue(found, 'brief.riderPowerW', Math.min(MOST_RIDER_W, (watts * riderWh) / given));
  }
  return found;
}

/** A mean speed says how fast it was wished for once hills and stops are reckoned with: found by riding it, a few times. */
function atMeanSpeed(build: BuildDocument, ride: RideRecord, route: Route, effort: Effort): BuildDocument {
  const { minutes } = ride;
  if (minutes === null || effort === 'full') return build;
  let found = build;
  for (let i = 0; i < SPEED_ROUNDS; i += 1) {
    const plan = ridePlan(found, route, effort, 'helping', 'ahead');
    const taken = plan.ride({ step: 2 }).movingSeconds / 60;
    const wish = plan.known.brief.cruiseSpeedKmh.value * Math.min(1.3, Math.max(0.7, taken / minutes));
    found = withValue(found, 'brief.cruiseSpeedKmh', Math.max(3, Math.min(80, wish)));
  }
  return found;
}

/** The road with its surface as the ground was; and as often as the distance says where that is a whole number of times. */
function roadOf(ride: RideRecord, { route, of }: RideRoad): Route {
  const times =
    of === 'route' && ride.distanceKm !== null
      ? Math.round((1000 * ride.distanceKm * route.times) / riddenLengthM(route))
      : route.times;
  const again = times >= 1 && times <= 100 ? { ...route, times } : route;
  if (ride.ground !== 'snow') return again;
  const length = again.profile.at(-1)?.distanceM ?? 0;
  const spans = again.spans.map((s) => ({ ...s, surface: SNOW_SURFACE }) as const);
  return { ...again, spans: [{ fromM: 0, toM: length, surface: SNOW_SURFACE, limitKmh: null }, ...spans] };
}

/** A hill and a heat test are ridden with all there is, unless the way shows how fast it was wished for. */
const effortOf = ({ kind }: RideRecord, road: RideRoad): Effort =>
  (kind === 'hill' || kind === 'heat') && road.of === 'route' ? 'full' : 'cruise';

type Figures = Partial<Record<RideFigureId, number>>;

/** What the plan does on the road of the ride. */
function ridden(
  plan: RidePlan,
  ride: RideRecord,
  traced: boolean,
  runInKmh: number,
): { figures: Figures; trace: Trace | undefined } {
  const pack = packByVolts(plan);
  const charge =
    pack !== undefined && ride.voltsBefore !== null
      ? Math.max(0.02, chargeAtRest(pack, ride.voltsBefore))
      : plan.charged;
  const speed = kmhToMs(runInKmh);
  const done = plan.ride({ charge, speed, traceEvery: traceSpacing(plan.course), step: 2 });
  const { trace } = done;
  const km = done.metres / 1000;
  const figures: Figures = {
    energy: done.usedWh,
    'per-km': km > 0 ? done.usedWh / km : NaN,
    minutes: done.movingSeconds / 60,
    winding: done.hottestC,
    ...(pack !== undefined && ride.voltsBefore !== null
      ? { 'volts-after': supplyAt(pack, done.charge).openVolts }
      : {}),
  };
  return { figures, trace: traced ? trace : undefined };
}

/** What was read of the same; undefined where it was not. */
function measured(
  ride: RideRecord,
  net: number | undefined,
  plan: Figures,
  road: RideRoad | undefined,
): Figures {
  const out: Figures = {
    ...(net === undefined ? {} : { energy: net }),
    ...(net === undefined || ride.distanceKm === null ? {} : { 'per-km': net / ride.distanceKm }),
    ...(ride.hottestC === null ? {} : { winding: ride.hottestC }),
    ...(ride.voltsAfter === null ? {} : { 'volts-after': ride.voltsAfter }),
    // A mean speed that was given to the plan is not held against it.
    ...(ride.minutes !== null && (road?.of === 'recorded' || ride.kind === 'hill' || ride.kind === 'heat')
      ? { minutes: ride.minutes }
      : {}),
    // On any other ride the wish decides how fast it goes.
    ...(ride.topKmh !== null && ride.kind === 'top-speed' ? { top: ride.topKmh } : {}),
  };
  return Object.fromEntries(Object.entries(out).filter(([id]) => plan[id as RideFigureId] !== undefined));
}

/** The steady top speed of a plan on the level, km/h. */
function topOf(plan: RidePlan, ride: RideRecord): number {
  const pack = packByVolts(plan);
  const charge =
    ride.voltsBefore !== null && pack !== undefined ? chargeAtRest(pack, ride.voltsBefore) : plan.charged;
  const top = topSpeed(plan.machine, charge);
  return top.moves ? msToKmh(top.v) : 0;
}

/** A level road, where only the top speed is asked. */
const NO_ROAD: Route = {
  schemaVersion: 1,
  name: 'level',
  note: '',
  sample: false,
  profile: [
    { distanceM: 0, elevationM: 0, bearingDeg: null },
    { distanceM: 1000, elevationM: 0, bearingDeg: null },
  ],
  spans: [],
  stops: [],
  times: 1,
  andBack: false,
  recorded: null,
};

/** Roads of another length than was ridden are not the road of the ride. */
function fits(ride: RideRecord, road: RideRoad): boolean {
  if (road.of === 'recorded' || ride.distanceKm === null) return true;
  const once = riddenLengthM(road.route) / road.route.times;
  const times = (1000 * ride.distanceKm) / once;
  return Math.abs(times - Math.max(1, Math.round(times))) <= SAME_LENGTH;
}

/**
 * Rides the plan over the road of a ride, at its speed and in its air, and says what of it came otherwise. The likely span is that
 * of {@link RIDES} rides with what the plan does not know for certain drawn by chance; what was read that day is not drawn.
 * @param road undefined where the ride has none: then only a top speed on the level can be told
 * @param recorded distance and speed are of a recording, also one without heights that is ridden on another road
 */
export function* rideBeside(
  plan0: BuildDocument,
  typed: RideRecord,
  asked: RideRoad | undefined,
  recorded = asked?.of === 'recorded',
): Generator<BesideProgress, Beside> {
  const { ride, times, off } = trueRide(plan0, typed, recorded);
  const build = riddenAtLevel(plan0, ride);
  const road = asked !== undefined && fits(ride, asked) ? asked : undefined;
  const day = onTheDay(build, ride, road);
  const nothing: Beside['told'] = {
    road: 'none',
    windKnown: day.windKnown,
    byVolts: false,
    standsIn: '',
    shownTimes: times,
    toldOff: off,
    runInUnsaid: false,
    figures: [],
    causes: [],
  };
  const pack = packByVolts({ machine: assemble(build), known: knownBuild(build) });
  // As it was typed: the rows put their distances right themselves.
  const wayOf = (told: Pick<RideTold, 'shownTimes'>, trace: Trace | undefined) =>
    wayRows({ ride: typed, told }, pack, trace);
  if (ride.kind === 'coast-down' || (road === undefined && ride.kind !== 'top-speed'))
    return { told: nothing, plan: {}, trace: undefined, way: wayOf(nothing, undefined) };
  const route = road === undefined ? NO_ROAD : roadOf(ride, road);
  const effort = road === undefined ? 'full' : effortOf(ride, road);
  const paced = road?.of === 'route' ? atMeanSpeed(day.build, ride, route, effort) : day.build;
  const legs = withLegs(paced, ride, route, effort);
  const told = (one: BuildDocument, traced: boolean, runInKmh = ride.runInKmh ?? 0) => {
    const plan = ridePlan(one, route, effort, 'helping', 'ahead');
    const whole =
      road === undefined ? { figures: {}, trace: undefined } : ridden(plan, ride, traced, runInKmh);
    if (ride.kind !== 'top-speed') return whole;
    return { ...whole, figures: { ...whole.figures, top: topOf(plan, ride) } };
  };
  const plan = told(legs, true);
  const day0 = ridePlan(day.build, route, effort, 'helping', 'ahead');
  const byVolts = netWh(ride) === undefined && pack !== undefined ? whByVolts(pack, ride) : undefined;
  const runInUnsaid = effort === 'full' && road !== undefined && ride.runInKmh === null;
  // As fast as it is ridden on the level, it may have come to the foot.
  const fastKmh = day0.known.brief.cruiseSpeedKmh.value;
  const running = runInUnsaid ? told(legs, false, fastKmh).figures : undefined;
  const read = measured(ride, netWh(ride) ?? byVolts, plan.figures, road);
  const ids = Object.keys(read) as RideFigureId[];
  const drawing = drawingOf(legs, SEED, { settled: day.settled, softGround: givesWay(route.spans) });
  const drawn: Figures[] = [];
  for (let i = 0; i < RIDES; i += 1) {
    drawn.push(told(drawing.next(), false).figures);
    if (i % 4 === 3) yield { done: i + 1, of: RIDES };
  }
  const figures = ids.flatMap((id): RideFigure[] => {
    const [own, value] = [plan.figures[id], read[id]];
    if (own === undefined || value === undefined || !Number.isFinite(own)) return [];
    const { at } = quantiles(
      drawn.map((d) => d[id] ?? own),
      { low: 0.05, high: 0.95 },
    );
    // Volts at rest are a coarser reading than a display's watt-hours.
    const coarse = byVolts !== undefined && (id === 'energy' || id === 'per-km') ? BY_VOLTS * own : 0;
    const blurred = id === 'per-km' || id === 'top' ? off * own : 0;
    const wider = coarse + blurred;
    const quick = id === 'minutes' ? (running?.minutes ?? own) : own;
    const [low, high] = [Math.min(own, quick, at.low) - wider, Math.max(own, at.high) + wider];
    return [{ id, measured: value, plan: own, low, high }];
  });
  const [first] = figures;
  const causes =
    first === undefined
      ? []
      : drawing
          .causes(drawn.map((d) => d[first.id] ?? NaN))
          .filter((c) => c.share > 0.08)
          .slice(0, 3)
          .map((c) => c.name);
  return {
    told: {
      road: road?.of ?? 'none',
      windKnown: day.windKnown,
      byVolts: byVolts !== undefined,
      standsIn: usualDrive({ build, known: day0.known }),
      shownTimes: times,
      toldOff: off,
      runInUnsaid,
      figures,
      causes,
    },
    plan: plan.figures,
    trace: plan.trace,
    way: wayOf(nothing, plan.trace),
  };
}
