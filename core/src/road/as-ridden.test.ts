import { describe, expect, it } from 'vitest';
import lane from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import { assemble } from '../machine/assemble.ts';
import { riddenLengthM } from '../route/profile.ts';
import { readRoute } from '../route/read-route.ts';
import { evaluate } from '../test/evaluate.ts';
import { series } from '../test/bench-points.ts';
import { longtail } from '../test/demo.ts';
import { levelSets } from '../trips/levels.ts';
import { riddenAtLevel, trueRide } from './as-ridden.ts';
import { rideBeside, type Beside } from './beside.ts';
import { riddenByLevel } from './by-level.ts';
import { newRide, type RideRecord } from './ride-record.ts';
import { singleValues } from './learn/singles.ts';

const ride = (more: Partial<RideRecord>): RideRecord =>
  newRide({
    kind: 'range',
    on: '2026-03-02',
    planVersion: 1,
    who: 'R. Quince',
    windMs: 0,
    airC: 15,
    ...more,
  });
/** Set up has held the display against the true speed: it shows a tenth too much. */
const held: BuildDocument = {
  ...longtail,
  settings: { ...longtail.settings, speed: { shownKmh: 22, trueKmh: 20, trueFrom: 'satellite' } },
};
const unheld: BuildDocument = {
  ...longtail,
  settings: { ...longtail.settings, speed: { shownKmh: null, trueKmh: null, trueFrom: 'unknown' } },
};
const route = (() => {
  const read = readRoute(lane);
  if (!read.ok) throw new Error('the route is broken');
  return read.value;
})();
function besideOf(build: BuildDocument, one: RideRecord): Beside {
  const steps = rideBeside(build, one, { route, of: 'route' });
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
}
const spanOf = ({ told }: Beside, id: 'per-km' | 'top') => told.figures.find((f) => f.id === id);

describe('what told distance and speed', () => {
  it('a display that Set up has held against the true speed is put right by it', () => {
    // By hand: 11 km shown by a display that shows 22 for 20 km/h are 10 km.
    const {
      ride: right,
      times,
      off,
    } = trueRide(held, ride({ toldBy: 'display', distanceKm: 11, topKmh: 33 }), false);
    expect(right.distanceKm).toBeCloseTo(10, 12);
    expect(right.topKmh).toBeCloseTo(30, 12);
    expect(times).toBeCloseTo(1 / 1.1, 12);
    expect(off).toBe(0);
  });

  it('satellite and counter are taken as they are; an unheld display, or nothing noted, may be off', () => {
    const one = ride({ distanceKm: 11 });
    for (const toldBy of ['satellite', 'counter'] as const)
      expect(trueRide(held, { ...one, toldBy }, false)).toMatchObject({ times: null, off: 0 });
    expect(trueRide(unheld, { ...one, toldBy: 'display' }, false).off).toBeGreaterThan(0);
    expect(trueRide(held, one, false).off).toBeGreaterThan(0);
    expect(trueRide(held, { ...one, toldBy: 'display' }, true)).toEqual({
      ride: { ...one, toldBy: 'display' },
      times: null,
      off: 0,
    });
  });

  it('a recording is not blurred, also one that is ridden by the plan on a kept road, or on none', () => {
    const steps = rideBeside(unheld, ride({ kind: 'top-speed', topKmh: 24 }), undefined, true);
    let end = steps.next();
    while (end.done !== true) end = steps.next();
    expect(end.value.told.toldOff).toBe(0);
  });

  it('moves the verdict by as much, and widens the span where it is not known', () => {
    const lengthKm = riddenLengthM(route) / 1000;
    const read = { energyWh: 40, distanceKm: lengthKm };
    const sure = besideOf(held, ride({ ...read, toldBy: 'satellite' }));
    const shown = besideOf(held, ride({ ...read, distanceKm: 1.1 * lengthKm, toldBy: 'display' }));
    const blurred = besideOf(unheld, ride({ ...read, toldBy: 'display' }));
    expect(spanOf(shown, 'per-km')?.measured).toBeCloseTo(spanOf(sure, 'per-km')?.measured ?? 0, 6);
    expect(shown.told.shownTimes).toBeCloseTo(1 / 1.1, 9);
    const width = (b: Beside): number => (spanOf(b, 'per-km')?.high ?? 0) - (spanOf(b, 'per-km')?.low ?? 0);
    expect(width(blurred)).toBeGreaterThan(1.01 * width(sure));
    expect(blurred.told.toldOff).toBeGreaterThan(0);
  });

  it('a top speed by the display teaches the winding by the true one, and less surely where nobody held it', () => {
    const kv = (build: BuildDocument, more: Partial<RideRecord>) =>
      singleValues(build, [
        {
          key: 'a',
          ride: ride({ kind: 'top-speed', pedalled: 'no', voltsBefore: 52, ...more }),
          recording: undefined,
          route: undefined,
        },
      ]).find(({ path }) => path === 'drive.kvRpmPerV');
    // Nothing but its winding ends the speed.
    const free: BuildDocument = { ...series(14), settings: held.settings };
    const loose: BuildDocument = { ...free, settings: unheld.settings };
    const right = kv(free, { topKmh: 30, toldBy: 'satellite' });
    expect(right).toBeDefined();
    expect(kv(free, { topKmh: 33, toldBy: 'display' })?.after).toBeCloseTo(right?.after ?? 0, 6);
    expect(kv(loose, { topKmh: 30, toldBy: 'display' })?.sd).toBeGreaterThan(1.5 * (right?.sd ?? Infinity));
  });
});

