import { describe, expect, it } from 'vitest';
import loop from '../../../demo/routes/beacon-loop.gpx?raw';
import crate from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import lanes from '../../../demo/routes/orchard-lanes.json' with { type: 'json' };
import bank from '../../../demo/routes/sea-bank.json' with { type: 'json' };
import schema from '../test/gpx-1.1.xsd?raw';
import { memoryPages, validateXML } from 'xmllint-wasm';
import { routeLengthM, totalClimb } from '../route/profile.ts';
import { readRoute } from '../route/read-route.ts';
import { routeFromPositions } from '../route/recorded.ts';
import type { Route } from '../route/route.ts';
import type { Result } from '../quantity/result.ts';
import { readGpx } from './gpx-read.ts';
import { writeGpx } from './gpx-write.ts';
import { guessProfileColumns, routeFromTable } from './table-profile.ts';

const value = <T>(read: Result<T>): T => {
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
};
const route = (data: unknown): Route => value(readRoute(data));
const gpx = (points: string, head = ''): string =>
  `<?xml version="1.0"?>${head}<gpx version="1.1" creator="test" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Test &amp; try</name><trkseg>${points}</trkseg></trk></gpx>`;
const A = '<trkpt lat="0" lon="0"><ele>10</ele></trkpt>';
const B = '<trkpt lat="0.001" lon="0"><ele>20.5</ele></trkpt>';
const refusal = (text: string) => {
  const read = readGpx(text);
  if (read.ok) throw new Error('it was read');
  const [issue] = read.issues;
  return `${issue?.code ?? ''} ${issue?.path ?? ''}: ${issue?.limit ?? ''}`;
};

describe('reading GPX', () => {
  it('takes tracks point by point, with their name', () => {
    expect(readGpx(gpx(A + B))).toEqual({
      ok: true,
      value: {
        name: 'Test & try',
        positions: { latDeg: [0, 0.001], lonDeg: [0, 0], elevationM: [10, 20.5] },
        seconds: [NaN, NaN],
        withoutElevation: 0,
      },
    });
  });

  it('joins segments, reads planned routes, other prefixes and version 1.0', () => {
    const segments = gpx(`${A}</trkseg><trkseg>${B}`);
    expect(readGpx(segments)).toMatchObject({ ok: true, value: { positions: { latDeg: [0, 0.001] } } });
    const planned = `<g:gpx version="1.0" creator="t" xmlns:g="http://www.topografix.com/GPX/1/0"><g:rte><g:rtept lat="1" lon="2"><g:ele>3</g:ele></g:rtept><g:rtept lat="1.1" lon="2"><g:ele>4</g:ele></g:rtept></g:rte></g:gpx>`;
    expect(readGpx(planned)).toMatchObject({ ok: true, value: { positions: { elevationM: [3, 4] } } });
  });

  it('fills a few missing elevations from their neighbours, and counts them', () => {
    const read = readGpx(gpx(`<trkpt lat="0" lon="0"/>${A.replace('"0"', '"0.0005"')}${B}`));
    expect(read).toMatchObject({
      ok: true,
      value: { withoutElevation: 1, positions: { elevationM: [10, 10, 20.5] } },
    });
  });

  it.each([
    [
      'an entity bomb',
      gpx(A + B, '<!DOCTYPE gpx [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]>'),
      /^xml line 1: .*document type/,
    ],
    [
      'an entity nobody declared',
      gpx(`${A}<trkpt lat="0" lon="1"><ele>&big;</ele></trkpt>`),
      /^xml line 1: well-formed/,
    ],
    ['a file cut off', gpx(A + B).slice(0, -20), /^xml line 1: well-formed/],
    ['another kind of XML', '<kml><trkpt lat="0" lon="0"/></kml>', /^xml line 1: a GPX file/],
    ['no XML at all', 'distance,elevation\n0,0', /^xml line 2: well-formed/],
    ['NaN', gpx(`${A}<trkpt lat="NaN" lon="0"><ele>1</ele></trkpt>`), /^type line 1: a number for lat/],
    [
      'a number beyond all bounds',
      gpx(`${A}<trkpt lat="0.1" lon="0"><ele>1e999</ele></trkpt>`),
      /^type line 1: a number for ele/,
    ],
    [
      'a place off the earth',
      gpx(`${A}<trkpt lat="91" lon="0"><ele>1</ele></trkpt>`),
      /^range line 1: lat from -90 to 90/,
    ],
    [
      'a point without a place',
      gpx(`${A}<trkpt lat="1"><ele>1</ele></trkpt>`),
      /^type line 1: a number for lon/,
    ],
    ['one point', gpx(A), /^missing trkpt: at least two points/],
    ['one place', gpx(A + A), /^range trkpt: points at different places/],
    ['no elevation', gpx('<trkpt lat="0" lon="0"/><trkpt lat="1" lon="0"/>'), /^missing ele: an elevation/],
  ])('refuses %s with a clear reason', (_what, text, reason) => {
    expect(refusal(text)).toMatch(reason);
  });

  it('names the line at which it went wrong', () => {
    expect(refusal(gpx(`${A}\n${B}\n<trkpt lat="x" lon="0"/>`))).toMatch(/^type line 3/);
  });

  it('stops at too many points and too large a file before it has read them all', () => {
    expect(refusal(gpx(A.repeat(50_001)))).toMatch(/^range line 1: at most 50000 points/);
    expect(refusal(' '.repeat(20_000_001))).toMatch(/^size/);
  });

  it('and cleaning take the spike and the noise out of the demo’s recording', () => {
    const read = readGpx(loop);
    if (!read.ok) throw new Error('not read');
    const { route: made, cleaning } = value(routeFromPositions(read.value.name, read.value.positions));
    expect(made.name).toBe('Beacon loop');
    expect(cleaning.spikes).toBeGreaterThanOrEqual(1);
    expect(cleaning.usedUpM).toBeLessThan(0.7 * cleaning.rawUpM);
    expect(cleaning.usedUpM).toBeGreaterThan(80);
    expect(readRoute(made).ok).toBe(true);
  });
});

