import { join } from 'node:path';
import { Router } from 'express';
import { AppError, YardError } from '../errors.js';
import { type DailyBackups, isBackupName } from '../keep/daily.js';
import { jsonBody } from './reading.js';

/** `/backups`: what there is, a new one now, and each to take away. Bringing one back is the command line's: the yard must be closed. */
export function backupRoutes(backups: DailyBackups): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(backups.list()));
  router.post('/', jsonBody(1024), async (_request, response) => {
    try {
      const { file: _place, ...made } = await backups.asked();
      response.status(201).json(made);
    } catch (error) {
      if (error instanceof YardError) throw new AppError(507, 'no-backup', '', '', error.message, 60);
      throw error;
    }
  });
  router.get('/:name', (request, response, next) => {
    const { name } = request.params;
    if (!isBackupName(name) || !backups.list().backups.some((b) => b.name === name))
      throw new AppError(404, 'unknown', 'name', 'a backup on the list', `There is no backup "${name.slice(0, 60)}".`);
    response.download(join(backups.folder, name), name, { dotfiles: 'allow' }, (error) => {
      if (error && !response.headersSent) next(error);
    });
  });
  return router;
}
