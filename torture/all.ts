import { fullDisk } from './full-disk.ts';
import { kills } from './kills.ts';
import { page } from './page.ts';
import { queue } from './queue.ts';
import { readers } from './readers.ts';
import type { Bounds, Report } from './report.ts';
import { recordsTorture } from './records.ts';
import { requests } from './requests.ts';
import { twoServers } from './two-servers.ts';

/** One kind of torture: what it does, its share of the time, and how much is enough for a short run. */
interface Kind {
  readonly run: (bounds: Bounds) => Promise<Report>;
  /** Of the time of its lane. */
  readonly share: number;
  readonly short: number;
}

/** Two lanes, since most machines have two cores; what stands in one runs after the other. */
export const LANES: readonly Readonly<Record<string, Kind>>[] = [
  {
    readers: { run: readers, share: 0.85, short: 2000 },
    requests: { run: requests, share: 0.15, short: 400 },
  },
  {
    kills: { run: kills, share: 0.45, short: 3 },
    records: { run: recordsTorture, share: 0.15, short: 3 },
    queue: { run: queue, share: 0.15, short: 2 },
    page: { run: page, share: 0.15, short: 1 },
    'two-servers': { run: twoServers, share: 0.07, short: 4 },
    'full-disk': { run: fullDisk, share: 0.03, short: 2 },
  },
];
