import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { describeIssue, type Result } from '../quantity/result.ts';
import { drawn } from '../test/drawn.ts';
import { routeLengthM } from '../route/profile.ts';
import { readRoute } from '../route/read-route.ts';
import { routeFromPositions } from '../route/recorded.ts';
import { route } from '../route/route.ts';
import { textOf } from './decode.ts';
import { fileName } from './file-name.ts';
import { readGpx } from './gpx-read.ts';
import { writeGpx } from './gpx-write.ts';
import { routeFromTable, type TableRow } from './table-profile.ts';

const value = <T>(read: Result<T>): T => {
  if (!read.ok) throw new Error(read.issues.map(describeIssue).join(' '));
  return read.value;
};
const words = (read: Result<unknown>): string =>
  read.ok ? 'read' : read.issues.map(describeIssue).join(' ');
const gpx = (inside: string): string =>
  `<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${inside}</trkseg></trk></gpx>`;
const point = (lat: number | string, lon: number, ele: number | string): string =>
  `<trkpt lat="${String(lat)}" lon="${String(lon)}"><ele>${String(ele)}</ele></trkpt>`;
const TWO = point(0, 0, 1) + point(0.01, 0, 2);

describe('GPX that means harm', () => {
  it.each([
    ['levels inside one another', gpx('<a>'.repeat(200_000)), /32 elements inside one another/],
    ['namespaces inside one another', gpx('<a xmlns:b="c">'.repeat(100_000)), /32 elements/],
    ['a number of a million digits', gpx(point('9'.repeat(1_000_000), 0, 1)), /a number for lat/],
    ['a height of a million digits', gpx(point(0, 0, `1${'0'.repeat(1_000_000)}x`)), /a number for ele/],
    [
      'a million attributes',
      gpx(`<a ${Array.from({ length: 60_000 }, (_, i) => `b${String(i)}="c"`).join(' ')}/>`),
      /at least two points/,
    ],
    ['one endless line', `<gpx>${'x'.repeat(5_000_000)}`, /well-formed/],
  ])('%s is refused, and soon', (_what, text, reason) => {
    expect(words(readGpx(text))).toMatch(reason);
  });

  it('reads a long name as the beginning of it, and no half of a character', () => {
    const named = gpx(TWO).replace('<trkseg>', `<name>${'🚲'.repeat(500)}</name><trkseg>`);
    expect(value(readGpx(named)).name).toBe('🚲'.repeat(40));
  });
});

describe('a recording that nobody could keep', () => {
  const made = (inside: string): Result<unknown> =>
    routeFromPositions('x', value(readGpx(gpx(inside))).positions);

  it('is refused where the recorder was at rest', () => {
    const rest = Array.from({ length: 50 }, (_, i) => point((i % 2) * 1e-6, 0, i)).join('');
    expect(words(made(rest))).toMatch(/a road of 5 m at least/);
  });

  it('is refused beyond 2,000 km', () => {
    expect(words(made(point(0, 0, 1) + point(60, 0, 2)))).toMatch(/at most 2000 km/);
  });

  it('goes over the date line like anywhere else', () => {
    const over = [179.995, 179.999, -179.997, -179.99].map((lon) => point(10, lon, 5)).join('');
    const { positions } = value(readGpx(gpx(over)));
    const one = value(routeFromPositions('x', positions)).route;
    expect(routeLengthM(one)).toBeCloseTo(0.015 * 109_640, -2);
    const again = value(readGpx(writeGpx(one))).positions;
    expect(routeLengthM(value(routeFromPositions('x', again, 0)).route)).toBeCloseTo(routeLengthM(one), 0);
  });
});

