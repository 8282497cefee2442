import type { BuildDocument, Issue, Part, PlaceRules, Route, RouteSummary } from '@apple-cart/core';

export interface StoredBuild {
  readonly id: string;
  readonly version: number;
  readonly pinnedRevision: number | null;
  readonly createdAt: string;
  readonly updatedAt: string;
  readonly document: BuildDocument;
}

export interface StoredPart {
  readonly version: number;
  readonly part: Part;
}

export interface StoredRoute {
  readonly id: string;
  readonly version: number;
  readonly route: Route;
}

export interface ListedRoute {
  readonly id: string;
  readonly version: number;
  readonly summary: RouteSummary;
}

export interface ListedRules {
  readonly rules: PlaceRules;
  readonly origin: 'shipped' | 'corrected' | 'own';
  readonly version: number;
}

export interface BrokenRules {
  readonly id: string;
  readonly issues: readonly Issue[];
}

export interface RevisionSummary {
  readonly id: number;
  readonly version: number;
  readonly name: string | null;
  readonly reason: 'auto' | 'named' | 'pin' | 'set-aside';
  readonly createdAt: string;
}

export interface StoredRevision extends RevisionSummary {
  readonly document: BuildDocument;
}

type ServerIssue = Issue & { readonly message: string };

/** What the server said no to, or that it could not be reached (status 0). */
export class ApiError extends Error {
  readonly status: number;
  readonly issues: readonly ServerIssue[];
  /** The build as it is now, with a conflict. */
  readonly current: StoredBuild | undefined;

  constructor(status: number, message: string, issues: readonly ServerIssue[] = [], current?: StoredBuild) {
    super(message);
    this.status = status;
    this.issues = issues;
    this.current = current;
  }
}

interface ErrorBody {
  readonly error?: {
    readonly message?: string;
    readonly issues?: readonly ServerIssue[];
    readonly current?: StoredBuild;
  };
}

async function request<T>(method: string, path: string, body?: unknown, keepalive = false): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      keepalive,
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new ApiError(0, 'The server cannot be reached. Is it still running?');
  }
  if (response.status === 204) return undefined as T;
  const data: unknown = await response.json().catch(() => undefined);
  if (!response.ok) {
    const { error } = (data ?? {}) as ErrorBody;
    throw new ApiError(
      response.status,
      error?.message ?? `The server answered ${String(response.status)}.`,
      error?.issues,
      error?.current,
    );
  }
  return data as T;
}

/** The HTTP interface, one function an address. Described in docs/formats.md. */
export const api = {
  builds: async () => (await request<{ builds: readonly StoredBuild[] }>('GET', '/builds')).builds,
  build: (id: string) => request<StoredBuild>('GET', `/builds/${id}`),
  create: (document: unknown) => request<StoredBuild>('POST', '/builds', document),
  save: (
    id: string,
    baseVersion: number,
    document: BuildDocument,
    keepPrevious?: string,
    keepalive = false,
  ) => request<StoredBuild>('PUT', `/builds/${id}`, { baseVersion, document, keepPrevious }, keepalive),
  remove: (id: string) => request<undefined>('DELETE', `/builds/${id}`),
  restore: (id: string) => request<StoredBuild>('POST', `/builds/${id}/restore`, {}),
  revisions: async (id: string) =>
    (await request<{ revisions: readonly RevisionSummary[] }>('GET', `/builds/${id}/revisions`)).revisions,
  revision: (id: string, revision: number) =>
    request<StoredRevision>('GET', `/builds/${id}/revisions/${String(revision)}`),
  keep: (id: string, reason: 'named' | 'pin' | 'set-aside', name: string, document: BuildDocument) =>
    request<StoredRevision>('POST', `/builds/${id}/revisions`, { reason, name, document }),
  unpin: (id: string) => request<undefined>('DELETE', `/builds/${id}/pin`),
  parts: async () => (await request<{ parts: readonly StoredPart[] }>('GET', '/parts')).parts,
  savePart: (part: Part, baseVersion: number | null) =>
    request<StoredPart>('PUT', `/parts/${part.id}`, { baseVersion, part }),
  removePart: (id: string) => request<undefined>('DELETE', `/parts/${id}`),
  routes: async () => (await request<{ routes: readonly ListedRoute[] }>('GET', '/routes')).routes,
  route: (id: string) => request<StoredRoute>('GET', `/routes/${id}`),
  createRoute: (route: Route) => request<StoredRoute>('POST', '/routes', route),
  saveRoute: (id: string, baseVersion: number, route: Route) =>
    request<StoredRoute>('PUT', `/routes/${id}`, { baseVersion, route }),
  removeRoute: (id: string) => request<undefined>('DELETE', `/routes/${id}`),
  restoreRoute: (id: string) => request<StoredRoute>('POST', `/routes/${id}/restore`, {}),
  rules: () => request<{ places: readonly ListedRules[]; broken: readonly BrokenRules[] }>('GET', '/rules'),
  saveRules: (rules: PlaceRules, baseVersion: number) =>
    request<ListedRules>('PUT', `/rules/${rules.id}`, { baseVersion, rules }),
  removeRules: (id: string) => request<undefined>('DELETE', `/rules/${id}`),
  restoreRules: (id: string) => request<ListedRules>('POST', `/rules/${id}/restore`, {}),
  takeInParts: (parts: readonly unknown[]) =>
    request<{ added: number; replaced: number }>('POST', '/parts/import', { parts }),
};
