import { Router } from 'express';
import * as z from 'zod';
import { recordRequest } from '@apple-cart/contracts';
import { RECORD_PARENTS, isRecordKind, readRecord, type RecordKind } from '@apple-cart/core';
import { parseBody } from '../http/parse-body.ts';
import { badInput } from '../http/problems.ts';
import type { RecordStore } from './record-store.ts';

const kindWord = z.string();

function kindOf(word: string): RecordKind {
  if (isRecordKind(word)) return word;
  throw badInput([
    { code: 'choice', path: 'kind', actual: word, limit: Object.keys(RECORD_PARENTS).join(', ') },
  ]);
}

/** /api/records?kind=KIND: records of one kind of every build, for what a shop learns from all its machines. */
export function recordsEverywhereRoutes(store: RecordStore): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const { kind } = request.query;
    response.json(await store.everywhere(kindOf(typeof kind === 'string' ? kind : '')));
  });
  return router;
}

/** /api/builds/:id/records: what happened to a build, listed in its order and added to. */
export function recordsRoutes(store: RecordStore): Router {
  const router = Router({ mergeParams: true });

  router.get('/', async (request, response) => {
    const { id } = request.params as unknown as { id: string };
    const asked = z.array(kindWord).or(kindWord).optional().safeParse(request.query['kind']);
    const words = asked.success ? asked.data : undefined;
    const kinds = words === undefined ? undefined : [words].flat().map(kindOf);
    response.json(await store.list(id, kinds));
  });

  router.post('/', async (request, response) => {
    const { id } = request.params as unknown as { id: string };
    const { key, kind: word, parent, data } = parseBody(recordRequest, request.body);
    const kind = kindOf(word);
    const read = readRecord(kind, data);
    if (!read.ok) throw badInput(read.issues.map((issue) => ({ ...issue, path: `data.${issue.path}` })));
    const answer = await store.append(id, { key, kind, parent, data: read.value });
    response.status(answer.known ? 200 : 201).json(answer);
  });

  return router;
}
