import { describe, expect, it } from 'vitest';
import marketRun from '../../../demo/routes/market-run.json' with { type: 'json' };
import crateLane from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { newBuild } from '../document/template.ts';
import { readBuild } from '../document/read.ts';
import { simulatedLog, type SimulatedRide } from '../instruments/simulated-logger.ts';
import { simulatedStops } from '../instruments/simulated-stops.ts';
import { readRoute } from '../route/read-route.ts';
import type { Route } from '../route/route.ts';
import { longtail, tandem } from '../test/demo.ts';
import { analyzeLog } from './analysis.ts';
import { rideBeside, type Beside, type RideRoad } from './beside.ts';
import { withReadings } from './measured.ts';
import { roadOfLog } from './own-road.ts';
import { newRide, type RideFigureId, type RideRecord } from './ride-record.ts';
import { figureState, headlineOf, leaningOf, rideState, roadStands } from './stands.ts';

const roadFrom = (file: unknown): Route => {
  const read = readRoute(file);
  if (!read.ok) throw new Error('the route is broken');
  return read.value;
};
const market = roadFrom(marketRun);
const lane = roadFrom(crateLane);
const DAY: RideRecord = newRide({
  kind: 'range',
  on: '2026-03-02',
  planVersion: 1,
  airC: 11,
  windMs: 0,
  pedalled: 'yes',
  who: 'R. Quince',
  simulated: true,
});
const still: SimulatedRide = {
  route: market,
  effort: 'cruise',
  seed: 3,
  windMs: 0,
  windFromDeg: undefined,
  airC: 11,
  truth: {},
  fault: 'none',
};
function done(build: BuildDocument, ride: RideRecord, road: RideRoad | undefined): Beside {
  const steps = rideBeside(build, ride, road);
  for (;;) {
    const { done: ended, value } = steps.next();
    if (ended === true) return value;
  }
}
/** A ride that a simulated logger wrote down, and what the plan says of it. */
function ridden(build: BuildDocument, how: Partial<SimulatedRide>, ride: Partial<RideRecord> = {}) {
  const log = simulatedLog(build, { ...still, ...how });
  const record = withReadings({ ...DAY, ...ride }, analyzeLog(log));
  const route = roadOfLog('x', log, how.route ?? market);
  if (route === undefined) throw new Error('no road');
  return { record, ...done(build, record, { route, of: 'recorded' }) };
}
const figure = ({ told }: Pick<Beside, 'told'>, id: RideFigureId) => {
  const found = told.figures.find((f) => f.id === id);
  if (found === undefined) throw new Error(`no ${id}`);
  return found;
};

describe('stops on the way of a ride', () => {
  it('stand beside the charge that the plan of the day had left there', () => {
    const stops = [5, 10, 18].map((km) => ({ km, restV: null, gauge: null, windingC: null }));
    const { way } = ridden(longtail, {}, { way: stops });
    expect(way.map((row) => row.km)).toEqual([5, 10, 18]);
    const left = way.map((row) => row.planned ?? NaN);
    expect(left[0]).toBeLessThan(1);
    expect(left[1]).toBeLessThan(left[0] ?? NaN);
    expect(left[2]).toBeLessThan(left[1] ?? NaN);
    // Energy grows about as the distance; the first kilometres of this road are its easiest.
    expect((1 - (left[2] ?? NaN)) / (1 - (left[0] ?? NaN))).toBeGreaterThan(2.5);
    expect((1 - (left[2] ?? NaN)) / (1 - (left[0] ?? NaN))).toBeLessThan(7);
  });

  it('agree with the plan where a stand-in that is as planned stood and read, and its gauge does not mislead', () => {
    const log = simulatedLog(longtail, still);
    const way = simulatedStops(longtail, log, [4, 9, 14, 18], 5);
    expect(way.map((stop) => stop.gauge)).toEqual([...way.map((stop) => stop.gauge)].sort().reverse());
    const record = withReadings({ ...DAY, way, gaugeOf: 5 }, analyzeLog(log));
    const route = roadOfLog('x', log, market);
    if (route === undefined) throw new Error('no road');
    for (const row of done(longtail, record, { route, of: 'recorded' }).way) {
      expect(row.inPack).toBeCloseTo(row.planned ?? NaN, 1);
      expect(row.flatters).toBeUndefined();
    }
    expect(simulatedStops(longtail, { ...log, columns: {} }, [4], 5)).toEqual([]);
  });

  it('are told from their volts without a road, and not of packs whose volts do not tell', () => {
    const stop = { km: 5, restV: 50, gauge: 3, windingC: null };
    const bare = { ...DAY, distanceKm: 20, way: [stop], gaugeOf: 5 };
    const [alone] = done(longtail, bare, undefined).way;
    // 13 in series: 3.85 V a cell.
    expect(alone?.inPack).toBeGreaterThan(0.55);
    expect(alone?.inPack).toBeLessThan(0.8);
    expect(alone?.planned).toBeUndefined();
    const uncounted = withQuantity(longtail, 'packs.0.cellsInSeries', { source: 'unknown' });
    expect(done(uncounted, bare, undefined).way[0]?.inPack).toBeUndefined();
  });
});

