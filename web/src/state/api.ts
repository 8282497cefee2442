import * as z from 'zod';
import {
  backupState,
  errorAnswer,
  listAnswer,
  listed,
  jobHolds,
  logInfo,
  logTaken,
  logWindow,
  photoAnswer,
  photoList,
  programAnswer,
  recordAnswer,
  recordList,
  revisionList,
  revisionSummary,
  ruleBookAnswer,
  saved,
  shareCode,
  shareMe,
  shareState,
  stored,
  storedRevision,
  takenIn,
  type BackupState,
  type KeepRequest,
  type ListAnswer,
  type Listed,
  type ListedRules,
  type BadRow,
  type JobHolds,
  type LogInfo,
  type LogTaken,
  type LogWindow,
  type PhotoInfo,
  type RecordAnswer,
  type RecordList,
  type RecordRequest,
  type RecordsEverywhere,
  type RevisionList,
  type RevisionSummary,
  type Saved,
  type SaveRequest,
  type ShareCode,
  type ShareMe,
  type ShareState,
  type Stored,
  type StoredRevision,
  type TakenIn,
} from '@apple-cart/contracts';
import { tellMoved } from './this-window.ts';
import type {
  BuildDocument,
  Issue,
  Part,
  PlaceRules,
  RecordKind,
  Route,
  RouteSummary,
} from '@apple-cart/core';

type ServerIssue = Issue & { readonly message: string };

/** What the server said no to, or that it could not be reached (status 0). */
export class ApiError extends Error {
  readonly status: number;
  readonly issues: readonly ServerIssue[];
  /** The document as it is now, with a conflict. */
  readonly current: Stored<unknown> | undefined;
  /** Rows of a recording that could not be read. */
  readonly bad: readonly BadRow[];

  constructor(
    status: number,
    message: string,
    issues: readonly ServerIssue[] = [],
    current?: Stored<unknown>,
    bad: readonly BadRow[] = [],
  ) {
    super(message);
    this.status = status;
    this.issues = issues;
    this.current = current;
    this.bad = bad;
  }
}

/** True for a failure that may pass: the server is away, or has trouble of its own. */
export const mayPass = (problem: unknown): boolean =>
  !(problem instanceof ApiError) || problem.status === 0 || problem.status >= 500;

/** True for a document that has been put away, and can be brought back. */
export const isPutAway = (problem: unknown): boolean => problem instanceof ApiError && problem.status === 410;

interface Asked {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  /** Sent even though the page is being left. */
  readonly keepalive?: boolean;
  readonly signal?: AbortSignal | undefined;
}

const refused = (status: number, data: unknown): ApiError => {
  const told = errorAnswer.safeParse(data);
  if (!told.success) return new ApiError(status, `The server answered ${String(status)}.`);
  const { message, issues, current, bad } = told.data.error;
  return new ApiError(status, message, issues, current, bad);
};

/** A picture goes as it is, everything else as JSON. */
function bodyOf(body: unknown): Pick<RequestInit, 'headers' | 'body'> {
  if (body === undefined) return {};
  if (body instanceof Blob)
    return { headers: { 'content-type': body.type === '' ? 'application/octet-stream' : body.type }, body };
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

async function answer(
  path: string,
  { method = 'GET', body, keepalive = false, signal }: Asked,
): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      keepalive,
      ...(signal === undefined ? {} : { signal }),
      ...bodyOf(body),
    });
  } catch (cause) {
    if (signal?.aborted === true) throw cause;
    throw new ApiError(0, 'The server cannot be reached. Is it still running?');
  }
  if (response.status === 204) return undefined;
  const data: unknown = await response.json().catch(() => undefined);
  if (!response.ok) throw refused(response.status, data);
  return data;
}

/**
 * Asks the server and holds the answer against its contract. Documents inside were validated by the server, which
 * reads them by the same schemas.
 */
async function ask<T>(path: string, contract: z.ZodType, asked: Asked = {}): Promise<T> {
  const read = contract.safeParse(await answer(path, asked));
  if (!read.success)
    throw new ApiError(502, 'The server answered something that this page does not understand.');
  return read.data as T;
}

const done = async (path: string, asked: Asked): Promise<void> => {
  await answer(path, asked);
};

