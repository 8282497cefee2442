import { writeCsv } from '@apple-cart/contracts/csv';
import {
  cellsOf,
  describeIssue,
  fail,
  jsonText,
  ok,
  partFields,
  partFromCells,
  textOf,
  type Part,
  type PartType,
  type Result,
} from '@apple-cart/core';
import { readCsv, type CsvTable } from './csv.ts';

/** Parts that are taken in at once. */
const MOST_PARTS = 500;

/** What a file with parts in it holds: documents as they are, still to be validated, or a table. */
export type PartsFile =
  | { readonly kind: 'documents'; readonly documents: readonly unknown[] }
  | { readonly kind: 'table'; readonly table: CsvTable };

const tooMany = (actual: number): Result<never> =>
  fail({ code: 'size', path: '', actual, limit: `at most ${String(MOST_PARTS)} parts in a file` });

/** Reads a file with parts in it by what it holds, whatever its name. */
export function readPartsFile(bytes: Uint8Array): Result<PartsFile> {
  const text = textOf(bytes);
  if (!text.ok) return text;
  if (/^\s*[[{]/.test(text.value)) {
    const data = jsonText(text.value);
    if (!data.ok) return data;
    const documents: readonly unknown[] = Array.isArray(data.value) ? data.value : [data.value];
    return documents.length > MOST_PARTS ? tooMany(documents.length) : ok({ kind: 'documents', documents });
  }
  const table = readCsv(text.value);
  if (!table.ok) return table;
  const { rows } = table.value;
  return rows.length > MOST_PARTS ? tooMany(rows.length) : ok({ kind: 'table', table: table.value });
}

/** Parts of one type as comma-separated values (RFC 4180), one column a field. */
export function partsCsv(type: PartType, parts: readonly Part[]): string {
  const columns = partFields(type).map((f) => f.key);
  return writeCsv(
    columns,
    parts.map((p) => {
      const cells = cellsOf(p);
      return columns.map((c) => cells[c] ?? '');
    }),
  );
}

export const partsJson = (parts: readonly Part[]): string => `${JSON.stringify(parts, null, 2)}\n`;

/** Which column of a file holds which value; null leaves a column out. */
export type Mapping = Readonly<Record<string, string | null>>;

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** One thing that a column may hold. */
export interface MappedField {
  readonly key: string;
  readonly label: string;
}

/** What each column most likely is: as chosen before, by key, or by label; what fits nothing is left out. */
export function guessMapping(
  fields: readonly MappedField[],
  columns: readonly string[],
  remembered: Mapping,
): Mapping {
  return Object.fromEntries(
    columns.map((column) => {
      const before = remembered[column];
      if (before !== undefined && (before === null || fields.some((f) => f.key === before)))
        return [column, before];
      const found =
        fields.find((f) => f.key === column) ??
        fields.find((f) => plain(f.label) === plain(column) || plain(f.key) === plain(column));
      return [column, found?.key ?? null];
    }),
  );
}

export interface ReadRows {
  readonly parts: readonly Part[];
  /** One sentence for each bad row, with its line number. */
  readonly bad: readonly string[];
}

/** Makes parts of a table's rows by a mapping; a row that is no part is reported with its line. */
export function partsFromTable(type: PartType, table: CsvTable, mapping: Mapping): ReadRows {
  const parts: Part[] = [];
  const bad: string[] = [];
  for (const { line, cells } of table.rows) {
    const mapped: Record<string, string> = {};
    for (const [column, key] of Object.entries(mapping)) {
      if (key !== null) mapped[key] = cells[column] ?? '';
    }
    const read = partFromCells(type, mapped);
    if (read.ok) parts.push(read.value);
    else bad.push(`Line ${String(line)}: ${read.issues.map(describeIssue).join(' ')}`);
  }
  return { parts, bad };
}

const KEPT = 'apple-cart-columns';

/** Column choices made before, by what the file was read as. */
export function rememberedMapping(type: PartType | 'prices'): Mapping {
  try {
    const all = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Record<string, Mapping>;
    return all[type] ?? {};
  } catch {
    return {};
  }
}

export function rememberMapping(type: PartType | 'prices', mapping: Mapping): void {
  try {
    const all = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Record<string, Mapping>;
    localStorage.setItem(KEPT, JSON.stringify({ ...all, [type]: { ...all[type], ...mapping } }));
  } catch {
    // A full or forbidden store only means that the choice is made again next time.
  }
}
