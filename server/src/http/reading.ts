import { MOST_PROBLEMS, type Problem } from '@pozzo/core';
import * as v from 'valibot';
import { InvalidError } from '../errors.js';

/**
 * Reads what came in under a schema.
 * @param name of the value itself, where it is no object
 * @throws {InvalidError} with a problem a field
 */
export function read<T extends v.GenericSchema>(schema: T, input: unknown, name = ''): v.InferOutput<T> {
  const done = v.safeParse(schema, input);
  if (done.success) return done.output;
  const problems: Problem[] = done.issues.slice(0, MOST_PROBLEMS).map((i) => {
    const path = [name, ...(i.path ?? []).map((p) => String(p.key))].filter(Boolean).join('.');
    return {
      code: i.type,
      path,
      bound: i.expected ?? '',
      message: /^Invalid/.test(i.message) ? `"${path || 'body'}" must be ${i.expected ?? 'something else'}, not ${i.received}.` : i.message,
    };
  });
  throw new InvalidError(problems);
}
