import { Router, type Request } from 'express';
import * as z from 'zod';
import { MOST_LOG_BYTES, logImport, recordKey, type LogProgress } from '@apple-cart/contracts';
import { jsonText, logColumns, readRecord } from '@apple-cart/core';
import { eventStream } from '../http/event-stream.ts';
import { parseBody } from '../http/parse-body.ts';
import { Problem, badInput } from '../http/problems.ts';
import type { RecordStore } from '../records/record-store.ts';
import { tooLargeLog, type LogImports } from './log-imports.ts';
import type { LogStore } from './log-store.ts';

const windowQuery = z.object({
  columns: z
    .string()
    .max(400)
    .transform((text) => text.split(',')),
  from: z.coerce.number().int().min(0).default(0),
  to: z.coerce.number().int().min(0).default(Number.MAX_SAFE_INTEGER),
  most: z.coerce.number().int().min(10).max(20_000).default(4000),
});
/** How often the progress is told, ms. */
const EVERY_MS = 200;

const idOf = (request: Request): string => (request.params as unknown as { id: string }).id;

function about(query: unknown) {
  const text = z.object({ about: z.string().max(20_000) }).safeParse(query);
  const json = text.success ? jsonText(text.data.about) : undefined;
  if (json?.ok !== true)
    throw badInput([
      { code: 'json', path: 'about', actual: undefined, limit: 'columns, ride and bad, as JSON' },
    ]);
  const { columns, ride, bad } = parseBody(logImport, json.value);
  const read = readRecord('ride', ride);
  if (!read.ok) throw badInput(read.issues.map((issue) => ({ ...issue, path: `ride.${issue.path}` })));
  return {
    columns: columns === null ? undefined : parseBody(logColumns, columns),
    ride: read.value,
    bad,
  };
}

/** /api/builds/:id/logs: recordings of rides, taken in as they come, and read by the window. */
export function logsRoutes(logs: LogStore, imports: LogImports, records: RecordStore): Router {
  const router = Router({ mergeParams: true });

  router.get('/', async (request, response) => {
    response.json({ logs: await logs.list(idOf(request)) });
  });

  router.get('/:key', async (request, response) => {
    const asked = parseBody(windowQuery, request.query);
    response.json(await logs.window(idOf(request), request.params.key, asked));
  });

  router.get('/:key/progress', (request, response) => {
    const { key } = request.params;
    const over: LogProgress = { state: 'over', rows: 0, bytes: 0 };
    let seen = false;
    eventStream(response, EVERY_MS, () => {
      const progress = imports.progress(key);
      // Whoever asks a moment before the file arrives waits for it.
      const value = progress ?? (seen ? over : { ...over, state: 'waiting' as const });
      const last = seen && progress === undefined;
      seen ||= progress !== undefined;
      return { value, last };
    });
  });

  router.delete('/:key/import', (request, response) => {
    response.json({ stopped: imports.stop(request.params.key) });
  });

  router.post('/:key/import', async (request, response) => {
    const key = parseBody(recordKey, request.params.key);
    const asked = about(request.query);
    if (Number(request.get('content-length') ?? 0) > MOST_LOG_BYTES) throw tooLargeLog();
    if (await logs.has(key)) throw new Problem(409, 'another-record', 'A recording was kept under this key.');
    const { known, at } = await records.mayHold(idOf(request), key, 'ride');
    // A page that is closed stops what it began.
    response.on('close', () => {
      if (!response.writableEnded) imports.stop(key);
    });
    const taken = await imports.take(
      {
        key,
        buildId: idOf(request),
        at,
        source: request.get('x-file-name')?.slice(0, 120) ?? '',
        known,
        ...asked,
      },
      request,
    );
    response.status(201).json(taken);
  });

  return router;
}
