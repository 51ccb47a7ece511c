import { MOST_PROBLEMS, type Problem } from '@pozzo/core';
import { json } from 'express';
import * as v from 'valibot';
import { InvalidError } from '../errors.js';

/** Deepest nesting of a body; a rig document goes to 9. */
export const DEEPEST = 32;
/** Type of the error for a body that goes deeper. */
export const DEEP = 'pozzo.deep';
const QUOTE = 0x22;
const BACKSLASH = 0x5c;

/** Whether brackets open deeper than any body of ours, looked at byte by byte before anything is made of them. */
function isTooDeep(text: Buffer): boolean {
  let depth = 0;
  for (let i = 0, quoted = false; i < text.length; i++) {
    const c = text[i];
    if (quoted) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) quoted = false;
    } else if (c === QUOTE) quoted = true;
    // [ and {, ] and }: alike but for one bit.
    else if ((c | 0x20) === 0x7b && ++depth > DEEPEST) return true;
    else if ((c | 0x20) === 0x7d) depth--;
  }
  return false;
}

/** A body of JSON, up to so many bytes and no deeper than any of ours: what goes deeper can neither be walked nor handed on. */
export const jsonBody = (limit: number): ReturnType<typeof json> =>
  json({
    limit,
    verify: (_request, _response, text) => {
      // (The frame puts the body into the error as `body`, where ours have their words: these are told by `type`.)
      if (isTooDeep(text)) throw Object.assign(new Error('The body is nested too deep.'), { type: DEEP });
    },
  });

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
