import { describe, expect, it } from 'vitest';
import {
  assemble,
  continuousCurve,
  elevationAlong,
  evaluate,
  shippedRules,
  limitMap,
  rangeBand,
  repeatedClimbs,
  ridePlan,
  traceSpacing,
  type Route,
  readBuild,
} from '@apple-cart/core';
import longtail from '../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import crate from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import { traceTable } from '../ride/trace-table.ts';
import { NAMED_INK } from '../test/ink.ts';
import { series, tooltip, words } from '../test/options.ts';
import { bandChart, bins } from './band-chart.ts';
import { continuousChart, repeatChart } from './heat-charts.ts';
import { LASTS, lastsClass, mapChart } from './map-chart.ts';
import { profileChart } from './profile-chart.ts';
import { bindingInk, bindingStretches, rideChart, rowAt } from './ride-chart.ts';
import { evenMax } from './ride-panels.ts';
import { tableCsv } from '../files/table-csv.ts';

const read = readBuild(longtail);
if (!read.ok) throw new Error('the longtail cannot be read');
const build = read.value;
const road = crate as unknown as Route;
const plan = ridePlan(build, road, 'full');
const ride = plan.ride({ traceEvery: traceSpacing(plan.course) });
const trace = ride.trace ?? { metres: [] as number[] };
if (!('binding' in trace)) throw new Error('no trace');

describe('the ride chart', () => {
  const option = rideChart(
    {
      trace,
      elevationM: trace.metres.map((x) => elevationAlong(road, x)),
      pinned: trace,
      rollbackC: 100,
      damageC: 140,
      system: 'metric',
    },
    NAMED_INK,
  );

  it('has five panels over one distance, linked by one cursor', () => {
    expect(option.grid).toHaveLength(5);
    expect((option.yAxis as { name: string }[]).map((a) => a.name)).toEqual([
      'Elevation, m',
      'Speed, km/h',
      'From the pack, W',
      'Winding, °C',
      'Charge, %',
    ]);
    expect(option.axisPointer).toEqual({ link: [{ xAxisIndex: 'all' }] });
    // A panel whose words could make it narrower would put the cursor elsewhere than the others.
    for (const panel of option.grid as { outerBoundsMode: string }[])
      expect(panel.outerBoundsMode).toBe('none');
    const ends = (option.xAxis as { max: number }[]).map((a) => a.max);
    expect(new Set(ends).size).toBe(1);
    expect(ends[0]).toBeCloseTo(1.4, 6);
  });

  it('answers the cursor with everything that the ride knows there', () => {
    const text = tooltip(option, 1.0);
    for (const part of ['km/h', ' W, ', ' V, ', ' A; phase', 'winding', '% charge', 'battery current'])
      expect(text).toContain(part);
  });

  it('names the gear of a hub gear beside the cog', () => {
    const inHub = { ...trace, hubGear: trace.hubGear.map(() => 3) };
    const drawn = rideChart(
      {
        trace: inHub,
        elevationM: trace.metres.map(() => 0),
        pinned: undefined,
        rollbackC: undefined,
        damageC: 140,
        system: 'metric',
      },
      NAMED_INK,
    );
    expect(tooltip(drawn, 0.5)).toMatch(/\d+-tooth cog, gear 3, /);
    expect(tooltip(option, 0.5)).toMatch(/\d+-tooth cog, \d+ rpm/);
  });

  it('follows the reader’s units', () => {
    const imperial = rideChart(
      {
        trace,
        elevationM: trace.metres.map((x) => elevationAlong(road, x)),
        pinned: undefined,
        rollbackC: undefined,
        damageC: 140,
        system: 'imperial',
      },
      NAMED_INK,
    );
    expect((imperial.yAxis as { name: string }[]).map((a) => a.name).join()).toContain('mph');
    expect(tooltip(imperial, 0.5)).toContain('mi, ');
  });

  it('cuts the road where what binds changes, without a gap', () => {
    expect(bindingStretches({ binding: ['wish', 'wish', 'heat', 'heat', 'wish'] })).toEqual([
      { binding: 'wish', from: 0, to: 2 },
      { binding: 'heat', from: 2, to: 4 },
      { binding: 'wish', from: 4, to: 4 },
    ]);
    expect(bindingStretches({ binding: [] })).toEqual([]);
    expect(bindingInk('heat', NAMED_INK)).toBe('q-heat');
    expect(bindingInk('battery-current', NAMED_INK)).toBe('q-batt-line');
  });

  it('finds the row nearest to the cursor', () => {
    expect(rowAt([0, 10, 20, 40], 14)).toBe(1);
    expect(rowAt([0, 10, 20, 40], 31)).toBe(3);
    expect(rowAt([0, 10], -5)).toBe(0);
  });

  it.each([
    [7, 8],
    [18.7, 20],
    [41, 60],
    [650, 800],
    [1100, 2000],
  ])('has small axes that end on round halves: %d to %d', (value, max) => {
    expect(evenMax(value)).toBeCloseTo(max, 9);
  });

  it('is a table of everything for a file', () => {
    const csv = tableCsv(traceTable(trace));
    const [head = '', first = ''] = csv.split('\r\n');
    expect(head).toBe(
      'time_s,distance_m,speed_km_h,grade_pct,wheel_force_N,pack_V,battery_A,battery_W,phase_A,charge_pct,winding_C,shell_C,cadence_rpm,cog_teeth,hub_gear,binds',
    );
    expect(first.split(',')).toHaveLength(16);
    expect(csv.split('\r\n')).toHaveLength(trace.metres.length + 2);
  });
});

