import { findSum, SUMS } from '@pozzo/core';
import { Router } from 'express';
import { AppError, InvalidError } from '../errors.js';
import type { Work } from '../work/work.js';
import { jsonBody } from './reading.js';

const SUM_BODY = 16_384;

/** `/sums`: quick sums, reckoned away from what serves saves. */
export function sumRoutes(work: Work): Router {
  const router = Router();
  router.get('/', (_request, response) => {
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
  router.post('/:name', jsonBody(SUM_BODY), async (request, response) => {
    const name = request.params['name'];
    if (!findSum(name)) throw new AppError(404, 'unknown', 'name', SUMS.map((s) => s.name).join(', '), `There is no sum "${name.slice(0, 60)}".`);
    const given = request.body as unknown;
    if (typeof given !== 'object' || given === null || Array.isArray(given))
      throw new AppError(400, 'type', '', 'object', 'A sum takes a JSON object of inputs.');
    const done = await work.run('sum', { name, typed: given as Record<string, unknown> });
    if (!done.ok) throw new InvalidError(done.problems);
    response.json(done.value);
  });
  return router;
}
