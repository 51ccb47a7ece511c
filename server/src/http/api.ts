import { randomUUID } from 'node:crypto';
import { assess, doSum, findSum, parseRig, type Problem, readRig, rigInp, type RigDocument, SUMS } from '@pozzo/core';
import { type Request, type Response, Router } from 'express';
import * as v from 'valibot';
import type { Build, BuildStore } from '../store/builds.js';
import { AppError, InvalidError } from './errors.js';

const ID = v.pipe(v.string(), v.regex(/^[A-Za-z0-9-]{1,64}$/, 'An id is up to 64 letters, digits and dashes.'));
const AddBody = v.strictObject({ id: v.optional(ID), document: v.unknown() });
const SaveBody = v.strictObject({
  version: v.pipe(v.number(), v.integer('A version is a whole number.'), v.minValue(1, 'A version is at least 1.')),
  document: v.unknown(),
});

function body<T extends v.GenericSchema>(schema: T, request: Request): v.InferOutput<T> {
  const read = v.safeParse(schema, request.body);
  if (read.success) return read.output;
  const problems: Problem[] = read.issues.map((i) => ({
    code: i.type,
    path: (i.path ?? []).map((p) => String(p.key)).join('.'),
    bound: i.expected ?? '',
    message: /^Invalid/.test(i.message)
      ? `"${(i.path ?? []).map((p) => String(p.key)).join('.') || 'body'}" must be ${i.expected ?? 'something else'}, not ${i.received}.`
      : i.message,
  }));
  throw new InvalidError(problems);
}

function rigDocument(input: unknown): RigDocument {
  const read = readRig(input);
  if (!read.ok) throw new InvalidError(read.problems, 'document');
  return read.document;
}

/** A build's line in the yard, its verdict worked out from the document. */
export function summary(build: Build): object {
  const read = readRig(build.document);
  const base = { id: build.id, version: build.version, updatedAt: build.updatedAt, name: build.document.name, customer: build.document.customer };
  if (!read.ok) return { ...base, verdict: 'stop', headline: { template: read.problems[0].message, values: {} }, machines: 0, tanks: 0 };
  const a = assess(read.rig);
  return { ...base, verdict: a.verdict, headline: a.headline, machines: read.rig.machines.length, tanks: read.rig.tanks.length };
}

/** Summaries by id and version: a version never changes, so its summary does not either. */
class SummaryCache {
  private readonly byId = new Map<string, { version: number; value: object }>();

  of(build: Build): object {
    const known = this.byId.get(build.id);
    if (known?.version === build.version) return known.value;
    const value = summary(build);
    this.byId.set(build.id, { version: build.version, value });
    return value;
  }
}

/** `/api/v1`: builds and sums. */
export function api(store: BuildStore): Router {
  const router = Router();
  const summaries = new SummaryCache();

  router.get('/health', (_request, response) => void response.json({ ok: true }));

  router.get('/builds', async (_request, response) => {
    response.json({ builds: (await store.list()).map((b) => summaries.of(b)) });
  });
  router.post('/builds', async (request, response) => {
    const { id, document } = body(AddBody, request);
    const added = await store.add(id ?? randomUUID(), rigDocument(document));
    response.status(201).location(`/api/v1/builds/${added.id}`).json(added);
  });
  router.get('/builds/:id', async (request, response) => {
    response.json(await store.get(request.params.id));
  });
  router.get('/builds/:id/rig.json', async (request, response) => {
    const { id, document } = await store.get(request.params.id);
    response.attachment(`${id}.json`).send(`${JSON.stringify(document, null, 2)}\n`);
  });
  router.get('/builds/:id/network.inp', async (request, response) => {
    const { id, document } = await store.get(request.params.id);
    response
      .attachment(`${id}.inp`)
      .type('text/plain')
      .send(rigInp(parseRig(document)));
  });
  router.put('/builds/:id', async (request, response) => {
    const { version, document } = body(SaveBody, request);
    const saved = await store.save(request.params.id, version, rigDocument(document));
    response.json({ id: saved.id, version: saved.version, updatedAt: saved.updatedAt });
  });
  router.delete('/builds/:id', async (request, response) => {
    await store.remove(request.params.id);
    response.status(204).end();
  });
  router.post('/builds/:id/restore', async (request, response) => {
    response.json(await store.restore(request.params.id));
  });

  router.get('/sums', (_request, response) => {
    response.json({
      sums: SUMS.map((s) => ({
        name: s.name,
        title: s.title,
        inputs: s.inputs.map(({ name, label, rule, fallback }) => ({
          name,
          label,
          dimension: rule.dimension,
          min: rule.min,
          max: rule.max,
          default: fallback,
        })),
        outputs: s.outputs,
      })),
    });
  });
  router.post('/sums/:name', (request, response) => {
    const sum = findSum(request.params.name);
    if (!sum) throw new AppError(404, 'unknown', 'name', SUMS.map((s) => s.name).join(', '), `There is no sum "${request.params.name.slice(0, 60)}".`);
    const given = request.body as unknown;
    if (typeof given !== 'object' || given === null || Array.isArray(given))
      throw new AppError(400, 'type', '', 'object', 'A sum takes a JSON object of inputs.');
    const done = doSum(sum, given as Record<string, unknown>);
    if (!done.ok) throw new InvalidError(done.problems);
    response.json(done.value);
  });

  router.use((request: Request, _response: Response) => {
    throw new AppError(404, 'unknown', '', '', `There is nothing at ${request.method} ${request.originalUrl.slice(0, 100)}.`);
  });
  return router;
}
