import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { LogInfo, LogWindow } from '@apple-cart/contracts';
import { CHANNEL_IDS, type ChannelId, type Recording } from '@apple-cart/core';
import { api } from './api.ts';
import { queryClient, refresh } from './query-client.ts';

const listKey = (build: string): readonly string[] => ['logs', build];
const NO_LOGS: readonly LogInfo[] = [];

interface Logs {
  readonly logs: ReadonlyMap<string, LogInfo>;
  /** The server was asked and has answered: a ride without one has none. */
  readonly ready: boolean;
}

/** The recordings of a build, by the key of their ride. */
export function useLogs(build: string): Logs {
  const { data } = useQuery({
    queryKey: listKey(build),
    queryFn: ({ signal }) => api.logs.list(build, signal),
    enabled: build !== '',
  });
  return useMemo(
    () => ({
      logs: new Map((data?.logs ?? NO_LOGS).map((log) => [log.key, log])),
      ready: data !== undefined,
    }),
    [data],
  );
}

/** A recording has come in. */
export const logsHaveGrown = (build: string): Promise<void> => refresh(listKey(build));

/** Rows of a recording that are looked at. */
export interface LogView {
  readonly from: number;
  readonly to: number | undefined;
}

const windowQuery = (
  build: string,
  key: string,
  columns: readonly string[],
  view: LogView,
  most: number,
) => ({
  queryKey: ['log', build, key, columns.join(), view.from, view.to ?? 'end', most],
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    api.logs.window(
      build,
      key,
      { columns, from: view.from, most, ...(view.to === undefined ? {} : { to: view.to }) },
      signal,
    ),
  // A long log looked at closely would stay in memory bit by bit.
  gcTime: 60_000,
});

/** Columns of a recording between two rows; what was seen last stays until the next is there. */
export function useLogWindow(
  build: string,
  key: string | undefined,
  columns: readonly string[],
  view: LogView,
  most: number,
): { readonly window: LogWindow | undefined; readonly failed: boolean } {
  const { data, isError } = useQuery({
    ...windowQuery(build, key ?? '', columns, view, most),
    enabled: key !== undefined && columns.length > 0,
    placeholderData: (before: LogWindow | undefined) => before,
  });
  return { window: data, failed: isError };
}

/** So many rows of a recording are ridden beside the plan and learnt from. */
const MOST_RIDDEN = 8000;
const WANTED = ['seconds', 'metres', ...CHANNEL_IDS];

const middle = (column: LogWindow['columns'][string] | undefined): readonly (number | null)[] | undefined =>
  column === undefined || Array.isArray(column) ? column : column.mean;
const numbers = (values: readonly (number | null)[]): Float64Array =>
  Float64Array.from(values, (v) => v ?? NaN);

/** What was asked of a recording as one in memory. */
export function recordingOf({ columns }: LogWindow): Recording {
  const channels = CHANNEL_IDS.flatMap((id): [ChannelId, Float64Array][] => {
    // The way along it was worked out where no wheel counted it.
    const values = middle(columns[id === 'distance' ? 'metres' : id]);
    return values === undefined ? [] : [[id, numbers(values)]];
  });
  return { seconds: numbers(middle(columns['seconds']) ?? []), columns: Object.fromEntries(channels) };
}

const wholeQuery = (build: string, key: string) =>
  windowQuery(build, key, WANTED, { from: 0, to: undefined }, MOST_RIDDEN);

/** A whole recording, as finely as it is ridden beside the plan. */
export function useRecording(build: string, key: string | undefined): Recording | undefined {
  const { data } = useQuery({ ...wholeQuery(build, key ?? ''), enabled: key !== undefined });
  return useMemo(() => (data === undefined ? undefined : recordingOf(data)), [data]);
}

/** The same, once, for whoever needs several. */
export const fetchRecording = async (build: string, key: string): Promise<Recording> =>
  recordingOf(await queryClient.query(wholeQuery(build, key)));
