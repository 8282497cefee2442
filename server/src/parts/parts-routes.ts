import { Router } from 'express';
import * as z from 'zod';
import { issuesFromZod, part, type Issue, type Part } from '@apple-cart/core';
import { parseBody } from '../http/parse-body.ts';
import { badInput } from '../http/problems.ts';
import type { PartsService } from './parts-service.ts';

const saveBody = z.object({ baseVersion: z.number().int().min(1).nullable(), part: z.unknown() });
const importBody = z.object({ parts: z.array(z.unknown()).min(1).max(500) });

/** Validates one part; `at` goes before the paths of its issues. */
function partFrom(data: unknown, at = ''): Part | readonly Issue[] {
  const parsed = part.safeParse(data);
  if (parsed.success) return parsed.data;
  return issuesFromZod(parsed.error, data).map((issue) => ({ ...issue, path: `${at}${issue.path}` }));
}

/** /api/parts: list, put on the shelf or change, put away, take in. */
export function partsRoutes(service: PartsService): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ parts: await service.list() });
  });

  router.put('/:id', async (request, response) => {
    const body = parseBody(saveBody, request.body);
    const one = partFrom(body.part);
    if (Array.isArray(one)) throw badInput(one);
    const valid = one as Part;
    if (valid.id !== request.params.id) {
      throw badInput([{ code: 'text', path: 'id', actual: valid.id, limit: `"${request.params.id}"` }]);
    }
    response.json(await service.save(valid, body.baseVersion));
  });

  router.delete('/:id', async (request, response) => {
    await service.remove(request.params.id);
    response.status(204).end();
  });

  router.post('/import', async (request, response) => {
    const { parts } = parseBody(importBody, request.body);
    const read = parts.map((data, i) => partFrom(data, `${String(i)}.`));
    const issues = read.flatMap((one) => (Array.isArray(one) ? (one as readonly Issue[]) : []));
    if (issues.length > 0) throw badInput(issues);
    const valid = read as readonly Part[];
    const twice = valid.find((p, i) => valid.findIndex((q) => q.id === p.id) !== i);
    if (twice !== undefined) {
      throw badInput([{ code: 'text', path: 'id', actual: twice.id, limit: 'an id only once' }]);
    }
    response.json(await service.takeIn(valid));
  });

  return router;
}
