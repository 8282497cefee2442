import { Router } from 'express';
import type { DailyBackup } from './daily.ts';

/** /api/backup: whether there are daily backups, where, and of which days. */
export function backupRoutes(daily: DailyBackup): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await daily.state());
  });
  return router;
}
