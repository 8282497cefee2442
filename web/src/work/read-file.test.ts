import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { evenHill, newBuild, shippedRules } from '@apple-cart/core';
import { WorkerHere, noWorkersLeft, workersHere } from '../test/worker-here.ts';
import { readFile } from './read-file.ts';

beforeEach(workersHere);
afterEach(noWorkersLeft);
const whole = () => new AbortController().signal;
const read = (content: string | Uint8Array<ArrayBuffer>, name = 'road.txt') =>
  readFile('roadFile', new File([content], name), whole());
const GPX = (points: string): string =>
  `\uFEFF<gpx version="1.1" creator="t" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points}</trkseg></trk></gpx>`;
const POINTS = '<trkpt lat="0" lon="0"><ele>1</ele></trkpt><trkpt lat="0.01" lon="0"><ele>2</ele></trkpt>';
/** As some editors save: a mark, then two bytes a letter, the small one first. */
const utf16 = (text: string): Uint8Array<ArrayBuffer> => {
  const marked = `\uFEFF${text}`;
  return Uint8Array.from({ length: 2 * marked.length }, (_, i) => {
    const unit = marked.charCodeAt(i >> 1);
    return i % 2 === 0 ? unit & 0xff : unit >> 8;
  });
};

describe('a file with a road in it', () => {
  it('of a recorder is read as such by what it holds, whatever its name, away from the page', async () => {
    expect(await read(GPX(POINTS))).toMatchObject({
      kind: 'gpx',
      way: { positions: { elevationM: [1, 2] } },
    });
    expect(WorkerHere.made).toHaveLength(1);
  });

  it('of a table has its columns guessed', async () => {
    expect(await read('Distance (km),Elevation (ft)\n0,100\n1,180\n')).toMatchObject({
      kind: 'table',
      columns: { distance: 'Distance (km)', distanceUnit: 'km', elevationUnit: 'ft' },
      table: { rows: [{ line: 2 }, { line: 3 }] },
    });
  });

  it('kept by this application comes back as it was', async () => {
    const hill = evenHill('Lane', 700, 6);
    expect(await read(JSON.stringify(hill))).toEqual({ kind: 'route', route: hill });
  });

  it('in UTF-16 is read like any other', async () => {
    expect(await read(utf16('distance,elevation\n0,1\n50,2\n'))).toMatchObject({
      kind: 'table',
      table: { columns: ['distance', 'elevation'] },
    });
    expect(await read(utf16(GPX(POINTS).slice(1)))).toMatchObject({ kind: 'gpx' });
    expect(await read(utf16(JSON.stringify(evenHill('Lane', 700, 6))))).toMatchObject({ kind: 'route' });
  });
});

describe('other files', () => {
  it('of a build and of rules are read with a mark, and in UTF-16', async () => {
    const build = newBuild('Zürich, ülé', 'mid-drive');
    const text = JSON.stringify(build);
    for (const content of [text, `\uFEFF${text}`, utf16(text)])
      expect(await readFile('buildFile', new File([content], 'b.json'), whole())).toEqual({
        ok: true,
        value: build,
      });
    const [rules] = shippedRules();
    const file = new File([utf16(JSON.stringify(rules))], 'r.json');
    expect(await readFile('rulesFile', file, whole())).toEqual({ ok: true, value: rules });
  });

  it('of measured cells are read as text, with a mark and in UTF-16', async () => {
    const file = new File([utf16('A1,2200,40\n')], 'cells.csv');
    expect(await readFile('textFile', file, whole())).toEqual({ ok: true, value: 'A1,2200,40\n' });
  });

  it('in an older code page are named as such, never read as rubbish', async () => {
    const latin = new Uint8Array([0x7b, 0xe9, 0x7d]);
    const answer = await readFile('buildFile', new File([latin], 'b.json'), whole());
    expect(answer).toMatchObject({ ok: false, issues: [{ code: 'text', actual: 'other bytes' }] });
  });
});

describe('a file that is none', () => {
  it.each([
    ['broken JSON', '{"name": ', /wanted JSON/],
    ['a route with a key too many', JSON.stringify({ ...evenHill('x', 10, 1), colour: 'red' }), /colour/],
    ['GPX of one point', GPX('<trkpt lat="0" lon="0"><ele>1</ele></trkpt>'), /at least two points/],
    ['one column', 'distance\n1\n2\n', /one column/],
    ['nothing', '', /rows beneath/],
    ['other bytes', new Uint8Array([0xe9, 0xe8]), /UTF-8 or UTF-16/],
  ])('%s is refused with its reason', async (_what, content, reason) => {
    const outcome = await read(content);
    expect(outcome.kind).toBe('refused');
    if (outcome.kind === 'refused') expect(outcome.lines.join(' ')).toMatch(reason);
  });

  it('too large is refused before it is read', async () => {
    const file = new File(['x'], 'huge.gpx');
    Object.defineProperty(file, 'size', { value: 3e9 });
    const opened = vi.spyOn(file, 'arrayBuffer');
    await expect(readFile('roadFile', file, whole())).rejects.toThrow('3000 MB; at most 20 MB');
    await expect(readFile('partsFile', file, whole())).rejects.toThrow('at most 240 kB');
    expect(opened).not.toHaveBeenCalled();
  });

  it('whose reading is stopped ends its worker', async () => {
    WorkerHere.silent = true;
    const abort = new AbortController();
    const reading = readFile('roadFile', new File([GPX('')], 'slow.gpx'), abort.signal);
    await vi.waitFor(() => {
      expect(WorkerHere.made).toHaveLength(1);
    });
    abort.abort();
    await expect(reading).rejects.toThrow('stopped');
    expect(WorkerHere.made[0]?.ended).toBe(true);
  });
});
