import { join } from 'node:path';
import { newBuild } from '@apple-cart/core';
import type { Bounds, Report } from './report.ts';
import { ask, inFolder, start } from './server.ts';

/** So many blocks of 512 bytes a file may have. */
const BLOCKS = 1200;

/**
 * A server whose files cannot grow any more: it says so, goes on answering, and has everything that it acknowledged when
 * there is room again.
 */
export async function fullDisk({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const figures = { acknowledged: 0, refused: 0, killed: 0 };
  const wrong: string[] = [];
  const fine = (): boolean => wrong.length === 0;
  await inFolder(async (folder) => {
    for (let round = 0; round < rounds && Date.now() < untilMs && fine(); round += 1) {
      const file = join(folder, `${String(round)}.sqlite`);
      const small = await start(file, { limitBlocks: BLOCKS });
      const kept: string[] = [];
      let refused = 0;
      for (let i = 0; i < 400 && refused < 12 && fine(); i += 1) {
        const id = `b-${String(i)}`;
        const answer = await ask(`${small.url}/api/builds/${id}`, 'PUT', {
          baseVersion: 0,
          document: newBuild('Full'),
        });
        if (answer?.status === 200) kept.push(id);
        else if (answer === undefined) wrong.push(`the server is gone after ${String(kept.length)} saves`);
        else {
          refused += 1;
          const { message = '' } = (answer.body as { error?: { message?: string } }).error ?? {};
          if (!/nothing was stored/.test(message)) wrong.push(`a full disk is told as: ${message}`);
        }
      }
      if (refused === 0) wrong.push('the disk was never full');
      if ((await ask(`${small.url}/api/builds`, 'GET'))?.status !== 200)
        wrong.push('a full disk keeps the list from being read');
      if (round % 2 === 0) await small.stop();
      else {
        await small.kill();
        figures.killed += 1;
      }
      const roomy = await start(file);
      for (const id of kept) {
        const answer = await ask(`${roomy.url}/api/builds/${id}`, 'GET');
        if (answer?.status !== 200) wrong.push(`${id} was acknowledged and is lost`);
      }
      const again = await ask(`${roomy.url}/api/builds/again`, 'PUT', {
        baseVersion: 0,
        document: newBuild('Room again'),
      });
      if (again?.status !== 200) wrong.push('there is room again, and a save is refused');
      await roomy.kill();
      figures.acknowledged += kept.length;
      figures.refused += refused;
    }
  });
  return { name: 'full disk', seed, figures, wrong };
}