describe('a ride at one level of help', () => {
  it('is held against the plan at that level, by the pedals', () => {
    const [low] = levelSets(longtail, assemble(longtail));
    expect(low).toBeDefined();
    const first = riddenAtLevel(longtail, { level: 1 });
    expect(first.controls.throttle).toBe('none');
    expect(riddenAtLevel(longtail, { level: null })).toBe(longtail);
    const energy = (level: number | null): number =>
      besideOf(longtail, ride({ level, energyWh: 40 })).plan.energy ?? 0;
    expect(energy(1)).toBeLessThan(0.9 * energy(null));
    expect(energy(1)).toBeGreaterThan(0);
  });

  it('is summed by level, by true distance, with what came back taken off', () => {
    const told = { ...besideOf(held, ride({ energyWh: 1 })).told, planVersion: 1, shownTimes: 0.5 };
    expect(
      riddenByLevel([
        { ride: ride({ level: 2, energyWh: 110, backWh: 10, distanceKm: 10 }), told: undefined },
        { ride: ride({ level: 2, energyWh: 50, distanceKm: 10 }), told },
        { ride: ride({ level: 1, energyWh: 30, distanceKm: 10 }), told: undefined },
        { ride: ride({ level: 3, distanceKm: 10 }), told: undefined },
        { ride: ride({ energyWh: 30, distanceKm: 10 }), told: undefined },
      ]),
    ).toEqual([
      { level: 1, rides: 1, km: 10, whPerKm: 3 },
      { level: 2, rides: 2, km: 15, whPerKm: 10 },
    ]);
  });

  it('has the figures of its level in the plan to stand beside', () => {
    const { levels } = evaluate(longtail).range;
    expect(levels.length).toBe(levelSets(longtail, assemble(longtail)).length);
  });
});

const longtailKmh = evaluate(longtail).known.brief.cruiseSpeedKmh.value;

describe('the run-in of a hill', () => {
  const hill = (more: Partial<RideRecord>): Beside =>
    besideOf(longtail, ride({ kind: 'hill', minutes: 6, energyWh: 60, toldBy: 'satellite', ...more }));
  const minutes = (b: Beside) => b.told.figures.find(({ id }) => id === 'minutes');

  it('is ridden by the plan as it was noted: whoever comes to the foot at speed is sooner at the top', () => {
    const [standing, running] = [hill({ runInKmh: 0 }), hill({ runInKmh: 25 })];
    expect(minutes(running)?.plan).toBeLessThan(minutes(standing)?.plan ?? 0);
    expect(standing.told.runInUnsaid).toBe(false);
  });

  it('where nobody noted it, the span holds both, and it is said', () => {
    const [unsaid, running] = [hill({}), hill({ runInKmh: longtailKmh })];
    expect(unsaid.told.runInUnsaid).toBe(true);
    expect(minutes(unsaid)?.low).toBeLessThanOrEqual(minutes(running)?.plan ?? 0);
    expect(minutes(unsaid)?.plan).toBe(minutes(hill({ runInKmh: 0 }))?.plan);
  });
});
