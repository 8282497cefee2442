import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { evenHill } from '@apple-cart/core';
import { WorkerHere, noWorkersLeft, workersHere } from '../test/worker-here.ts';
import { readRouteFile } from './read-file.ts';

beforeEach(workersHere);
afterEach(noWorkersLeft);
const read = (text: string, name = 'road.txt', signal = new AbortController().signal) =>
  readRouteFile(new File([text], name), signal);
const GPX = (points: string): string =>
  `\uFEFF<gpx version="1.1" creator="t" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points}</trkseg></trk></gpx>`;

describe('a file with a road in it', () => {
  it('of a recorder is read as such by what it holds, whatever its name, away from the page', async () => {
    const points =
      '<trkpt lat="0" lon="0"><ele>1</ele></trkpt><trkpt lat="0.01" lon="0"><ele>2</ele></trkpt>';
    expect(await read(GPX(points))).toMatchObject({
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
});

describe('a file that is none', () => {
  it.each([
    ['broken JSON', '{"name": ', /no JSON/],
    ['a route with a key too many', JSON.stringify({ ...evenHill('x', 10, 1), colour: 'red' }), /colour/],
    ['GPX of one point', GPX('<trkpt lat="0" lon="0"><ele>1</ele></trkpt>'), /at least two points/],
    ['one column', 'distance\n1\n2\n', /one column/],
    ['nothing', '', /no rows/],
  ])('%s is refused with its reason', async (_what, text, reason) => {
    const outcome = await read(text);
    expect(outcome.kind).toBe('refused');
    if (outcome.kind === 'refused') expect(outcome.lines.join(' ')).toMatch(reason);
  });

  it('too large is refused before it is read', async () => {
    const file = new File(['x'], 'huge.gpx');
    Object.defineProperty(file, 'size', { value: 3e9 });
    const text = vi.spyOn(file, 'text');
    const outcome = await readRouteFile(file, new AbortController().signal);
    expect(outcome).toMatchObject({ kind: 'refused' });
    if (outcome.kind === 'refused') expect(outcome.lines[0]).toContain('3000 MB; at most 40 MB');
    expect(text).not.toHaveBeenCalled();
  });

  it('whose reading is stopped ends its worker', async () => {
    WorkerHere.silent = true;
    const abort = new AbortController();
    const reading = read(GPX(''), 'slow.gpx', abort.signal);
    await vi.waitFor(() => {
      expect(WorkerHere.made).toHaveLength(1);
    });
    abort.abort();
    await expect(reading).rejects.toThrow('stopped');
    expect(WorkerHere.made[0]?.ended).toBe(true);
  });
});
