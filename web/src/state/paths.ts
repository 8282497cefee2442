import type { BuildDocument, QuantityPath, SectionName, Sourced } from '@apple-cart/core';

/** The entered quantity at a path. */
export function sourcedAt(document: BuildDocument, path: QuantityPath): Sourced {
  const [section = '', key = ''] = path.split('.');
  const sections = document as unknown as Record<string, Record<string, Sourced>>;
  const value = sections[section]?.[key];
  if (value === undefined) throw new TypeError(`no quantity at ${path}`);
  return value;
}

/** The document with one value replaced, copied along its path; everything else is shared. */
export function withSourced(document: BuildDocument, path: QuantityPath, value: Sourced): BuildDocument {
  const [section = '', key = ''] = path.split('.');
  const sections = document as unknown as Record<string, object>;
  return { ...document, [section]: { ...sections[section], [key]: value } };
}

/** The document with some keys of one section replaced. */
export function withSection<K extends SectionName | 'money'>(
  document: BuildDocument,
  section: K,
  change: Partial<BuildDocument[K]>,
): BuildDocument {
  return { ...document, [section]: { ...document[section], ...change } };
}
