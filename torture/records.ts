import { join } from 'node:path';
import {
  newRide,
  evaluate,
  newBuild,
  shippedRules,
  type BenchEntry,
  type BenchRun,
  type RideRecord,
} from '@apple-cart/core';
import { jpeg } from '../server/src/test/jpeg.ts';
import { chance, type Bounds, type Chance, type Report } from './report.ts';
import { ask, inFolder, start, toldIn, type Victim } from './server.ts';

/** Kept, refused for good since there is no room for more, or not answered. */
type Said = 'kept' | 'full' | 'away';

/** Something in the queue of a page: it is sent again and again under its key until it is acknowledged. */
interface Waiting {
  readonly key: string;
  readonly send: (url: string) => Promise<Said>;
}

const saidBy = (status: number | undefined): Said => {
  if (status === 409) return 'full';
  return status === 200 || status === 201 ? 'kept' : 'away';
};

const RIDE: RideRecord = newRide({
  kind: 'everyday',
  on: '2026-03-02',
  title: 'torture',
  planVersion: 1,
  pedalled: 'yes',
  who: 'torture',
  simulated: true,
});
const RUN = 'torture-run-1';

const steps = () =>
  evaluate(newBuild('Torture'), shippedRules()).bench.map((p) => ({ ...p, why: [...p.why] }));

/** What a builder does next at the bicycle: says something of a step, takes a picture, writes a ride down. */
function next(n: number, build: string, run: BenchRun, random: Chance): Waiting {
  const key = `torture-${String(n).padStart(6, '0')}`;
  const records = `/api/builds/${build}/records`;
  const what = random.next();
  const step = random.of(run.steps);
  if (what < 0.1) {
    const picture = pictureOf(n);
    return {
      key,
      send: async (url) => {
        try {
          const answer = await fetch(
            `${url}/api/builds/${build}/photos/${key}?${new URLSearchParams({ parent: RUN, step: step.key }).toString()}`,
            { method: 'PUT', headers: { 'content-type': 'image/jpeg' }, body: new Uint8Array(picture) },
          );
          await answer.arrayBuffer();
          return saidBy(answer.status);
        } catch {
          return 'away';
        }
      },
    };
  }
  const entry: BenchEntry = {
    step: step.key,
    says: 'note',
    readings: [],
    ticks: [],
    words: `entry ${String(n)}`,
    who: 'torture',
    simulated: true,
    against: { planVersion: 1, evidence: step.evidence, part: step.part, guards: step.guards },
    corrects: null,
  };
  const record =
    what < 0.2
      ? { key, kind: 'ride', parent: null, data: { ...RIDE, note: `ride ${String(n)}` } }
      : { key, kind: 'bench-entry', parent: RUN, data: entry };
  return {
    key,
    send: async (url) => {
      const answer = await ask(`${url}${records}`, 'POST', record);
      return saidBy(answer?.status);
    },
  };
}

const pictureOf = (n: number): Buffer => jpeg({ pad: 500 + (n % 700) });

/** What is there against what was acknowledged, in its order. */
async function check(url: string, build: string, sent: readonly string[]): Promise<readonly string[]> {
  const answer = await ask(`${url}/api/builds/${build}/records`, 'GET');
  const photos = await ask(`${url}/api/builds/${build}/photos`, 'GET');
  if (answer === undefined || photos === undefined) return ['the records do not answer'];
  const { records, broken } = answer.body as {
    records: readonly { key: string }[];
    broken: readonly unknown[];
  };
  const pictures = (photos.body as { photos: readonly { key: string; size: number }[] }).photos;
  const keys = records.map((r) => r.key).filter((k) => k !== RUN);
  const wrong: string[] = [];
  if (broken.length > 0) wrong.push(`${String(broken.length)} records cannot be read`);
  if (new Set(keys).size !== keys.length) wrong.push('a record is there twice');
  const there = new Set([...keys, ...pictures.map((p) => p.key)]);
  for (const key of sent) if (!there.has(key)) wrong.push(`${key} was acknowledged and is not there`);
  if (keys.join() !== [...keys].sort().join()) wrong.push('the order is another');
  for (const { key, size } of pictures) {
    const response = await fetch(`${url}/api/builds/${build}/photos/${key}`);
    const bytes = Buffer.from(await response.arrayBuffer());
    if (bytes.length !== size || !bytes.equals(pictureOf(Number(key.slice(-6)))))
      wrong.push(`the picture ${key} is another`);
  }
  return wrong;
}

/** A bench run and rides that are filled in while the server is killed again and again: each is there once, in order, whole. */
export async function recordsTorture({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const random = chance(seed);
  const counts = { kills: 0, acks: 0 };
  const wrong: string[] = [];
  await inFolder(async (folder) => {
    const file = join(folder, 'a.sqlite');
    const run: BenchRun = { name: 'torture', planVersion: 1, who: 'torture', steps: steps() };
    let build = '';
    const sent: string[] = [];
    let waiting: Waiting | undefined;
    let n = 0;
    while (Date.now() < untilMs && counts.kills < rounds && wrong.length === 0) {
      const victim: Victim = await start(file);
      if (build === '') {
        const saved = await ask(`${victim.url}/api/builds`, 'POST', newBuild('Torture'));
        build = (toldIn(saved) as { id: string }).id;
        await ask(`${victim.url}/api/builds/${build}/records`, 'POST', {
          key: RUN,
          kind: 'bench-run',
          parent: null,
          data: run,
        });
      }
      wrong.push(
        ...(await check(victim.url, build, sent)).map((w) => `after kill ${String(counts.kills)}: ${w}`),
      );
      const killing = new Promise<void>((done) =>
        setTimeout(() => void victim.kill().then(done), random.below(400)),
      );
      for (;;) {
        // Nothing overtakes: the oldest is sent until it is acknowledged.
        if (waiting === undefined) {
          n += 1;
          waiting = next(n, build, run, random);
        }
        const said = await waiting.send(victim.url);
        if (said === 'away') break;
        // A run has room for sixty pictures, a build for twenty thousand records.
        if (said === 'kept') sent.push(waiting.key);
        counts.acks += 1;
        waiting = undefined;
      }
      await killing;
      counts.kills += 1;
    }
  });
  return { name: 'records', seed, figures: counts, wrong };
}
