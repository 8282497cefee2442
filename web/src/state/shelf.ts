import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Broken, ListAnswer, Stored } from '@apple-cart/contracts';
import { readPart, type Part, type PartOf, type PartType } from '@apple-cart/core';
import { drafts } from './drafts.ts';
import { held } from './held.ts';
import { Sender } from './sender.ts';
import { api } from './api.ts';
import { SHELF, SHELF_KEY as KEY, shelfInForce } from './shelf-in-force.ts';
import { queryClient, readTrouble, refresh } from './query-client.ts';

export type StoredPart = Stored<Part>;

/** By type, then by id, as a shelf is walked along. */
const inOrder = (a: StoredPart, b: StoredPart): number =>
  a.document.type.localeCompare(b.document.type) || a.id.localeCompare(b.id);

export interface Shelf {
  /** Undefined until the shelf has been read. */
  readonly parts: readonly StoredPart[] | undefined;
  /** Stored parts that cannot be read any more. */
  readonly broken: readonly Broken[];
  readonly error: string | undefined;
  readonly load: () => Promise<void>;
}

const NO_BROKEN: readonly Broken[] = [];
const load = (): Promise<void> => refresh(KEY);

/** The parts shelf as the server has it, read once it is needed. */
export function useShelf(): Shelf {
  const { data, error } = useQuery(SHELF);
  const parts = useMemo(() => data?.documents.toSorted(inOrder), [data]);
  return {
    parts,
    broken: data?.broken ?? NO_BROKEN,
    error: error === null ? undefined : readTrouble(error, 'The shelf cannot be read.'),
    load,
  };
}

/** Ids on the shelf as it was last read. */
export const idsOnShelf = (): readonly string[] =>
  queryClient.getQueryData<ListAnswer<StoredPart>>(KEY)?.documents.map((p) => p.id) ?? [];

/** Puts parts on the shelf, or in the place of the version that a form began from. */
export const partSender = new Sender<Part, StoredPart>({
  api: api.parts,
  drafts: drafts('part', readPart),
  kept: (id) => {
    partsTyped.keep(id, undefined);
    void load();
  },
});
/** What is typed into the form of a part, by its id; a new one goes by its type. */
export const partsTyped = held('typed-part');

export async function putPartAway(id: string): Promise<void> {
  await api.parts.putAway(id);
  await load();
}

export async function bringPartBack(id: string): Promise<void> {
  await api.parts.restore(id);
  await load();
}

export async function takePartsIn(parts: readonly unknown[]): Promise<{ added: number; replaced: number }> {
  const taken = await api.parts.takeIn(parts);
  await load();
  return taken;
}

/** Parts of one type. */
export const ofType = <T extends PartType>(
  parts: readonly StoredPart[] | undefined,
  type: T,
): readonly PartOf<T>[] =>
  (parts ?? []).map((s) => s.document).filter((p): p is PartOf<T> => p.type === type);

/** Every part of the shelf, remembered until the shelf changes. */
export function useParts(): readonly Part[] {
  useShelf();
  return shelfInForce();
}
