import { readFileSync } from 'node:fs';
import { readRig, type ReadRig, spell } from '@pozzo/core';
import { InputError } from './failure.js';

/** Text of a file; a missing or unreadable one is bad input. */
export function readText(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    const code = (error as { code?: string }).code;
    throw new InputError(code === 'ENOENT' ? `There is no file "${path}".` : `"${path}" cannot be read (${code ?? 'unknown reason'}).`);
  }
}

/** Stands for a typed ‹ until all else is spelled: a name that looks like a term is a name. */
const KEPT = '\uE000';

/** An answer in the reader's words, what somebody typed in a rig file as typed. */
export const spellAnswer = (text: string): string => spell(text).replaceAll(KEPT, '‹');

/** A rig file, checked; the first problem is the error. What it holds is for {@link spellAnswer}. */
export function readRigFile(path: string): Extract<ReadRig, { ok: true }> {
  let data: unknown;
  try {
    data = JSON.parse(readText(path).replaceAll('‹', KEPT));
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw new InputError(`"${path}" is not JSON: ${(error as Error).message}.`);
  }
  const read = readRig(data);
  if (!read.ok) {
    const more = read.problems.length > 1 ? ` (and ${read.problems.length - 1} more)` : '';
    throw new InputError(`${read.problems[0].path || path}: ${read.problems[0].message}${more}`);
  }
  return read;
}
