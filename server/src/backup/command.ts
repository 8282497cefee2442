import { resolve } from 'node:path';
import { Unusable } from '../database/unusable.ts';
import { databaseFile } from '../settings.ts';
import { backUp } from './copy.ts';
import { restore } from './restore.ts';

/** What a command says on its two streams, and the code it ends with. */
interface Said {
  readonly code: 0 | 1 | 2;
  readonly out: string;
  readonly error: string;
}

const USAGE = {
  backup: 'Usage: npm run backup -- FILE\n  FILE  where the copy is written; it must not exist\n',
  restore:
    'Usage: npm run restore -- FILE\n  FILE  a copy that npm run backup, or the daily backup, has made\n',
} as const;

/** Backs the database up, or restores it: 0 when done, 1 for what stood in the way, 2 for wrong arguments. */
export async function backupCommand(
  what: keyof typeof USAGE,
  args: readonly string[],
  environment: NodeJS.ProcessEnv,
  now: Date,
): Promise<Said> {
  const [given, more] = args;
  if (given === undefined || more !== undefined || given.startsWith('-'))
    return { code: 2, out: '', error: USAGE[what] };
  const database = databaseFile(environment);
  const file = resolve(environment['INIT_CWD'] ?? '.', given);
  try {
    if (what === 'backup') {
      await backUp(database, file);
      return { code: 0, out: `${database} is copied to ${file}.\n`, error: '' };
    }
    const aside = await restore(file, database, now);
    const moved = aside === undefined ? '' : `What was there is kept as ${aside}.\n`;
    return { code: 0, out: `${file} is in force as ${database}.\n${moved}`, error: '' };
  } catch (problem) {
    if (problem instanceof Unusable) return { code: 1, out: '', error: `${problem.message}\n` };
    throw problem;
  }
}