/** A photograph as it is sent. */
export interface PhotoRequest {
  readonly key: string;
  readonly parent: string;
  readonly step: string;
  readonly picture: Blob;
}

/** Rows of a recording that are asked for. */
export interface LogAsked {
  readonly columns: readonly string[];
  readonly from: number;
  readonly to?: number;
  readonly most: number;
}

interface SaveOptions {
  readonly keepalive?: boolean;
}

/** The addresses that every kind of stored document has: `T` is the document, `L` what its list shows of each. */
export interface DocumentApi<T, L = Stored<T>> {
  readonly list: (signal?: AbortSignal) => Promise<ListAnswer<L>>;
  readonly get: (id: string, signal?: AbortSignal) => Promise<Stored<T>>;
  readonly create: (document: T) => Promise<Saved>;
  readonly save: (
    id: string,
    request: SaveRequest & { readonly document: T },
    options?: SaveOptions,
  ) => Promise<Saved>;
  readonly putAway: (id: string) => Promise<void>;
  readonly restore: (id: string) => Promise<Saved>;
  readonly takeIn: (documents: readonly unknown[]) => Promise<TakenIn>;
  /** Where one is given out as it lies in the database, readable or not. */
  readonly asStored: (id: string) => string;
  readonly address: string;
  readonly versions: VersionsApi<T>;
}

/** Versions of a document that are kept, and its pin. */
interface VersionsApi<T> {
  readonly list: (id: string) => Promise<RevisionList>;
  readonly get: (id: string, revision: number) => Promise<StoredRevision<T>>;
  readonly keep: (id: string, request: KeepRequest & { readonly document: T }) => Promise<RevisionSummary>;
  readonly unpin: (id: string) => Promise<void>;
}

function documents<T, L = Stored<T>>(address: string, list: z.ZodType): DocumentApi<T, L> {
  const at = (id: string, rest = ''): string => `${address}/${encodeURIComponent(id)}${rest}`;
  return {
    list: (signal) => ask<ListAnswer<L>>(address, list, { signal }),
    get: (id, signal) => ask<Stored<T>>(at(id), stored, { signal }),
    create: (document) => ask<Saved>(address, saved, { method: 'POST', body: document }),
    save: (id, request, { keepalive = false } = {}) =>
      ask<Saved>(at(id), saved, { method: 'PUT', body: request, keepalive }),
    putAway: async (id) => {
      await done(at(id), { method: 'DELETE' });
      tellMoved(`${address}/${id}`);
    },
    restore: async (id) => {
      const back = await ask<Saved>(at(id, '/restore'), saved, { method: 'POST', body: {} });
      tellMoved(`${address}/${id}`);
      return back;
    },
    takeIn: (all) => ask<TakenIn>(`${address}/import`, takenIn, { method: 'POST', body: { documents: all } }),
    asStored: (id) => `/api${at(id, '/as-stored')}`,
    address,
    versions: {
      list: (id) => ask<RevisionList>(at(id, '/revisions'), revisionList),
      get: (id, revision) => ask<StoredRevision<T>>(at(id, `/revisions/${String(revision)}`), storedRevision),
      keep: (id, request) =>
        ask<RevisionSummary>(at(id, '/revisions'), revisionSummary, { method: 'POST', body: request }),
      unpin: (id) => done(at(id, '/pin'), { method: 'DELETE' }),
    },
  };
}

