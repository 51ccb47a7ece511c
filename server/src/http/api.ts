import { type Request, type Response, Router } from 'express';
import { AppError } from '../errors.js';
import type { DailyBackups } from '../keep/daily.js';
import type { Work } from '../work/work.js';
import { backupRoutes } from './backups.js';
import { type BuildRoutes, buildRoutes } from './builds.js';
import { demandJson } from './guard.js';
import { atMost } from './limits.js';
import { sumRoutes } from './sums.js';

export interface ApiOptions extends BuildRoutes {
  readonly work: Work;
  readonly backups?: DailyBackups;
  /** Writes and sums in a minute. */
  readonly aMinute: number;
}

/** `/api/v1`: builds, sums, backups. */
export function api({ aMinute, backups, ...routes }: ApiOptions): Router {
  const router = Router();
  router.use(demandJson);
  router.get('/health', (_request, response) => void response.json({ ok: true }));
  router.use('/builds', atMost(aMinute), buildRoutes(routes));
  router.use('/sums', atMost(aMinute), sumRoutes(routes.work));
  if (backups) router.use('/backups', atMost(6), backupRoutes(backups));
  router.use((request: Request, _response: Response) => {
    throw new AppError(404, 'unknown', '', '', `There is nothing at ${request.method} ${request.originalUrl.slice(0, 100)}.`);
  });
  return router;
}
