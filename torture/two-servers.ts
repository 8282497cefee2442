import { join } from 'node:path';
import { newBuild } from '@apple-cart/core';
import { Clock, chance, type Bounds, type Report } from './report.ts';
import { ask, inFolder, start, toldIn } from './server.ts';

const WRITERS = 50;
const BUILDS = 12;

/**
 * Fifty writers over two servers on one file, many to a document: every save that is answered grew the version by one,
 * none is lost, none fails but for a conflict. One of the two servers is killed and started again now and then.
 */
export async function twoServers({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const random = chance(seed);
  const wrong: string[] = [];
  const counts = { saves: 0, conflicts: 0, kills: 0, longestMs: 0 };
  await inFolder(async (folder) => {
    const file = join(folder, 'a.sqlite');
    const servers = await Promise.all([start(file), start(file)]);
    const urlOf = (i: number): string => servers[i % 2]?.url ?? '';
    const first = urlOf(0);
    const ids = Array.from({ length: BUILDS }, (_, i) => `shared-${String(i)}`);
    for (const id of ids)
      await ask(`${first}/api/builds/${id}`, 'PUT', { baseVersion: 0, document: newBuild('Shared') });
    const acknowledged = new Map<string, number>(ids.map((id) => [id, 1]));
    const unanswered = new Map<string, number>();
    const clock = new Clock();
    const writer = async (w: number): Promise<void> => {
      const versions = new Map<string, number>();
      for (let i = 0; i < rounds && Date.now() < untilMs && wrong.length === 0; i += 1) {
        const id = random.of(ids);
        const document = newBuild(`Shared ${String(w)} ${String(i)}`);
        const baseVersion = versions.get(id) ?? 1;
        const answer = await clock.time(() =>
          ask(`${urlOf(w)}/api/builds/${id}`, 'PUT', { baseVersion, document }),
        );
        if (answer === undefined) {
          unanswered.set(id, (unanswered.get(id) ?? 0) + 1);
          await new Promise((resume) => setTimeout(resume, 50));
        } else if (answer.status === 200) {
          counts.saves += 1;
          acknowledged.set(id, (acknowledged.get(id) ?? 0) + 1);
          versions.set(id, (answer.body as { version: number }).version);
        } else if (answer.status === 409) {
          counts.conflicts += 1;
          versions.set(
            id,
            (answer.body as { error: { current: { version: number } } }).error.current.version,
          );
        } else wrong.push(`a save was answered ${String(answer.status)}: ${JSON.stringify(answer.body)}`);
      }
    };
    const life = { over: false };
    const over = (): boolean => life.over;
    const all = Promise.all(Array.from({ length: WRITERS }, (_, w) => writer(w))).then(
      () => (life.over = true),
    );
    const killer = async (): Promise<void> => {
      while (!over()) {
        await new Promise((resume) => setTimeout(resume, 2000 + random.below(3000)));
        if (over()) return;
        await servers[1].kill();
        counts.kills += 1;
        servers[1] = await start(file);
      }
    };
    await Promise.all([all, killer()]);
    for (const id of ids) {
      const answer = await ask(`${urlOf(0)}/api/builds/${id}`, 'GET');
      const { version } = toldIn(answer) as { version: number };
      const least = acknowledged.get(id) ?? 0;
      const most = least + (unanswered.get(id) ?? 0);
      if (version < least || version > most)
        wrong.push(
          `${id} has version ${String(version)}, acknowledged were ${String(least)} to ${String(most)}`,
        );
    }
    counts.longestMs = clock.longestMs;
    for (const server of servers) await server.kill();
  });
  return { name: 'two servers', seed, figures: counts, wrong };
}