describe('heat charts', () => {
  it('name what lasts, and what the hill asks', () => {
    const speeds = [2, 4, 6];
    const machine = assemble(build);
    const option = continuousChart(
      {
        dry: continuousCurve(machine, speeds),
        other: continuousCurve(machine, speeds),
        otherName: 'with fluid',
        hill: { v: 4, motorW: 790, name: 'Crate Lane' },
        system: 'metric',
      },
      NAMED_INK,
    );
    expect(words(option)).toContain('holds for ever');
    expect(words(option)).toContain('asks 790 W');
    expect(tooltip(option, 14)).toContain('for ever');
  });

  it('go up and down with the climbs', () => {
    const hill = ridePlan(build, { ...road, andBack: true, times: 2 }, 'full').ride({ traceEvery: 10 });
    const climbs = repeatedClimbs(hill, 1400);
    if (hill.trace === undefined) throw new Error('no trace');
    const chart = { trace: hill.trace, lengthM: 1400, climbs, rollbackC: 100, damageC: 140 };
    const option = repeatChart(chart, 'metric', NAMED_INK);
    expect(words(option)).toContain('held back from here');
    expect(tooltip(option, 0.2)).toContain('climb 1');
    expect(tooltip(option, 1.9)).toContain('climb 2: not to the top');
    expect(words(option)).toContain('ends here');
  });
});

describe('the map of limits', () => {
  it('sorts times into classes', () => {
    expect([60, 299, 300, 1000, 3599, 3600, undefined].map(lastsClass)).toEqual([0, 0, 1, 2, 2, 3, 3]);
    expect(lastsClass(1e9)).toBe(LASTS.length - 1);
  });

  it('answers the cursor with the most that is reached and the most that lasts', () => {
    const speeds = [1, 2, 3, 4, 5];
    const grades = [1, 3, 5, 7, 9];
    const verdict = evaluate(build, shippedRules());
    const option = mapChart(
      {
        cells: limitMap(assemble(build), 0.5, 'best', speeds, grades),
        speeds,
        grades,
        held: verdict.hill.curves.held,
        hill: { gradePct: 9, v: 4, name: 'Crate Lane' },
        system: 'metric',
      },
      NAMED_INK,
    );
    expect(tooltip(option, 3)).toMatch(/at most .*km\/h.*lasts an hour up to/);
    expect(words(option)).toContain('Crate Lane');
  });
});

describe('the band chart', () => {
  const run = rangeBand(build, road, 24, 1);
  let step = run.next();
  while (step.done !== true) step = run.next();
  const { band } = step.value;

  it('counts every ride once', () => {
    const all = bins(band.km, 100);
    expect(all.reduce((sum, b) => sum + b.rides, 0)).toBe(24);
    expect(bins([0, 100, 200], 100).map((b) => b.rides)).toEqual([1, ...new Array<number>(26).fill(0), 2]);
  });

  it('names the near end, the middle and what is wanted', () => {
    const option = bandChart({ band, wantedKm: 22, system: 'metric' }, NAMED_INK);
    for (const text of ['19 of 20 come as far as', 'half come as far as', 'wanted', '22 km'])
      expect(words(option)).toContain(text);
    expect(tooltip(option, 0)).toContain('100 %');
  });
});

describe('the profile chart', () => {
  it('shows the recorded line beside the used one, thinned', () => {
    const long = {
      distanceM: Array.from({ length: 9000 }, (_, i) => i),
      elevationM: Array.from({ length: 9000 }, () => 5),
    };
    const option = profileChart({ used: long, raw: long, system: 'metric' }, NAMED_INK);
    expect(words(option)).toContain('as recorded');
    for (const s of series(option)) expect((s.data as unknown[]).length).toBeLessThan(2000);
    expect(tooltip(option, 1)).toContain('recorded');
  });
});
