import { Router } from 'express';
import * as z from 'zod';
import { readBuild, type BuildDocument } from '@apple-cart/core';
import { parseBody } from '../http/parse-body.ts';
import { badInput } from '../http/problems.ts';
import type { BuildsService } from './builds-service.ts';

/** Validates a build inside a body; its issues keep the path within the document. */
function documentFrom(data: unknown): BuildDocument {
  const result = readBuild(data);
  if (!result.ok) throw badInput(result.issues);
  return result.value;
}

const saveBody = z.object({
  baseVersion: z.number().int().min(1),
  document: z.unknown(),
  keepPrevious: z.string().trim().min(1).max(80).optional(),
});

const keepBody = z.object({
  reason: z.enum(['named', 'pin', 'set-aside']),
  name: z.string().trim().min(1).max(80),
  document: z.unknown(),
});

const revisionId = z.coerce.number().int().min(1);

/** /api/builds: list, create or import, read, save, put away, bring back, revisions, pin, export. */
export function buildsRoutes(service: BuildsService): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ builds: await service.list() });
  });

  router.post('/', async (request, response) => {
    response.status(201).json(await service.create(documentFrom(request.body)));
  });

  router.get('/:id', async (request, response) => {
    response.json(await service.get(request.params.id));
  });

  router.put('/:id', async (request, response) => {
    const { baseVersion, document, keepPrevious } = parseBody(saveBody, request.body);
    response.json(
      await service.save(request.params.id, { baseVersion, document: documentFrom(document), keepPrevious }),
    );
  });

  router.delete('/:id', async (request, response) => {
    await service.remove(request.params.id);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    response.json(await service.restore(request.params.id));
  });

  router.get('/:id/export', async (request, response) => {
    const { document } = await service.get(request.params.id);
    const file = document.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'build';
    response
      .attachment(`${file}.json`)
      .type('application/json')
      .send(`${JSON.stringify(document, null, 2)}\n`);
  });

  router.get('/:id/revisions', async (request, response) => {
    response.json({ revisions: await service.revisions(request.params.id) });
  });

  router.post('/:id/revisions', async (request, response) => {
    const { reason, name, document } = parseBody(keepBody, request.body);
    response.status(201).json(await service.keep(request.params.id, reason, name, documentFrom(document)));
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    const revision = parseBody(revisionId, request.params.revision);
    response.json(await service.revision(request.params.id, revision));
  });

  router.delete('/:id/pin', async (request, response) => {
    await service.unpin(request.params.id);
    response.status(204).end();
  });

  return router;
}
