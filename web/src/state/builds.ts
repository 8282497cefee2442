import { useQuery } from '@tanstack/react-query';
import type { Broken, Saved, Stored } from '@apple-cart/contracts';
import { clipped, fileName, type BuildDocument } from '@apple-cart/core';
import { downloadUrl } from '../files/download.ts';
import { api } from './api.ts';
import { readTrouble, refresh } from './query-client.ts';

export type StoredBuild = Stored<BuildDocument>;

const KEY = ['builds'] as const;
const NO_BROKEN: readonly Broken[] = [];
const load = (): Promise<void> => refresh(KEY);

/** All builds as the server has them. */
export function useBuilds(): {
  readonly builds: readonly StoredBuild[] | undefined;
  /** Stored builds that cannot be read any more. */
  readonly broken: readonly Broken[];
  readonly error: string | undefined;
  readonly load: () => Promise<void>;
} {
  const { data, error } = useQuery({ queryKey: KEY, queryFn: ({ signal }) => api.builds.list(signal) });
  return {
    builds: data?.documents,
    broken: data?.broken ?? NO_BROKEN,
    error: error === null ? undefined : readTrouble(error, 'The builds cannot be read.'),
    load,
  };
}

export async function createBuild(document: BuildDocument): Promise<Saved> {
  const saved = await api.builds.create(document);
  await load();
  return saved;
}

/**
 * Hands a whole job to the browser as a file, once the server says that one file takes it: a browser tells nothing of why it
 * fetched none. @throws ApiError in words
 */
export async function saveJob(id: string, name: string): Promise<void> {
  await api.jobs.holds(id);
  downloadUrl(fileName(name, 'applecart.zip'), api.jobs.address(id));
}

/** Takes a whole job in as a new build with its records and photographs; gives its id. */
export async function takeJobIn(file: Blob): Promise<string> {
  const { id } = await api.jobs.takeIn(file);
  await load();
  return id;
}

/** Makes a copy, which is nobody's sample; gives its id. */
export async function copyBuild(document: BuildDocument): Promise<string> {
  const name = `${clipped(document.name, 74)}, copy`;
  return (await createBuild({ ...document, name, sample: false })).id;
}

export async function putBuildAway(id: string): Promise<void> {
  await api.builds.putAway(id);
  await load();
}

export async function bringBuildBack(id: string): Promise<void> {
  await api.builds.restore(id);
  await load();
}
