import Papa from 'papaparse';
import { guessLogColumns, type LogColumns } from '@apple-cart/core';
import { separatorOf } from './csv.ts';

/** So much of a file is looked at before it is sent, bytes: its heads and some rows. */
const LOOKED_AT = 64 * 1024;
const ROWS = 4;

/** What a file with a recording begins with. */
export type LogHead =
  | { readonly kind: 'track' }
  | {
      readonly kind: 'table';
      readonly heads: readonly string[];
      /** The first rows beneath, for whoever chooses the columns. */
      readonly rows: readonly (readonly string[])[];
      readonly separator: LogColumns['separator'];
      readonly guess: LogColumns | undefined;
    }
  | { readonly kind: 'refused'; readonly why: string };

/** Reads the beginning of a file: a track, or a table with its columns as they are guessed. */
export async function readLogHead(file: Blob): Promise<LogHead> {
  if (file.size === 0) return { kind: 'refused', why: 'It is empty.' };
  const bytes = new Uint8Array(await file.slice(0, LOOKED_AT).arrayBuffer());
  let text: string;
  try {
    // The last character may be cut in two: what is cut is not looked at.
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes, { stream: true });
  } catch {
    return { kind: 'refused', why: 'It is no text in UTF-8: save it again with that encoding.' };
  }
  if (text.includes('\0')) return { kind: 'refused', why: 'It is no text: it holds bytes that are nought.' };
  if (/^\s*</.test(text)) return { kind: 'track' };
  const separator = separatorOf(text);
  const { data } = Papa.parse<string[]>(text.slice(0, Math.max(1, text.lastIndexOf('\n'))), {
    delimiter: separator,
    preview: ROWS + 1,
    skipEmptyLines: true,
  });
  const [heads, ...rows] = data;
  if (heads === undefined || heads.length < 2 || rows.length === 0)
    return { kind: 'refused', why: 'It is no table with heads and rows beneath, and no track.' };
  const names = heads.map((head, i) => (head.trim() === '' ? `column ${String(i + 1)}` : head.trim()));
  return {
    kind: 'table',
    heads: names,
    rows,
    separator,
    guess: guessLogColumns(names, rows[0] ?? [], separator),
  };
}
