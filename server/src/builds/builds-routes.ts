import { Router } from 'express';
import * as z from 'zod';
import { fileName } from '@apple-cart/core';
import { keepRequest } from '@apple-cart/contracts';
import { parseBody } from '../http/parse-body.ts';
import { documentFrom, storeRoutes } from '../store/store-routes.ts';
import { buildKind, type Builds } from './builds.ts';

const revisionId = z.coerce.number().int().min(1);

/** /api/builds: what every document has, and besides it export, versions and the pin. */
export function buildsRoutes({ store, revisions }: Builds): Router {
  const router = Router();

  router.get('/:id/export', async (request, response) => {
    const { document } = await store.get(request.params.id);
    response
      .attachment(fileName(document.name, 'json'))
      .type('application/json')
      .send(`${JSON.stringify(document, null, 2)}\n`);
  });

  router.get('/:id/revisions', async (request, response) => {
    const { id } = await store.get(request.params.id);
    response.json(await revisions.list(id));
  });

  router.post('/:id/revisions', async (request, response) => {
    const kept = parseBody(keepRequest, request.body);
    const document = documentFrom(buildKind, kept.document);
    const build = await store.get(request.params.id);
    response.status(201).json(await revisions.keep(build, kept, document));
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    const revision = parseBody(revisionId, request.params.revision);
    response.json(await revisions.get(request.params.id, revision));
  });

  router.delete('/:id/pin', async (request, response) => {
    const { id } = await store.get(request.params.id);
    await revisions.unpin(id);
    response.status(204).end();
  });

  router.use(storeRoutes(store));
  return router;
}