describe('writing GPX', () => {
  const faults = async (contents: string): Promise<readonly string[]> => {
    const { errors } = await validateXML({
      xml: [{ fileName: 'route.gpx', contents }],
      schema: [schema],
      initialMemoryPages: 256,
      maxMemoryPages: 2 * memoryPages.GiB,
    });
    return errors.map((e) => e.message);
  };

  it.each([crate, lanes, bank].map((data) => [data.name, route(data)] as const))(
    'gives %s back as it was, and validates against the GPX 1.1 schema',
    async (_name, one) => {
      const text = writeGpx(one);
      expect(await faults(text)).toEqual([]);
      const read = readGpx(text);
      if (!read.ok) throw new Error(JSON.stringify(read.issues));
      expect(read.value.name).toBe(one.name);
      expect(read.value.positions.elevationM).toEqual(one.profile.map((p) => p.elevationM));
      const again = value(routeFromPositions(one.name, read.value.positions, 0)).route;
      expect(routeLengthM(again)).toBeCloseTo(routeLengthM(one), -0.5);
      const climb = (r: Route): number => totalClimb(r.profile.map((p) => p.elevationM)).upM;
      expect(Math.abs(climb(again) - climb(one))).toBeLessThan(2);
    },
  );

  it('of a recorded route stands where it was recorded', async () => {
    const read = readGpx(loop);
    if (!read.ok) throw new Error('not read');
    const made = value(routeFromPositions('Loop', read.value.positions)).route;
    const text = writeGpx(made);
    expect(await faults(text)).toEqual([]);
    const back = readGpx(text);
    if (!back.ok) throw new Error('not read back');
    expect(back.value.positions.latDeg[0]).toBeCloseTo(0.5, 5);
    expect(back.value.positions.lonDeg[0]).toBeCloseTo(-30, 5);
  });

  it('escapes what XML would take for its own, and leaves out what it does not know', async () => {
    const text = writeGpx({ ...route(crate), name: 'A <b> & "c" \u0007' });
    expect(text).toContain('A &lt;b&gt; &amp; &quot;c&quot; </name>');
    expect(await faults(text)).toEqual([]);
  });

  it('the schema is no rubber stamp', async () => {
    expect(await faults(gpx('<trkpt lat="x" lon="0"/>'))).not.toEqual([]);
    expect(await faults(gpx('<point/>'))).not.toEqual([]);
  });
});

describe('a table of distance and elevation', () => {
  const rows = (cells: readonly (readonly [string, string])[]) =>
    cells.map(([d, e], i) => ({ line: i + 2, cells: { 'distance km': d, 'Elevation (ft)': e } }));
  const columns = guessProfileColumns(['note', 'distance km', 'Elevation (ft)']);

  it('is understood by the names of its columns', () => {
    expect(columns).toEqual({
      distance: 'distance km',
      distanceUnit: 'km',
      elevation: 'Elevation (ft)',
      elevationUnit: 'ft',
    });
    expect(guessProfileColumns(['x', 'y'])).toMatchObject({
      distance: 'x',
      elevation: 'y',
      elevationUnit: 'm',
    });
  });

  it('becomes a route in metres', () => {
    const read = routeFromTable(
      'T',
      rows([
        ['1', '100'],
        ['1,5', '200'],
      ]),
      columns,
    );
    expect(read).toMatchObject({
      ok: true,
      value: {
        route: {
          profile: [
            { distanceM: 0, elevationM: 30.48 },
            { distanceM: 500, elevationM: 60.96 },
          ],
        },
      },
    });
  });

  it('with bad rows names their lines and takes nothing', () => {
    const read = routeFromTable(
      'T',
      rows([
        ['0', '1'],
        ['x', '2'],
        ['2', ''],
        ['1', '4'],
        ['0.5', '5'],
      ]),
      columns,
    );
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.issues.map((i) => i.path)).toEqual(['line 3', 'line 4', 'line 6']);
    expect(routeFromTable('T', rows([['0', '1']]), columns).ok).toBe(false);
    expect(
      routeFromTable(
        'T',
        rows([
          ['0', '1'],
          ['1', '99999'],
        ]),
        columns,
      ).ok,
    ).toBe(false);
  });
});
