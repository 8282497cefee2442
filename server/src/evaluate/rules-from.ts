import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import {
  readRulesText,
  shippedRules,
  textOf,
  type Issue,
  type PlaceRules,
  type RuleBook,
} from '@apple-cart/core';

export type RulesRead =
  | { readonly ok: true; readonly book: RuleBook; readonly words: string }
  | { readonly ok: false; readonly file: string; readonly issues: readonly Issue[] };

const missing = (folder: string): RulesRead => ({
  ok: false,
  file: folder,
  issues: [{ code: 'missing', path: '', actual: undefined, limit: 'a folder with files of rules (*.json)' }],
});

/**
 * The book to judge by, and which it is in words: what ships, with the files of a folder in the place of those of the
 * same id or behind them, as the server has it with what its users corrected and added.
 * @param folder undefined for what ships alone
 */
export async function rulesFrom(folder: string | undefined): Promise<RulesRead> {
  const shipped = shippedRules();
  if (folder === undefined)
    return { ok: true, book: shipped, words: `the rules that ship, ${String(shipped.length)} places` };
  const names = await readdir(folder).catch(() => []);
  const files = names.filter((name) => name.endsWith('.json')).sort();
  if (files.length === 0) return missing(folder);
  const own = new Map<string, PlaceRules>();
  for (const name of files) {
    const text = textOf(await readFile(join(folder, name)));
    const read = text.ok ? readRulesText(text.value) : text;
    if (!read.ok) return { ok: false, file: join(folder, name), issues: read.issues };
    own.set(read.value.id, read.value);
  }
  const ids = new Set(shipped.map((p) => p.id));
  const added = [...own.values()].filter((p) => !ids.has(p.id));
  return {
    ok: true,
    book: [...shipped.map((p) => own.get(p.id) ?? p), ...added],
    words: `the rules that ship with ${String(own.size)} of ${folder}: ${[...own.keys()].join(', ')}`,
  };
}
