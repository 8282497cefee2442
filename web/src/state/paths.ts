import type { BuildDocument, SectionName } from '@apple-cart/core';

/** The document with some keys of one section replaced. */
export function withSection<K extends SectionName | 'money'>(
  document: BuildDocument,
  section: K,
  change: Partial<BuildDocument[K]>,
): BuildDocument {
  return { ...document, [section]: { ...document[section], ...change } };
}
