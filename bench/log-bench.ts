import { createReadStream, mkdtempSync, rmSync, statSync, writeFileSync, appendFileSync } from 'node:fs';
import { createServer, get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'csv-parse';
import { newRide, guessLogColumns, newBuild, shippedRules, type RideRecord } from '@apple-cart/core';
import type { Database } from '../server/src/database/database.ts';
import { jobFile } from '../server/src/job-file/job-file.ts';
import { takeInJob } from '../server/src/job-file/take-in.ts';
import { openStored, openStores, type Stores } from '../server/src/stores.ts';
import { line } from './measure.ts';

const ROWS = 1_000_000;
const HEADS = [
  'time (s)',
  'distance (m)',
  'speed (km/h)',
  'volts',
  'amps',
  'motor temp (C)',
  'altitude (m)',
  'rider power (W)',
];
const RIDE: RideRecord = newRide({
  kind: 'everyday',
  on: '2026-03-02',
  planVersion: 1,
  pedalled: 'yes',
  who: 'bench',
  simulated: true,
});

function writeRows(file: string): void {
  writeFileSync(file, `${HEADS.join(',')}\n`);
  let text = '';
  for (let i = 0; i < ROWS; i += 1) {
    const t = i / 10;
    text += `${t.toFixed(1)},${(t * 5).toFixed(1)},18.02,${(52 - t / 40_000).toFixed(3)},${(8 + 4 * Math.sin(t / 30)).toFixed(3)},${(40 + 20 * Math.sin(t / 900)).toFixed(2)},${(100 + 20 * Math.sin(t / 200)).toFixed(2)},60.25\n`;
    if (i % 20_000 === 19_999) {
      appendFileSync(file, text);
      text = '';
    }
  }
  appendFileSync(file, text);
}

/** The parser by itself, every cell read as a number: what no import can be faster than. */
async function bare(file: string): Promise<number> {
  const start = performance.now();
  let sum = 0;
  const parser = createReadStream(file).pipe(parse({ from_line: 2, relax_column_count: true }));
  for await (const row of parser as AsyncIterable<string[]>) for (const cell of row) sum += Number(cell);
  if (Number.isNaN(sum)) throw new Error('no numbers');
  return performance.now() - start;
}

/** What a piece of work took, and what it was to others meanwhile. */
interface Meanwhile {
  readonly ms: number;
  /** Of another small answer through the same process, 95 of 100, ms. */
  readonly p95: number;
  /** Memory above what was there before, MB. */
  readonly mb: number;
}

/** Asks for another answer all the while. */
async function meanwhile(port: number, work: () => Promise<unknown>): Promise<Meanwhile> {
  const waits: number[] = [];
  const asked = { still: true };
  const asking = (async () => {
    while (asked.still) {
      const start = performance.now();
      await new Promise<void>((done) => get({ port }, (r) => r.resume().on('end', done)));
      waits.push(performance.now() - start);
      await new Promise((done) => setTimeout(done, 10));
    }
  })();
  const idle = process.memoryUsage().rss;
  let most = idle;
  const watch = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss);
  }, 20);
  const start = performance.now();
  await work();
  const ms = performance.now() - start;
  clearInterval(watch);
  asked.still = false;
  await asking;
  const sorted = [...waits].sort((a, b) => a - b);
  return { ms, mb: (most - idle) / 2 ** 20, p95: sorted[Math.floor(sorted.length * 0.95)] ?? NaN };
}

function told({ mb, p95 }: Meanwhile): void {
  line('  memory above idle meanwhile', `${mb.toFixed(0)} MB`, 'under 400 MB');
  line('  other answers meanwhile, p95', `${p95.toFixed(1)} ms`, 'under 50 ms');
}

/** The job of that recording as one file, out and in again, held against the bare parser over the same rows. */
async function benchJob(stores: Stores, database: Database, port: number, reference: number): Promise<void> {
  const [build] = (await stores.builds.list()).documents;
  const parts: Uint8Array[] = [];
  const out = await meanwhile(port, async () => {
    const { parts: made } = await jobFile(stores, build?.id ?? '', shippedRules(), []);
    for await (const part of made) parts.push(part);
  });
  const file = Uint8Array.from(Buffer.concat(parts.splice(0)));
  const size = `${(file.length / 2 ** 20).toFixed(0)} MB`;
  const times = ({ ms }: Meanwhile): string => `${(ms / reference).toFixed(2)} x the bare parser`;
  line('that job out as one file', `${(out.ms / 1000).toFixed(1)} s`, '', `${times(out)}; ${size}`);
  told(out);
  const taken = await meanwhile(port, async () => {
    const job = await stores.jobReader.read(file);
    if (!job.ok) throw new Error('its own file is refused');
    await takeInJob(stores, database, job.value);
  });
  line('and in again', `${(taken.ms / 1000).toFixed(1)} s`, '', times(taken));
  told(taken);
}

/** A million rows of eight channels taken in while others are answered; the first chart; memory above idle; the job as one file. */
export async function benchLogs(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'log-bench-'));
  const file = join(folder, 'log.csv');
  writeRows(file);
  const database = await openStored(join(folder, 'bench.sqlite'));
  const stores = openStores(database);
  const { id } = await stores.builds.create(newBuild('bench'));
  const columns = guessLogColumns(
    HEADS,
    HEADS.map(() => '1'),
    ',',
  );
  // Another answer, asked all the while: a small read through the same process.
  const server = createServer((_, response) => {
    void stores.builds.get(id).then((b) => {
      response.end(JSON.stringify(b));
    });
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  const reference = await bare(file);
  const took = await meanwhile(port, () =>
    stores.imports.take(
      {
        key: 'bench-ride-1',
        buildId: id,
        at: '2026-03-02T08:00:00Z',
        source: 'bench',
        ride: RIDE,
        known: false,
        columns,
        bad: 'refuse',
      },
      createReadStream(file, { highWaterMark: 256 * 1024 }) as AsyncIterable<Uint8Array>,
    ),
  );
  const chart = performance.now();
  const window = await stores.logs.window(id, 'bench-ride-1', {
    columns: ['seconds', 'metres', 'speed', 'out', 'windingC', 'elevation'],
    from: 0,
    to: ROWS,
    most: 4000,
  });
  const drawn = performance.now() - chart;
  line(
    'a million rows of 8 channels, kept',
    `${(took.ms / 1000).toFixed(1)} s`,
    'at most 2 x',
    `${(took.ms / reference).toFixed(2)} x the bare parser (${(reference / 1000).toFixed(1)} s)`,
  );
  told(took);
  line('  in the file', `${(statSync(join(folder, 'bench.sqlite')).size / 2 ** 20).toFixed(0)} MB`, '');
  line(
    '  first chart of it, read',
    `${drawn.toFixed(0)} ms`,
    'under 300 ms',
    `${String(window.bucket)} rows a bucket`,
  );
  await benchJob(stores, database, port, reference);
  await stores.imports.close();
  await stores.jobReader.close();
  await new Promise((done) => server.close(done));
  await database.close();
  rmSync(folder, { recursive: true, force: true });
}
