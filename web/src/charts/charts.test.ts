import type { SeriesOption } from 'echarts';
import { describe, expect, it } from 'vitest';
import {
  assemble,
  evaluate,
  shippedRules,
  newBuild,
  roadForce,
  type GradePoint,
  readBuild,
} from '@apple-cart/core';
import longtail from '../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import { NAMED_INK } from '../test/ink.ts';
import { series, tooltip, words } from '../test/options.ts';
import { atGrade, niceMax, segments, steepest } from './curve.ts';
import { forceChart } from './force-chart.ts';
import { hillChart, limitNote } from './hill-chart.ts';
import { band, cursorX, hatched } from './pieces.ts';
import { energyChart, rangeChart } from './range-chart.ts';
import { cellText, tableCsv } from '../files/table-csv.ts';

const read = readBuild(longtail);
if (!read.ok) throw new Error('the longtail cannot be read');
const build = read.value;
const verdict = evaluate(build, shippedRules());
const point = (gradePct: number, v: number, limit: GradePoint['limit'] = 'voltage'): GradePoint => ({
  gradePct,
  v,
  limit,
  forceN: 100,
  cogTeeth: 20,
  hubGear: null,
});

describe('curves', () => {
  it('split where the limit changes, without a gap', () => {
    const split = segments([
      point(0, 9),
      point(1, 8),
      point(2, 7, 'phase-current'),
      point(3, 6, 'phase-current'),
    ]);
    expect(split.map((s) => [s.limit, s.points.length])).toEqual([
      ['voltage', 3],
      ['phase-current', 2],
    ]);
    expect(split[0]?.points.at(-1)).toEqual(split[1]?.points[0]);
    expect(segments([])).toEqual([]);
  });

  it('are read at a grade by straight lines, and not beyond their ends', () => {
    const curve = [point(0, 10), point(10, 5)];
    expect(atGrade(curve, 4)?.v).toBeCloseTo(8, 12);
    expect(atGrade(curve, 11)).toBeUndefined();
    expect(steepest(curve)).toBe(10);
  });

  it.each([
    [0.7, 0.8],
    [13.2, 15],
    [15, 15],
    [87, 100],
    [0, 1],
    [NaN, 1],
  ])('have axes that end on round numbers: %d to %d', (value, max) => {
    expect(niceMax(value)).toBeCloseTo(max, 12);
  });
});

describe('hill chart', () => {
  const input = {
    curves: verdict.hill.curves,
    span: verdict.hill.span,
    pinned: undefined,
    known: verdict.known,
    hillName: 'Crate Lane',
    gradePct: 9,
    cogs: 8,
    oneCog: true,
    system: 'metric' as const,
  };
  const option = hillChart(input, NAMED_INK);

  it('names each limit with its value and source, and the hill with its speed', () => {
    const text = words(option);
    expect(text).toContain('Battery current');
    expect(text).toContain('22.0\u00a0A, from the label');
    expect(text).toContain('Phase current');
    expect(text).toContain('Crate Lane, 9.0 %');
    const { climb } = verdict.hill;
    expect(climb.climbs).toBe(true);
    if (climb.climbs) expect(text).toContain(`${(climb.v * 3.6).toFixed(1)} km/h`);
  });

  it('draws each segment in its limit’s colour', () => {
    const colors = series(option).map((s) => (s as { lineStyle?: { color?: string } }).lineStyle?.color);
    expect(colors).toEqual(expect.arrayContaining(['q-batt-line', 'q-phase']));
  });

  it('shows the pinned curve only when there is one', () => {
    expect(words(option)).not.toContain('pinned');
    expect(words(hillChart({ ...input, pinned: verdict.hill.curves.full }, NAMED_INK))).toContain('pinned');
  });

  it('follows the reader’s units', () => {
    expect(words(hillChart({ ...input, system: 'imperial' }, NAMED_INK))).toMatch(/\d mph/);
  });

  it('answers the cursor with speed, limit and cog', () => {
    expect(tooltip(option, 9)).toMatch(/9\.0 %.*km\/h.*battery current binds, 23-tooth cog/);
    expect(tooltip(option, 40)).toContain('will not climb');
  });

  it('stands for a machine that does not move at all', () => {
    const none = evaluate(
      {
        ...newBuild('Still'),
        controls: { ...newBuild('Still').controls, assistSensor: 'none' },
        brief: { ...newBuild('Still').brief, riderPowerW: { source: 'measured', value: 0 } },
      },
      shippedRules(),
    );
    const still = hillChart(
      { ...input, curves: none.hill.curves, span: none.hill.span, known: none.known },
      NAMED_INK,
    );
    expect(series(still).length).toBeGreaterThan(0);
  });
});

