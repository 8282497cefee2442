import { Router } from 'express';
import * as z from 'zod';
import { recordKey } from '@apple-cart/contracts';
import {
  LOGGER_FAULTS,
  SIMULATED_FAULTS,
  evaluate,
  jobOf,
  readRecord,
  simulatedBench,
  simulatedLog,
  simulatedProgrammer,
  type RuleBook,
} from '@apple-cart/core';
import { eventStream } from '../http/event-stream.ts';
import { parseBody } from '../http/parse-body.ts';
import { Problem, badInput, notFound } from '../http/problems.ts';
import type { Stores } from '../stores.ts';

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

/** How a ride is simulated: everything that chance and the day decide. */
const rideQuery = z.object({
  route: z.string().max(60),
  effort: z.enum(['cruise', 'full']).default('cruise'),
  seed: z.coerce.number().int().min(0).max(1e9).default(1),
  windMs: z.coerce.number().min(0).max(20).default(0),
  windFromDeg: z.coerce.number().min(0).max(360).optional(),
  airC: z.coerce.number().min(-20).max(45).default(15),
  fault: z.enum(LOGGER_FAULTS).default('none'),
});
const rideBody = z.object({ key: recordKey, ride: z.unknown(), how: rideQuery });
/** The live view goes faster than the road: so many rows a message, so often. */
const ROWS_AT_ONCE = 20;
const LIVE_MS = 100;

/** A meter settles a few times a second. */
const EVERY_MS = 250;
/** After so many readings the stream ends by itself. */
const MOST_READINGS = 40;

/** /api/builds/:id/instruments: simulated stand-ins for what is plugged in at a bench. Each answer says so. */
export function instrumentsRoutes(
  { builds: store, routes, records, imports }: Stores,
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

  /** The log of a build over a road, as the stand-in rode it. */
  const ridden = async (id: string, { route, ...how }: z.infer<typeof rideQuery>) => {
    const { document } = await store.get(id);
    const { document: road } = await routes.get(route);
    const { windFromDeg } = how;
    return simulatedLog(document, { ...how, windFromDeg, route: road, truth: {}, standsS: 0 });
  };

  router.get('/ride', async (request, response) => {
    const log = await ridden(idOf(request.params), parseBody(rideQuery, request.query));
    let row = 0;
    eventStream(response, LIVE_MS, () => {
      row = Math.min(log.seconds.length - 1, row + ROWS_AT_ONCE);
      const values = Object.entries(log.columns).map(([id, column]) => [id, column[row] ?? null]);
      return {
        value: {
          instrument: 'Simulated logger',
          simulated: true,
          row,
          rows: log.seconds.length,
          seconds: log.seconds[row],
          ...Object.fromEntries(values),
        },
        last: row >= log.seconds.length - 1,
      };
    });
  });

  router.post('/ride', async (request, response) => {
    const id = idOf(request.params);
    const { key, ride, how } = parseBody(rideBody, request.body);
    const read = readRecord('ride', ride);
    if (!read.ok) throw badInput(read.issues.map((issue) => ({ ...issue, path: `ride.${issue.path}` })));
    const { known, at } = await records.mayHold(id, key, 'ride');
    if (known) throw new Problem(409, 'another-record', 'A ride was kept under this key.');
    const log = await ridden(id, how);
    const kept = { ...read.value, simulated: true };
    await imports.keep({ key, buildId: id, at, source: 'Simulated logger', ride: kept, known }, log);
    response.status(201).json({ key, rows: log.seconds.length, skipped: 0, bad: [] });
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
