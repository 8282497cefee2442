import { vi } from 'vitest';
import type { BuildDocument } from '@apple-cart/core';
import type { StoredBuild, StoredRevision } from '../state/api.ts';

export interface FakeServer {
  /** The build as another window or a reload would read it. */
  build: StoredBuild;
  readonly revisions: StoredRevision[];
  /** While true, nothing is answered. */
  down: boolean;
  /** How many saves arrived, accepted or not. */
  saves: number;
  /** Another window's save. */
  changeElsewhere(change: (document: BuildDocument) => BuildDocument): void;
}

const answer = (status: number, body?: unknown): Response =>
  new Response(body === undefined ? null : JSON.stringify(body), { status });

/** A server for one build that keeps to the contract of docs/formats.md, in place of fetch; and a local store. */
export function fakeServer(document: BuildDocument): FakeServer {
  const at = '2026-04-12T08:00:00.000Z';
  const server: FakeServer = {
    build: { id: 'one', version: 1, pinnedRevision: null, createdAt: at, updatedAt: at, document },
    revisions: [],
    down: false,
    saves: 0,
    changeElsewhere(change) {
      server.build = {
        ...server.build,
        version: server.build.version + 1,
        document: change(server.build.document),
      };
    },
  };

  function keep(body: { reason: StoredRevision['reason']; name: string; document: BuildDocument }): Response {
    const revision: StoredRevision = {
      id: server.revisions.length + 1,
      version: server.build.version,
      createdAt: at,
      ...body,
    };
    server.revisions.push(revision);
    if (body.reason === 'pin') server.build = { ...server.build, pinnedRevision: revision.id };
    return answer(201, revision);
  }

  function save(body: { baseVersion: number; document: BuildDocument; keepPrevious?: string }): Response {
    server.saves += 1;
    const same = JSON.stringify(body.document) === JSON.stringify(server.build.document);
    if (body.baseVersion !== server.build.version && !same) {
      return answer(409, { error: { code: 'conflict', message: 'changed', current: server.build } });
    }
    if (body.keepPrevious !== undefined) {
      keep({ reason: 'set-aside', name: body.keepPrevious, document: server.build.document });
    }
    server.build = { ...server.build, version: server.build.version + 1, document: body.document };
    return answer(200, server.build);
  }

  vi.stubGlobal('fetch', (path: string, init: { method?: string; body?: string } = {}): Promise<Response> => {
    if (server.down) return Promise.reject(new TypeError('network'));
    const body = (init.body === undefined ? undefined : JSON.parse(init.body)) as never;
    const route = `${init.method ?? 'GET'} ${path.replace('/api/builds/one', '')}`;
    if (!path.startsWith('/api/builds/one'))
      return Promise.resolve(answer(404, { error: { message: 'There is no such build.' } }));
    if (route === 'GET ') return Promise.resolve(answer(200, server.build));
    if (route === 'PUT ') return Promise.resolve(save(body));
    if (route === 'POST /revisions') return Promise.resolve(keep(body));
    if (route === 'DELETE /pin') {
      server.build = { ...server.build, pinnedRevision: null };
      return Promise.resolve(answer(204));
    }
    const revision = server.revisions.find((r) => route === `GET /revisions/${String(r.id)}`);
    return Promise.resolve(
      revision === undefined ? answer(404, { error: { message: 'none' } }) : answer(200, revision),
    );
  });

  const store = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => store.set(key, value),
    removeItem: (key: string) => store.delete(key),
  });
  return server;
}
