import compression from 'compression';
import express, { type Express } from 'express';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { buildJsonSchema } from '@apple-cart/core';
import { backupRoutes } from './backup/backup-routes.ts';
import type { DailyBackup } from './backup/daily.ts';
import { buildsRoutes } from './builds/builds-routes.ts';
import type { Database } from './database/database.ts';
import type { Evaluator } from './evaluate/evaluator.ts';
import { jsonWrites, securityHeaders } from './http/guards.ts';
import { badInput, problemHandler, unknownRoute } from './http/problems.ts';
import { bookInForce } from './rules/book-in-force.ts';
import { instrumentsRoutes } from './instruments/instruments-routes.ts';
import { jobRoutes } from './job-file/job-routes.ts';
import { logsRoutes } from './logs/logs-routes.ts';
import { photosRoutes } from './photos/photos-routes.ts';
import { recordsEverywhereRoutes, recordsRoutes } from './records/records-routes.ts';
import { rulesRoutes } from './rules/rules-routes.ts';
import { whoMayAsk } from './sharing/guard.ts';
import type { Sharing } from './sharing/sharing.ts';
import { sharingRoutes } from './sharing/sharing-routes.ts';
import { storeRoutes } from './store/store-routes.ts';
import type { Stores } from './stores.ts';

export interface AppParts {
  readonly database: Database;
  readonly stores: Stores;
  readonly daily: DailyBackup;
  readonly evaluator: Evaluator;
  /** Whether and to whom other devices of the network are let in. */
  readonly sharing: Sharing;
  readonly log: Logger;
  /** Folder of the built web application; undefined serves the interface to programs only. */
  readonly webFolder: string | undefined;
}

/** Largest body accepted, bytes: a build document is about 6 kB. */
export const BODY_LIMIT = 256 * 1024;
/** A route may carry the positions that it was recorded by: 50,000 points are about 2.5 MB. */
const ROUTE_LIMIT = 6 * 1024 * 1024;

function api({ database, stores, daily, evaluator, sharing }: AppParts): express.Router {
  const { builds, parts, routes, rules, records, photos, logs, imports } = stores;
  const rulesNow = bookInForce(database, rules);
  const router = express.Router();
  // A photograph is no JSON: its address takes bytes, and looks at them.
  router.use('/builds/:id/photos', photosRoutes(photos));
  // Nor is a recording: it is read as it comes.
  router.use('/builds/:id/logs', logsRoutes(logs, imports, records));
  router.use('/jobs', jobRoutes(stores, database, rulesNow));
  router.use(jsonWrites);
  router.use('/routes', express.json({ limit: ROUTE_LIMIT, strict: false }));
  router.use(express.json({ limit: BODY_LIMIT, strict: false }));
  router.get('/health', (_request, response) => {
    response.json({ ok: true });
  });
  router.use('/share', sharingRoutes(sharing));
  router.use('/builds/:id/instruments', instrumentsRoutes(stores, rulesNow));
  router.use('/builds/:id/records', recordsRoutes(records));
  router.use('/records', recordsEverywhereRoutes(records));
  router.use('/builds', buildsRoutes(builds));
  router.use('/parts', storeRoutes(parts));
  router.use('/routes', storeRoutes(routes));
  router.use('/rules', rulesRoutes(rules));
  router.use('/backup', backupRoutes(daily));
  router.get('/schema/build.json', (_request, response) => {
    response.json(buildJsonSchema());
  });
  router.post('/evaluate', async (request, response) => {
    const evaluated = await evaluator.evaluate(request.body, await rulesNow());
    if ('issues' in evaluated) throw badInput(evaluated.issues);
    response.type('application/json').send(evaluated.verdict);
  });
  router.use(unknownRoute);
  return router;
}

/** Builds the application from its parts; listening is somebody else's business. */
export function createApp(injected: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders, whoMayAsk(injected.sharing));
  // Answers stay on this machine: packing them only takes its time from others (p95 beside fifty verdicts: 90 against 55 ms).
  app.use('/api', api(injected));
  app.use(compression());
  const { webFolder } = injected;
  if (webFolder !== undefined) {
    app.use(
      '/assets',
      express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
    );
    app.use(express.static(webFolder, { index: false }));
    app.get('/{*path}', (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(webFolder, 'index.html'));
    });
  }
  app.use(unknownRoute);
  app.use(problemHandler(injected.log));
  return app;
}
