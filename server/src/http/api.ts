import { KIND_NAMES, type KindName, pathOf } from '@pozzo/core';
import { type Request, type Response, Router } from 'express';
import { AppError } from '../errors.js';
import type { DailyBackups } from '../keep/daily.js';
import type { Work } from '../work/work.js';
import { backupRoutes } from './backups.js';
import type { Yard } from '../store/yard.js';
import { buildRoutes } from './builds.js';
import { demandJson } from './guard.js';
import { atMost } from './limits.js';
import { recordRoutes } from './records.js';
import { sumRoutes } from './sums.js';

export interface ApiOptions {
  readonly yard: Yard;
  /** Told of each build that was saved. */
  readonly saved: (id: string) => void;
  readonly work: Work;
  readonly backups?: DailyBackups;
  /** Writes and sums in a minute. */
  readonly aMinute: number;
}

/** `/api/v1`: records of every kind, sums, backups. */
export function api({ aMinute, backups, yard, work, saved }: ApiOptions): Router {
  const router = Router();
  router.use(demandJson);
  router.get('/health', (_request, response) => void response.json({ ok: true }));
  const routesOf: { readonly [K in KindName]: Router } = {
    build: buildRoutes({ store: yard.build, work, saved }),
    workshop: recordRoutes({ store: yard.workshop, work }),
  };
  for (const kind of KIND_NAMES) router.use(`/${pathOf(kind)}`, atMost(aMinute), routesOf[kind]);
  router.use('/sums', atMost(aMinute), sumRoutes(work));
  if (backups) router.use('/backups', atMost(6), backupRoutes(backups));
  router.use((request: Request, _response: Response) => {
    throw new AppError(404, 'unknown', '', '', `There is nothing at ${request.method} ${request.originalUrl.slice(0, 100)}.`);
  });
  return router;
}
