import { Router } from 'express';
import { fileName, type BuildDocument } from '@apple-cart/core';
import type { DocumentStore } from '../store/document-store.ts';
import { storeRoutes } from '../store/store-routes.ts';

/** /api/builds: what every document has, and besides it export under the build's name. */
export function buildsRoutes(store: DocumentStore<BuildDocument>): Router {
  const router = Router();

  router.get('/:id/export', async (request, response) => {
    const { document } = await store.get(request.params.id);
    response
      .attachment(fileName(document.name, 'json'))
      .type('application/json')
      .send(`${JSON.stringify(document, null, 2)}\n`);
  });

  router.use(storeRoutes(store));
  return router;
}
