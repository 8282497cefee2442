import { newBuild } from '@apple-cart/core';
import { createBuild } from '../state/builds.ts';

/** A build of which nothing is known yet, kept at once: what is typed into its first sheet is kept like anything else. */
export async function beginBuild(): Promise<string> {
  const { id } = await createBuild(newBuild('New build'));
  return id;
}