describe('a ride beside its plan', () => {
  it.each([
    ['the longtail', longtail, market],
    ['the tandem', tandem, market],
    ['the longtail on its hill', longtail, lane],
  ])('of %s holds where the machine is as planned', (_, build, route) => {
    const { told, trace } = ridden(build, { route });
    expect(told.road).toBe('recorded');
    expect(told.windKnown).toBe(true);
    for (const id of ['energy', 'minutes'] as const) {
      const { measured, plan } = figure({ told }, id);
      expect(Math.abs(measured / plan - 1), `${id} ${String(measured)} ${String(plan)}`).toBeLessThan(0.05);
    }
    expect(figureState(figure({ told }, 'energy'))).toBe('fine');
    expect(trace?.metres.length).toBeGreaterThan(100);
  });

  it('was hopeful where it has more drag than was thought, and says what the span comes from', () => {
    const { told, record } = ridden(longtail, { truth: { 'donor.cdaM2': 1.5, 'donor.crr': 1.6 } });
    const energy = figure({ told }, 'energy');
    expect(leaningOf(energy)).toBe('hopeful');
    expect(energy.measured / energy.plan).toBeGreaterThan(1.08);
    expect(told.causes.length).toBeGreaterThan(0);
    expect(headlineOf('range', told)?.id).toBe('per-km');
    expect(rideState('range', { ...told, planVersion: 1 })).not.toBe('unknown');
    expect(record.energyWh).not.toBeNull();
  });

  it('can tell nothing of the energy where nobody noted the wind, and says so', () => {
    const { told } = ridden(longtail, {}, { windMs: null });
    expect(told.windKnown).toBe(false);
    expect(rideState('range', { ...told, planVersion: 1 })).toBe('unknown');
    expect(figure({ told }, 'energy').measured).toBeGreaterThan(0);
  });

  it('says nothing of a plan whose motor nobody has chosen, or whose pack nobody has read', () => {
    const { told } = ridden(longtail, {});
    expect(told.standsIn).toBe('');
    const bare = readBuild({ ...longtail, drive: newBuild('bare').drive });
    if (!bare.ok) throw new Error('the build is broken');
    const usual = ridden(bare.value, {}).told;
    expect(usual.standsIn).toBe('with a usual motor');
    expect(rideState('range', { ...usual, planVersion: 1 })).toBe('unknown');
    expect(roadStands([{ kind: 'range', told: { ...usual, planVersion: 1 } }])).toMatchObject({
      state: 'unknown',
      compared: 0,
    });
    const unlabelled = (['packs.0.nominalV', 'packs.0.cellsInSeries'] as const).reduce(
      (b, path) => withQuantity(b, path, { source: 'unknown' }),
      longtail,
    );
    expect(ridden(unlabelled, {}).told.standsIn).toBe('with a usual pack');
  });

  it('is told of a typed ride by the route that it names, as often as its distance says', () => {
    const km = (2 * (market.profile.at(-1)?.distanceM ?? 0) * (market.andBack ? 2 : 1) * market.times) / 1000;
    const typed: RideRecord = { ...DAY, distanceKm: km, energyWh: 400, minutes: (60 * km) / 18 };
    const { told } = done(longtail, typed, { route: market, of: 'route' });
    expect(told.road).toBe('route');
    const once = done(
      longtail,
      { ...typed, distanceKm: km / 2, minutes: (60 * km) / 36 },
      { route: market, of: 'route' },
    );
    expect(figure({ told }, 'energy').plan / figure(once, 'energy').plan).toBeCloseTo(2, 1);
    // A mean speed that the plan was given is not held against it.
    expect(told.figures.some((f) => f.id === 'minutes')).toBe(false);
    // Another length is another road.
    const other = done(longtail, { ...typed, distanceKm: km * 0.7 }, { route: market, of: 'route' });
    expect(other.told.road).toBe('none');
    expect(other.told.figures).toEqual([]);
  });

  it('of a top speed needs no road', () => {
    const typed: RideRecord = { ...DAY, kind: 'top-speed', topKmh: 22 };
    const { told } = done(longtail, typed, undefined);
    expect(told.figures.map((f) => f.id)).toEqual(['top']);
    const { plan, low, high } = figure({ told }, 'top');
    expect(low).toBeLessThanOrEqual(plan);
    expect(high).toBeGreaterThanOrEqual(plan);
    expect(plan).toBeGreaterThan(20);
    // The controller ends its help there: fewer km/h are the plan's hope.
    expect(leaningOf(figure({ told }, 'top'))).toBe('hopeful');
  });

  it('of volts alone is told by the resting curve, with a wider span, and says so', () => {
    const typed: RideRecord = { ...DAY, distanceKm: 22, voltsBefore: 54.2, voltsAfter: 48.6 };
    const byVolts = done(longtail, typed, { route: market, of: 'route' });
    const byDisplay = done(longtail, { ...typed, energyWh: 340 }, { route: market, of: 'route' });
    expect(byVolts.told.byVolts).toBe(true);
    expect(byDisplay.told.byVolts).toBe(false);
    // By the resting card of 13 cells 54.2 V is 99.1 % and 48.6 V 56.9 %: 0.4226 x 17.5 Ah x 0.95 of health x 51.4 V.
    expect(figure(byVolts, 'energy').measured / 361.1).toBeCloseTo(1, 2);
    const wide = (b: Beside): number => figure(b, 'energy').high - figure(b, 'energy').low;
    expect(wide(byVolts)).toBeGreaterThan(1.3 * wide(byDisplay));
    // Volts that hardly moved tell nothing.
    const few = done(longtail, { ...typed, voltsAfter: 54.1 }, { route: market, of: 'route' });
    expect(few.told.figures.some((f) => f.id === 'energy')).toBe(false);
  });

  it('is rolled on snow as on snow', () => {
    const typed: RideRecord = { ...DAY, route: 'x', energyWh: 400 };
    const dry = done(longtail, typed, { route: market, of: 'route' });
    const snow = done(longtail, { ...typed, ground: 'snow' }, { route: market, of: 'route' });
    expect(figure(snow, 'energy').plan).toBeGreaterThan(1.15 * figure(dry, 'energy').plan);
  });
});

