import { Problem } from '../http/problems.ts';
import type { Stores } from '../stores.ts';
import { MOST_JOB_FILES, MOST_JOB_ROWS } from './job-limits.ts';

const MOST_PICTURE_BYTES = 160 * 2 ** 20;

/** What a job file would have to hold. @throws Problem 413 where that is more than one file takes */
export async function jobSize(
  { logs, photos }: Pick<Stores, 'logs' | 'photos'>,
  id: string,
): Promise<{ readonly rows: number; readonly photos: number }> {
  const recordings = await logs.list(id);
  const pictures = await photos.list(id);
  const rows = recordings.reduce((sum, l) => sum + l.rows, 0);
  const many = (what: string, most: string, instead: string): Problem =>
    new Problem(
      413,
      'too-large',
      `This job has more than ${most} ${what}: too many for one file. ${instead}`,
    );
  if (rows > MOST_JOB_ROWS)
    throw many(
      'rows of recordings',
      MOST_JOB_ROWS.toLocaleString('en'),
      'Save its recordings one by one at Road.',
    );
  if (recordings.length + pictures.length > MOST_JOB_FILES)
    throw many(
      'photographs and recordings',
      MOST_JOB_FILES.toLocaleString('en'),
      'A backup of the whole database takes them all (Help, Backups).',
    );
  if (pictures.reduce((sum, { size }) => sum + size, 0) > MOST_PICTURE_BYTES)
    throw many(
      'of photographs',
      `${String(MOST_PICTURE_BYTES / 2 ** 20)} MB`,
      'A backup of the whole database takes them all (Help, Backups).',
    );
  return { rows, photos: pictures.length };
}
