import { Router } from 'express';
import * as z from 'zod';
import { documentId, keepRequest, saveRequest, takeInRequest } from '@apple-cart/contracts';
import { fileName, told, type Issue } from '@apple-cart/core';
import { parseBody } from '../http/parse-body.ts';
import { badInput } from '../http/problems.ts';
import type { DocumentStore } from './document-store.ts';
import type { Kind } from './kind.ts';

/** Validates a document inside a body; its issues keep the path within the document. */
function documentFrom<T, S>(kind: Kind<T, S>, data: unknown): T {
  const read = kind.read(data);
  if (!read.ok) throw badInput(read.issues);
  return read.value;
}

/** Several documents: issues are told by the row, and an id comes once. */
function documentsFrom<T, S>(kind: Kind<T, S>, list: readonly unknown[]): readonly T[] {
  const issues: Issue[] = [];
  const documents = list.flatMap((data, i) => {
    const read = kind.read(data);
    if (read.ok) return [read.value];
    issues.push(...read.issues.map((issue) => ({ ...issue, path: `${String(i)}.${issue.path}` })));
    return [];
  });
  if (issues.length > 0) throw badInput(told(issues));
  const ids = documents.map((document) => kind.ownId?.(document));
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice !== undefined)
    throw badInput([{ code: 'text', path: 'id', actual: twice, limit: 'an id only once' }]);
  return documents;
}

const revisionId = z.coerce.number().int().min(1);

/**
 * The addresses that every kind of stored document has: list, create, read, save, put away, bring back, take in, and its
 * versions.
 */
export function storeRoutes<T, S>(store: DocumentStore<T, S>): Router {
  const router = Router();
  const { kind } = store;

  router.get('/', async (_request, response) => {
    response.json(kind.summarize === undefined ? await store.list() : await store.summaries());
  });

  router.post('/', async (request, response) => {
    response.status(201).json(await store.create(documentFrom(kind, request.body)));
  });

  router.post('/import', async (request, response) => {
    if (kind.ownId === undefined)
      throw badInput([{ code: 'choice', path: '', actual: 'import', limit: 'one at a time' }]);
    const { documents } = parseBody(takeInRequest, request.body);
    response.json(await store.takeIn(documentsFrom(kind, documents)));
  });

  router.get('/:id', async (request, response) => {
    response.json(await store.get(request.params.id));
  });

  /** As it lies there, so that what cannot be read any more can be looked at and mended by hand. */
  router.get('/:id/as-stored', async (request, response) => {
    const text = await store.raw(request.params.id);
    response
      .attachment(fileName(`${kind.word} ${request.params.id}`, 'json'))
      .type('text/plain')
      .send(text);
  });

  router.put('/:id', async (request, response) => {
    const { document, ...rest } = parseBody(saveRequest, request.body);
    const id = parseBody(documentId, request.params.id);
    response.json(await store.put(id, { ...rest, document: documentFrom(kind, document) }));
  });

  router.delete('/:id', async (request, response) => {
    await store.putAway(request.params.id);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    response.json(await store.restore(request.params.id));
  });

  router.get('/:id/revisions', async (request, response) => {
    const { id } = await store.get(request.params.id);
    response.json(await store.revisions.list(id));
  });

  router.post('/:id/revisions', async (request, response) => {
    const kept = parseBody(keepRequest, request.body);
    const document = documentFrom(kind, kept.document);
    const row = await store.get(request.params.id);
    response.status(201).json(await store.revisions.keep(row, kept, document));
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    const revision = parseBody(revisionId, request.params.revision);
    response.json(await store.revisions.get(request.params.id, revision));
  });

  router.delete('/:id/pin', async (request, response) => {
    const { id } = await store.get(request.params.id);
    await store.revisions.unpin(id);
    response.status(204).end();
  });

  return router;
}