describe('how the plan stands by its rides', () => {
  const told = (measured: number, windKnown = true) => ({
    planVersion: 1,
    road: 'route' as const,
    windKnown,
    byVolts: false,
    standsIn: '',
    shownTimes: null,
    toldOff: 0,
    runInUnsaid: false,
    figures: [{ id: 'energy' as const, measured, plan: 100, low: 90, high: 112 }],
    causes: [],
  });
  it('counts the rides that can be held against it, by what they took', () => {
    const one = { kind: 'everyday' as const, told: told(108) };
    expect(roadStands([])).toMatchObject({ words: 'no rides yet', state: 'unknown' });
    expect(roadStands([one, { kind: 'everyday', told: told(104) }])).toMatchObject({
      words: '2 rides, 6 % hopeful',
      state: 'fine',
      compared: 2,
    });
    expect(roadStands([{ kind: 'everyday', told: told(101) }]).words).toBe('1 ride, the plan holds');
    expect(roadStands([{ kind: 'everyday', told: told(80) }])).toMatchObject({
      words: '1 ride, 20 % fearful',
      state: 'look',
    });
    expect(roadStands([{ kind: 'everyday', told: told(150, false) }])).toMatchObject({
      words: '1 ride, no plan to hold them against',
      state: 'unknown',
    });
    expect(roadStands([{ kind: 'everyday', told: told(150) }]).state).toBe('stop');
  });
});
