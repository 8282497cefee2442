import { Router } from 'express';
import * as z from 'zod';
import {
  SIMULATED_FAULTS,
  evaluate,
  jobOf,
  simulatedBench,
  simulatedProgrammer,
  type BuildDocument,
  type RuleBook,
} from '@apple-cart/core';
import { eventStream } from '../http/event-stream.ts';
import { parseBody } from '../http/parse-body.ts';
import { notFound } from '../http/problems.ts';
import type { DocumentStore } from '../store/document-store.ts';

const measureQuery = z.object({
  point: z.string().max(90),
  seed: z.coerce.number().int().min(0).max(1e9).default(1),
  fault: z.enum(SIMULATED_FAULTS).default('none'),
});
const writeBody = z.object({
  seed: z.number().int().min(0).max(1e9).default(1),
  settings: z
    .record(z.string().max(60), z.number().min(-1e6).max(1e6))
    .refine((all) => Object.keys(all).length <= 100),
});

/** A meter settles a few times a second. */
const EVERY_MS = 250;
/** After so many readings the stream ends by itself. */
const MOST_READINGS = 40;

/** /api/builds/:id/instruments: simulated stand-ins for what is plugged in at a bench. Each answer says so. */
export function instrumentsRoutes(
  store: DocumentStore<BuildDocument>,
  book: () => Promise<RuleBook>,
): Router {
  const router = Router({ mergeParams: true });
  const idOf = (params: unknown): string => (params as { id: string }).id;

  router.get('/measure', async (request, response) => {
    const { point: key, seed, fault } = parseBody(measureQuery, request.query);
    const { document } = await store.get(idOf(request.params));
    const verdict = evaluate(document, await book());
    const point = verdict.bench.find((p) => p.key === key);
    const bench = simulatedBench(jobOf(verdict.study), seed, fault);
    if (point === undefined || bench.read(point) === undefined)
      throw notFound('measurement by this instrument');
    let left = MOST_READINGS;
    eventStream(response, EVERY_MS, () => {
      left -= 1;
      const { name: instrument, simulated } = bench;
      return { value: { instrument, simulated, readings: bench.read(point) }, last: left === 0 };
    });
  });

  router.post('/program', async (request, response) => {
    const { seed, settings } = parseBody(writeBody, request.body);
    await store.get(idOf(request.params));
    const programmer = simulatedProgrammer(seed);
    response.json({
      instrument: programmer.name,
      simulated: programmer.simulated,
      settings: programmer.write(settings),
    });
  });

  return router;
}
