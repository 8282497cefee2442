import { newBuild } from '@apple-cart/core';
import { api } from '../state/api.ts';
import { createBuild } from '../state/builds.ts';

/**
 * A build of which nothing is known yet, kept at once: what is typed into its first sheet is kept like anything else. One
 * that was begun and left as it was is taken up again.
 */
export async function beginBuild(): Promise<string> {
  const fresh = newBuild('New build');
  const plain = JSON.stringify(fresh);
  const { documents } = await api.builds.list();
  const left = documents.find(({ document }) => JSON.stringify(document) === plain);
  return left?.id ?? (await createBuild(fresh)).id;
}
