import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { PhotoInfo, RecordsEverywhere } from '@apple-cart/contracts';
import { isRecordKind, type Kept, type RecordData, type RecordKind } from '@apple-cart/core';
import { api, type PhotoRequest } from './api.ts';
import { newKey } from './new-key.ts';
import { enqueue, onKept, useOutbox } from './outbox.ts';
import { hasRead, readTrouble, refresh } from './query-client.ts';

const keyOf = (build: string): readonly string[] => ['records', build];
const photosOf = (build: string): readonly string[] => ['photos', build];

const everywhereOf = (kind: string): readonly string[] => ['records-everywhere', kind];

onKept(async (build) => {
  const read = await Promise.all([keyOf(build), photosOf(build), ['records-everywhere']].map(hasRead));
  return !read.includes(false);
});

/** Records were written beside the queue: with a recording, by an instrument. */
export const recordsHaveGrown = (build: string): Promise<void> => refresh(keyOf(build));

export interface BuildRecords {
  /** What the server has, and behind it what has not reached it yet: that has no time. */
  readonly records: readonly Kept[];
  /** The server was asked and has answered. */
  readonly ready: boolean;
  readonly error: string | undefined;
  /** Records that cannot be read any more. */
  readonly broken: number;
}

/** Facts of a build: as the server has them, and what is still on its way. */
export function useRecords(build: string): BuildRecords {
  const { data, error } = useQuery({
    queryKey: keyOf(build),
    queryFn: ({ signal }) => api.records.list(build, signal),
    enabled: build !== '',
  });
  const waiting = useOutbox((state) => state.waiting);
  const sent = useOutbox((state) => state.sent);
  return useMemo(() => {
    const kept = data?.records ?? [];
    const known = new Set(kept.map((r) => r.key));
    const pending = [...sent, ...waiting].flatMap((one): Kept[] => {
      if (one.what !== 'record' || one.build !== build || known.has(one.record.key)) return [];
      const { key, kind, parent, data: said } = one.record;
      return isRecordKind(kind)
        ? [{ key, kind, parent, at: '', seq: Infinity, data: said as RecordData[RecordKind] }]
        : [];
    });
    return {
      records: [...kept, ...pending],
      ready: data !== undefined,
      error: error === null ? undefined : readTrouble(error, 'The records cannot be read.'),
      broken: data?.broken.length ?? 0,
    };
  }, [data, error, sent, waiting, build]);
}

/** Facts of one kind of every build, each with the build that it is of; undefined until the server has answered. */
export function useRecordsEverywhere(kind: RecordKind): RecordsEverywhere['records'] | undefined {
  const { data } = useQuery({
    queryKey: everywhereOf(kind),
    queryFn: ({ signal }) => api.records.everywhere(kind, signal),
  });
  return data?.records;
}

const NO_PHOTOS: readonly PhotoInfo[] = [];
export function usePhotos(build: string): readonly PhotoInfo[] {
  const { data } = useQuery({
    queryKey: photosOf(build),
    queryFn: ({ signal }) => api.photos.list(build, signal),
    enabled: build !== '',
  });
  return data?.photos ?? NO_PHOTOS;
}

/** Photographs of a build that wait in this browser; those that the server has already are left out. */
export function useWaitingPhotos(build: string): readonly PhotoRequest[] {
  const waiting = useOutbox((state) => state.waiting);
  const sent = useOutbox((state) => state.sent);
  const kept = usePhotos(build);
  return useMemo(() => {
    const known = new Set(kept.map((p) => p.key));
    return [...sent, ...waiting].flatMap((one) =>
      one.what === 'photo' && one.build === build && !known.has(one.photo.key) ? [one.photo] : [],
    );
  }, [waiting, sent, kept, build]);
}

/** Keeps a fact: in this browser at once, on the server as soon as it is reached. Gives its key. */
export async function keepRecord<K extends RecordKind>(
  build: string,
  kind: K,
  parent: string | null,
  data: RecordData[K],
): Promise<string> {
  const key = newKey();
  await enqueue({ what: 'record', build, record: { key, kind, parent, data } });
  return key;
}

export async function keepPhoto(build: string, parent: string, step: string, picture: Blob): Promise<void> {
  await enqueue({ what: 'photo', build, photo: { key: newKey(), parent, step, picture } });
}

/** Records of one kind, in their order. */
export const ofKind = <K extends RecordKind>(records: readonly Kept[], kind: K): readonly Kept<K>[] =>
  records.filter((r): r is Kept<K> => r.kind === kind);