describe('limitNote', () => {
  it('says what sets a limit, or that the pack does', () => {
    expect(limitNote('speed-limit', verdict.known, 'imperial')).toBe('15.5\u00a0mph, measured');
    expect(limitNote('voltage', verdict.known, 'metric')).toBe('pack at half charge');
    expect(limitNote('no-motor', verdict.known, 'metric')).toBe('');
  });
});

describe('force chart', () => {
  it('holds the pull against what the road asks', () => {
    const { road } = assemble(build);
    const option = forceChart(
      {
        held: verdict.hill.curves.held,
        pinned: undefined,
        known: verdict.known,
        loads: [{ name: 'the level asks', force: (v) => roadForce(road, v, 0), side: 'left' }],
        system: 'metric',
      },
      NAMED_INK,
    );
    expect(words(option)).toContain('the level asks');
    expect(words(option)).toContain('Phase current');
    expect(tooltip(option, 5)).toContain('phase current binds');
  });
});

describe('range and energy charts', () => {
  const input = {
    points: verdict.range.chart,
    pinned: undefined,
    cruiseKmh: 20,
    wantedKm: 22,
    planned: verdict.range.plannedKm,
    system: 'metric' as const,
  };

  it('mark the plan at the cruising speed and the distance wanted', () => {
    const text = words(rangeChart(input, NAMED_INK));
    expect(text).toContain('At 20 km/h');
    expect(text).toContain('wanted 22 km');
    const { low = 0, high = 0 } = verdict.range.plannedKm ?? {};
    expect(text).toContain(`${low.toFixed(0)}–${high.toFixed(0)} km`);
  });

  it('have no mark where the speed is not held', () => {
    expect(words(rangeChart({ ...input, planned: undefined }, NAMED_INK))).not.toContain('At 20');
  });

  it('answer the cursor', () => {
    expect(tooltip(rangeChart(input, NAMED_INK), 20)).toContain('legs resting');
    expect(tooltip(energyChart(input, NAMED_INK), 20)).toContain('Wh/km');
  });
});

describe('pieces', () => {
  const coord = ([x = 0, y = 0]: number[]): number[] => [x * 10, 100 - y * 10];
  const render = (piece: SeriesOption): { children?: unknown[]; shape?: { points: number[][] } } =>
    (piece as unknown as { renderItem: (p: unknown, api: unknown) => { children?: unknown[] } }).renderItem(
      {},
      { coord },
    );

  it('tint the span between two lines', () => {
    const shape = render(
      band(
        [
          [0, 1],
          [1, 1],
        ],
        [
          [0, 2],
          [1, 3],
        ],
        'tint',
      ),
    ).shape;
    expect(shape?.points).toEqual([
      [0, 80],
      [10, 70],
      [10, 90],
      [0, 90],
    ]);
  });

  it('hatch inside their rectangle only', () => {
    const lines = (render(hatched(2, 6, 10, 'ink')).children ?? []) as {
      shape: { x1: number; x2: number; y1: number; y2: number };
    }[];
    expect(lines.length).toBeGreaterThan(5);
    for (const { shape } of lines) {
      for (const x of [shape.x1, shape.x2]) {
        expect(x).toBeGreaterThanOrEqual(20);
        expect(x).toBeLessThanOrEqual(60);
      }
      for (const y of [shape.y1, shape.y2]) {
        expect(y).toBeGreaterThanOrEqual(-1e-9);
        expect(y).toBeLessThanOrEqual(100);
      }
    }
  });

  it('read the cursor from one row or many', () => {
    expect(cursorX([{ axisValue: 4 }])).toBe(4);
    expect(cursorX({ axisValue: '5' })).toBe(5);
  });
});

describe('a table for other programs (RFC 4180)', () => {
  const columns = [{ name: 'Speed, km/h', digits: 1 }, { name: 'Power, W' }, { name: 'Note' }];

  it('ends lines with CR LF, quotes what needs it, and writes raw numbers: no groups, a plain minus, all decimals', () => {
    const rows = [
      [-1.5, 1234.5, 'say "ah"'],
      [0.1 + 0.2, -40_000, undefined],
    ];
    expect(tableCsv({ columns, rows })).toBe(
      '"Speed, km/h","Power, W",Note\r\n-1.5,1234.5,"say ""ah"""\r\n0.3,-40000,\r\n',
    );
  });

  it('is read by a person with groups, a true minus and a few decimals', () => {
    const [speed, power] = columns;
    expect(cellText(-1.25, speed ?? { name: '' })).toBe('−1.3');
    expect(cellText(12_345.6, power ?? { name: '' })).toBe('12,346');
    expect(cellText('as it is', { name: '' })).toBe('as it is');
    expect(cellText(undefined, { name: '' })).toBe('–');
  });
});
