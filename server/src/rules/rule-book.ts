import { readRules, shippedRules, type PlaceRules, type RuleBook } from '@apple-cart/core';
import { NOT_THERE, type ListAnswer, type ListedRules } from '@apple-cart/contracts';
import { documentEntity } from '../store/document-row.ts';
import type { DocumentStore } from '../store/document-store.ts';
import type { Kind } from '../store/kind.ts';

/** Files of rules that a user added or corrected; those that ship are not stored. */
export const ruleKind: Kind<PlaceRules> = {
  entity: documentEntity('rule', 'rules'),
  word: 'file of rules',
  read: readRules,
  ownId: (rules) => rules.id,
};

const asShipped = (document: PlaceRules): ListedRules => ({
  id: document.id,
  version: NOT_THERE,
  document,
  origin: 'shipped',
});

/**
 * Everything in force: what ships, with what users corrected in its place and what they added behind it. A stored file
 * that cannot be read is named and left out, never used in part.
 */
export async function ruleBook(store: DocumentStore<PlaceRules>): Promise<ListAnswer<ListedRules>> {
  const { documents, broken } = await store.list();
  const shippedIds = new Set(shippedRules().map((p) => p.id));
  const changed = new Map(
    documents.map(({ id, version, document }): readonly [string, ListedRules] => [
      id,
      { id, version, document, origin: shippedIds.has(id) ? 'corrected' : 'own' },
    ]),
  );
  const own = [...changed.values()]
    .filter((p) => p.origin === 'own')
    .sort((a, b) => a.id.localeCompare(b.id));
  return { documents: [...shippedRules().map((p) => changed.get(p.id) ?? asShipped(p)), ...own], broken };
}

/** The rules alone, for judging. */
export const rulesInForce = async (store: DocumentStore<PlaceRules>): Promise<RuleBook> =>
  (await ruleBook(store)).documents.map((p) => p.document);