describe('a table that nobody could keep', () => {
  const columns = { distance: 'd', distanceUnit: 'm', elevation: 'e', elevationUnit: 'm' } as const;
  const rows = (...cells: readonly (readonly [number | string, number | string])[]): readonly TableRow[] =>
    cells.map(([d, e], i) => ({ line: i + 2, cells: { d: String(d), e: String(e) } }));

  it('leaves out rows that do not move on, and counts them', () => {
    const read = value(
      routeFromTable('x', rows([0, 1], [0, 1], [0.001, 1], [50, 2], [50, 2], [100, 3]), columns),
    );
    expect(read.standing).toBe(3);
    expect(read.route.profile.map((p) => p.distanceM)).toEqual([0, 50, 100]);
  });

  it('is refused where it goes back, where it is no road, and where it is too long', () => {
    expect(words(routeFromTable('x', rows([0, 1], [50, 2], [40, 3]), columns))).toMatch(/line 4: .*no less/);
    expect(words(routeFromTable('x', rows([0, 1], [0.001, 2], [0.002, 3]), columns))).toMatch(/5 m at least/);
    expect(words(routeFromTable('x', rows([0, 1], [3e6, 2]), columns))).toMatch(/at most 2000 km/);
  });

  it('does not hang on a cell of digits', () => {
    expect(words(routeFromTable('x', rows([`${'1'.repeat(60_000)}x`, 1], [1, 1]), columns))).toMatch(
      /a number under "d"/,
    );
  });
});

describe('what we write', () => {
  /** From a kilometre, below which points a centimetre apart fall together, to where rounding goes past the longest. */
  const road = drawn(route).filter((r) => {
    const length = (r.profile.at(-1)?.distanceM ?? 0) - (r.profile[0]?.distanceM ?? 0);
    return length >= 1000 && length <= 1_990_000;
  });

  it('as JSON is read as it was', () => {
    fc.assert(
      fc.property(drawn(route), (data) => {
        const one = value(readRoute(data));
        expect(readRoute(JSON.parse(JSON.stringify(one)))).toEqual({ ok: true, value: one });
      }),
      { seed: 7, numRuns: 300 },
    );
  });

  it('as GPX is read again, whatever the road: point by point, heights and all', () => {
    fc.assert(
      fc.property(road, (data) => {
        const one = value(readRoute(data));
        const back = value(readGpx(writeGpx(one)));
        expect(back.positions.elevationM).toHaveLength(one.profile.length);
        for (const [i, p] of one.profile.entries())
          expect(back.positions.elevationM[i]).toBeCloseTo(p.elevationM, 1);
        expect(words(routeFromPositions(one.name, back.positions, 0))).toBe('read');
      }),
      { seed: 7, numRuns: 300 },
    );
  });
});

describe('text of bytes', () => {
  const bytes = (...all: readonly number[]): Uint8Array => new Uint8Array(all);

  it('is read with and without marks (Unicode 16.0, 23.8)', () => {
    expect(value(textOf(bytes(0xef, 0xbb, 0xbf, 0x61)))).toBe('a');
    expect(value(textOf(bytes(0x61, 0xc3, 0xa9)))).toBe('aé');
    expect(value(textOf(bytes(0xff, 0xfe, 0x61, 0)))).toBe('a');
    expect(value(textOf(bytes(0xfe, 0xff, 0, 0x61)))).toBe('a');
    expect(value(textOf(bytes(0x7b, 0, 0x7d, 0)))).toBe('{}');
    expect(value(textOf(bytes(0, 0x7b, 0, 0x7d)))).toBe('{}');
    expect(value(textOf(bytes()))).toBe('');
  });

  it('is never guessed: other bytes are named', () => {
    expect(words(textOf(bytes(0x61, 0xe9)))).toMatch(/UTF-8 or UTF-16/);
    expect(words(textOf(bytes(0xff, 0xfe, 0x00, 0xd8)))).toMatch(/broken UTF-16LE/);
    expect(() => {
      fc.assert(fc.property(fc.uint8Array({ maxLength: 40 }), (b) => void textOf(b)));
    }).not.toThrow();
  });
});

describe('names of files', () => {
  it.each([
    ['Orchard longtail', 'orchard-longtail.json'],
    ['Fahrrad Grün, 2. Versuch', 'fahrrad-grün-2-versuch.json'],
    ['自転車 改造', '自転車-改造.json'],
    ['दो पहिया', 'दो-पहिया.json'],
    ['../../etc/passwd', 'etc-passwd.json'],
    ['🚲', 'apple-cart.json'],
  ])('keep letters of any script: %s', (name, file) => {
    expect(fileName(name, 'json')).toBe(file);
  });

  it('fit a folder', () => {
    // Four bytes a letter in UTF-8.
    const name = fileName('𠮷'.repeat(100), 'json');
    expect(name).toBe(`${'𠮷'.repeat(30)}.json`);
    expect(4 * Array.from(name).length).toBeLessThan(250);
  });
});
