import { randomUUID } from 'node:crypto';
import { AddBody, type BuildPage, IdText, type RigDocument, SaveBody } from '@pozzo/core';
import { type Request, Router } from 'express';
import * as v from 'valibot';
import { AppError, InvalidError } from '../errors.js';
import type { BuildStore } from '../store/builds.js';
import type { RevisionStore } from '../store/revisions.js';
import { inlineWork, type Work } from '../work/work.js';
import { jsonBody, read } from './reading.js';

/** Most that a request with a document may bring: the largest document, and what stands around it. */
export const BUILD_BODY = 1_010_000;
const SMALL_BODY = 16_384;
/** Largest body whose document is read where it came in: some ten milliseconds. */
const READ_AT_ONCE = 60_000;

const whole = (least: number, most: number, otherwise: number) =>
  v.optional(
    v.pipe(
      v.string(),
      v.regex(/^\d{1,9}$/, 'This is a whole number.'),
      v.transform(Number),
      v.minValue(least, `At least ${least}.`),
      v.maxValue(most, `At most ${most}.`),
    ),
    String(otherwise),
  );
const PageQuery = v.object({
  from: whole(0, 1_000_000, 0),
  count: whole(1, 200, 100),
  find: v.optional(v.pipe(v.string(), v.maxLength(80, 'At most 80 characters.')), ''),
  deleted: v.optional(v.picklist(['0', '1']), '0'),
});
const RevisionsQuery = v.object({ before: whole(1, 999_999_999, 999_999_999), count: whole(1, 50, 20) });
const VersionParam = v.pipe(v.string(), v.regex(/^[1-9]\d{0,8}$/, 'A version is a whole number.'), v.transform(Number));

export interface BuildRoutes {
  readonly store: BuildStore;
  readonly revisions: RevisionStore;
  readonly work: Work;
  /** Told of each build that was saved. */
  readonly saved: (id: string) => void;
}

/** `/builds`: the yard, its builds and their versions. */
export function buildRoutes({ store, revisions, work, saved }: BuildRoutes): Router {
  const router = Router();
  const small = jsonBody(SMALL_BODY);
  const large = jsonBody(BUILD_BODY);

  /** A usual document is read at once; a large one may take long and is read elsewhere. */
  const document = async (request: Request, input: unknown): Promise<RigDocument> => {
    const bytes = Number(request.headers['content-length'] ?? Infinity);
    const done = await (bytes <= READ_AT_ONCE ? inlineWork : work).run('read', { document: input });
    if (!done.ok) throw new InvalidError(done.problems, 'document');
    return done.document;
  };

  router.get('/', async (request, response) => {
    const { from, count, find, deleted } = read(PageQuery, request.query);
    const { lines, total, all } = await store.page({ from, count, find, deleted: deleted === '1' });
    response.json({ builds: lines, from, total, all } satisfies BuildPage);
  });
  router.post('/', large, async (request, response) => {
    const { id, request: name, document: given } = read(AddBody, request.body);
    const added = await store.add(id ?? randomUUID(), await document(request, given), { request: name });
    saved(added.id);
    response.status(201).location(`/api/v1/builds/${added.id}`).json(added);
  });
  router.get('/:id', async (request, response) => {
    response.json(await store.get(request.params.id));
  });
  router.get('/:id/rig.json', async (request, response) => {
    const { id, document: d } = await store.get(request.params.id);
    response.attachment(`${id}.json`).send(`${JSON.stringify(d, null, 2)}\n`);
  });
  router.get('/:id/network.inp', async (request, response) => {
    const { id, document: d } = await store.get(request.params.id);
    response
      .attachment(`${id}.inp`)
      .type('text/plain')
      .send(await work.run('inp', { document: d }));
  });
  router.put('/:id', large, async (request, response) => {
    const { version, document: given, request: name, unanswered } = read(SaveBody, request.body);
    const done = await store.save(read(IdText, request.params['id'], 'id'), version, await document(request, given), { request: name, unanswered });
    saved(done.id);
    response.json(done);
  });
  router.delete('/:id', async (request, response) => {
    await store.remove(request.params.id);
    response.status(204).end();
  });
  router.post('/:id/restore', small, async (request, response) => {
    const back = await store.restore(request.params.id);
    saved(back.id);
    response.json(back);
  });

  router.get('/:id/revisions', async (request, response) => {
    const { before, count } = read(RevisionsQuery, request.query);
    const { revisions: list, total } = await revisions.list(request.params.id, before, count);
    const told = list.slice(0, count);
    // The oldest of all is the beginning: nothing changed before it.
    const changes = await work.run('changes', { documents: list.map((r) => r.document), most: 6 });
    response.json({
      total,
      revisions: told.map((r, i) => ({
        version: r.version,
        savedAt: r.savedAt,
        ...(changes[i] ?? { changed: [r.version === 1 ? 'Begun.' : 'The oldest version that is kept.'], more: 0 }),
      })),
    });
  });
  router.get('/:id/revisions/:version', async (request, response) => {
    response.json(await revisions.get(request.params.id, read(VersionParam, request.params.version, 'version')));
  });
  router.use((request) => {
    throw new AppError(404, 'unknown', '', '', `There is nothing at ${request.method} ${request.originalUrl.slice(0, 100)}.`);
  });
  return router;
}
