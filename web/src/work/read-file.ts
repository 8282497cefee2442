import { runOnce } from './run-once.ts';
import type { StudyInput, StudyName, StudyOutput } from './studies.ts';

/** Readers of files, and how much they are given, bytes; more is no such thing, and is refused before it is read. */
const LARGEST = {
  buildFile: 256 * 1024,
  rulesFile: 240 * 1024,
  partsFile: 240 * 1024,
  textFile: 256 * 1024,
  roadFile: 20_000_000,
} as const satisfies Partial<Record<StudyName, number>>;

export type FileReader = keyof typeof LARGEST;

const sized = (bytes: number): string =>
  bytes < 1e6 ? `${String(Math.round(bytes / 1024))} kB` : `${String(Math.round(bytes / 1e6))} MB`;

/**
 * Reads a file away from the page, so that no file can stop it. @throws Error in words for a file that is too large,
 * that cannot be opened, or whose reading was stopped
 */
export async function readFile<N extends FileReader>(
  reader: N,
  file: File,
  signal: AbortSignal,
): Promise<StudyOutput<N>> {
  const largest = LARGEST[reader];
  if (file.size > largest)
    throw new Error(`The file has ${sized(file.size)}; at most ${sized(largest)} are read.`);
  const bytes = new Uint8Array(await file.arrayBuffer());
  return runOnce(reader, bytes as StudyInput<N>, signal);
}