/** The HTTP interface by kind. Described in docs/formats.md. */
export const api = {
  builds: documents<BuildDocument>('/builds', listAnswer(stored)),
  parts: documents<Part>('/parts', listAnswer(stored)),
  routes: documents<Route, Listed<RouteSummary>>('/routes', listAnswer(listed)),
  rules: documents<PlaceRules, ListedRules>('/rules', ruleBookAnswer),
  backup: () => ask<BackupState>('/backup', backupState),
  /** What happened to a build, and its photographs. */
  records: {
    list: (build: string, signal?: AbortSignal) =>
      ask<RecordList>(`/builds/${encodeURIComponent(build)}/records`, recordList, { signal }),
    everywhere: (kind: RecordKind, signal?: AbortSignal) =>
      ask<RecordsEverywhere>(`/records?kind=${kind}`, recordList, { signal }),
    send: (build: string, record: RecordRequest, signal?: AbortSignal) =>
      ask<RecordAnswer>(`/builds/${encodeURIComponent(build)}/records`, recordAnswer, {
        method: 'POST',
        body: record,
        signal,
      }),
  },
  /** Recordings of rides: taken in as a file, asked for by the window. */
  logs: {
    list: (build: string, signal?: AbortSignal) =>
      ask<{ readonly logs: readonly LogInfo[] }>(
        `/builds/${encodeURIComponent(build)}/logs`,
        z.object({ logs: z.array(logInfo) }),
        { signal },
      ),
    window: (build: string, key: string, asked: LogAsked, signal?: AbortSignal) =>
      ask<LogWindow>(
        `/builds/${encodeURIComponent(build)}/logs/${key}?${new URLSearchParams({
          columns: asked.columns.join(','),
          from: String(asked.from),
          ...(asked.to === undefined ? {} : { to: String(asked.to) }),
          most: String(asked.most),
        }).toString()}`,
        logWindow,
        { signal },
      ),
    takeIn: (build: string, key: string, about: unknown, file: File, signal: AbortSignal) =>
      ask<LogTaken>(
        `/builds/${encodeURIComponent(build)}/logs/${key}/import?${new URLSearchParams({ about: JSON.stringify(about) }).toString()}`,
        logTaken,
        { method: 'POST', body: file, signal },
      ),
    stop: (build: string, key: string) =>
      done(`/builds/${encodeURIComponent(build)}/logs/${key}/import`, { method: 'DELETE' }),
    progress: (build: string, key: string): string =>
      `/api/builds/${encodeURIComponent(build)}/logs/${key}/progress`,
  },
  /** A whole job as one file. */
  jobs: {
    address: (build: string): string => `/api/jobs/${encodeURIComponent(build)}`,
    /** @throws ApiError 413 in words where it is more than one file takes */
    holds: (build: string) => ask<JobHolds>(`/jobs/${encodeURIComponent(build)}/size`, jobHolds),
    takeIn: (file: Blob) => ask<Saved>('/jobs', saved, { method: 'POST', body: file }),
  },
  /** Other devices of the network. */
  share: {
    me: () => ask<ShareMe>('/share/me', shareMe),
    enter: (code: string) => done('/share/enter', { method: 'POST', body: { code } }),
    leave: () => done('/share/leave', { method: 'POST', body: {} }),
    state: () => ask<ShareState>('/share', shareState),
    newCode: () => ask<ShareCode>('/share/code', shareCode, { method: 'POST', body: {} }),
    signOut: (id: string) => done(`/share/devices/${id}`, { method: 'DELETE' }),
  },
  /** Simulated stand-ins for what is plugged in at a bench. */
  instruments: {
    /** A ride as a stand-in would write it down, live; and the same kept. */
    rideLive: (build: string, how: Readonly<Record<string, string>>): string =>
      `/api/builds/${encodeURIComponent(build)}/instruments/ride?${new URLSearchParams(how).toString()}`,
    keepRide: (build: string, body: unknown) =>
      ask<LogTaken>(`/builds/${encodeURIComponent(build)}/instruments/ride`, logTaken, {
        method: 'POST',
        body,
      }),
    program: (build: string, seed: number, settings: Readonly<Record<string, number>>) =>
      ask<{ readonly settings: Readonly<Record<string, number>> }>(
        `/builds/${encodeURIComponent(build)}/instruments/program`,
        programAnswer,
        { method: 'POST', body: { seed, settings } },
      ),
  },
  photos: {
    list: (build: string, signal?: AbortSignal) =>
      ask<{ readonly photos: readonly PhotoInfo[] }>(
        `/builds/${encodeURIComponent(build)}/photos`,
        photoList,
        {
          signal,
        },
      ),
    send: (build: string, { key, parent, step, picture }: PhotoRequest, signal?: AbortSignal) =>
      ask<{ readonly known: boolean }>(
        `/builds/${encodeURIComponent(build)}/photos/${key}?${new URLSearchParams({ parent, step }).toString()}`,
        photoAnswer,
        { method: 'PUT', body: picture, signal },
      ),
    address: (build: string, key: string): string => `/api/builds/${encodeURIComponent(build)}/photos/${key}`,
  },
};
