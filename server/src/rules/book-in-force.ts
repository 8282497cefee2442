import type { PlaceRules, RuleBook } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import type { DocumentStore } from '../store/document-store.ts';
import { rulesInForce } from './rule-book.ts';

/**
 * The rules to judge by, read again only when something was written, by this process or another: SQLite's data_version
 * grows with every commit of another connection, and the reading one never commits.
 */
export function bookInForce(database: Database, store: DocumentStore<PlaceRules>): () => Promise<RuleBook> {
  let known: { readonly version: number | undefined; readonly book: Promise<RuleBook> } | undefined;
  return async () => {
    const [row] =
      await database.reader.query<readonly { readonly data_version: number }[]>('PRAGMA data_version');
    const version = row?.data_version;
    if (known !== undefined && known.version === version) return known.book;
    const book = rulesInForce(store);
    known = { version, book };
    // A failure is not remembered.
    book.catch(() => {
      known = undefined;
    });
    return book;
  };
}
