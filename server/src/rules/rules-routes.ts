import { Router } from 'express';
import * as z from 'zod';
import { readRules, type PlaceRules } from '@apple-cart/core';
import { parseBody } from '../http/parse-body.ts';
import { badInput } from '../http/problems.ts';
import type { RulesService } from './rules-service.ts';

const saveBody = z.object({ baseVersion: z.number().int().min(0), rules: z.unknown() });

function rulesFrom(data: unknown, id: string): PlaceRules {
  const read = readRules(data);
  if (!read.ok) throw badInput(read.issues);
  if (read.value.id !== id)
    throw badInput([{ code: 'text', path: 'id', actual: read.value.id, limit: `"${id}"` }]);
  return read.value;
}

/** /api/rules: the book in force; add, correct, take out and put back. */
export function rulesRoutes(service: RulesService): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await service.book());
  });

  router.put('/:id', async (request, response) => {
    const { baseVersion, rules } = parseBody(saveBody, request.body);
    response.json(await service.save(rulesFrom(rules, request.params.id), baseVersion));
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
