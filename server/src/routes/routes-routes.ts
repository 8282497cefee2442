import { Router } from 'express';
import * as z from 'zod';
import { readRoute, type Route } from '@apple-cart/core';
import { parseBody } from '../http/parse-body.ts';
import { badInput } from '../http/problems.ts';
import type { RoutesService } from './routes-service.ts';

const saveBody = z.object({ baseVersion: z.number().int().min(1), route: z.unknown() });

function routeFrom(data: unknown): Route {
  const read = readRoute(data);
  if (!read.ok) throw badInput(read.issues);
  return read.value;
}

/** /api/routes: list, read, add, change, put away. */
export function routesRoutes(service: RoutesService): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ routes: await service.list() });
  });

  router.get('/:id', async (request, response) => {
    response.json(await service.read(request.params.id));
  });

  router.post('/', async (request, response) => {
    response.status(201).json(await service.create(routeFrom(request.body)));
  });

  router.put('/:id', async (request, response) => {
    const { baseVersion, route } = parseBody(saveBody, request.body);
    response.json(await service.save(request.params.id, routeFrom(route), baseVersion));
  });

  router.delete('/:id', async (request, response) => {
    await service.remove(request.params.id);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    response.json(await service.restore(request.params.id));
  });

  return router;
}
