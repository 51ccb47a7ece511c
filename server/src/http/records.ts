import { randomUUID } from 'node:crypto';
import { AddBody, DeedBody, type Documents, IdText, type KindName, KINDS, pathOf, saveBody } from '@pozzo/core';
import { type Request, Router } from 'express';
import * as v from 'valibot';
import { AppError, InvalidError } from '../errors.js';
import type { RecordStore } from '../store/records.js';
import { inlineWork, type Work } from '../work/work.js';
import { jsonBody, read } from './reading.js';

/** What stands around a document in a request, bytes. */
const AROUND = 10_000;
const SMALL_BODY = 16_384;
/** Largest body whose document is read where it came in: some ten milliseconds. */
const READ_AT_ONCE = 60_000;
/** Deeds told beside the versions. */
const MOST_DEEDS = 50;

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

export interface RecordRoutes<K extends KindName> {
  readonly store: RecordStore<K>;
  readonly work: Work;
  /** Told of each record that was saved. */
  readonly saved?: (id: string) => void;
}

/**
 * Records of a kind: each as it stands, its versions, and for kinds with many a list, new ones, deleting and bringing back.
 * @param more further ways to ask for one, before those that any kind has
 */
export function recordRoutes<K extends KindName>(
  { store, work, saved = () => undefined }: RecordRoutes<K>,
  more: (router: Router) => void = () => undefined,
): Router {
  const router = Router();
  const { kept, revisions } = store;
  const isMany = KINDS[kept.name].only === undefined;
  const SaveBody = saveBody(isMany ? 1 : 0);
  const small = jsonBody(SMALL_BODY);
  const large = jsonBody(kept.mostBytes + AROUND);

  /** A usual document is read at once; a large one may take long and is read elsewhere. */
  const document = async (request: Request, input: unknown): Promise<Documents[K]> => {
    const bytes = Number(request.headers['content-length'] ?? Infinity);
    const done = await (bytes <= READ_AT_ONCE ? inlineWork : work).run('read', { kind: kept.name, document: input });
    if (!done.ok) throw new InvalidError(done.problems, 'document');
    return done.document as Documents[K];
  };
  const idOf = (request: Request): string => read(IdText, request.params['id'], 'id');

  more(router);
  if (isMany) {
    router.get('/', async (request, response) => {
      const { from, count, find, deleted } = read(PageQuery, request.query);
      const { lines, total, all } = await store.page({ from, count, find, deleted: deleted === '1' });
      response.json({ [pathOf(kept.name)]: lines, from, total, all });
    });
    router.post('/', large, async (request, response) => {
      const { id, request: name, by, document: given } = read(AddBody, request.body);
      const added = await store.add(id ?? randomUUID(), await document(request, given), { request: name, by });
      saved(added.id);
      response.status(201).location(`${request.baseUrl}/${added.id}`).json(added);
    });
    router.delete('/:id', async (request, response) => {
      await store.remove(request.params.id, read(DeedBody, request.query));
      response.status(204).end();
    });
    router.post('/:id/restore', small, async (request, response) => {
      const back = await store.restore(request.params.id, read(DeedBody, request.body ?? {}));
      saved(back.id);
      response.json(back);
    });
  }
  router.get('/:id', async (request, response) => {
    response.json(await store.get(request.params.id));
  });
  router.put('/:id', large, async (request, response) => {
    const { version, document: given, request: name, unanswered, by } = read(SaveBody, request.body);
    const done = await store.save(idOf(request), version, await document(request, given), { request: name, unanswered, by });
    saved(done.id);
    response.json(done);
  });

  router.get('/:id/revisions', async (request, response) => {
    const { before, count } = read(RevisionsQuery, request.query);
    const [{ revisions: list, total }, deeds] = await Promise.all([
      revisions.list(request.params.id, before, count),
      store.done(request.params.id, MOST_DEEDS),
    ]);
    const told = list.slice(0, count);
    // The oldest of all is the beginning: nothing changed before it.
    const changes = await work.run('changes', { documents: list.map((r) => r.document), most: 6 });
    response.json({
      total,
      revisions: told.map(({ version, savedAt, by }, i) => ({
        version,
        savedAt,
        by,
        ...(changes[i] ?? { changed: [version === 1 ? 'Begun.' : 'The oldest version that is kept.'], more: 0 }),
      })),
      deeds,
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
