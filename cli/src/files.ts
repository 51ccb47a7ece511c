import { readFileSync } from 'node:fs';
import { readRig, type ReadRig } from '@pozzo/core';
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

/** A rig file, checked; the first problem is the error. */
export function readRigFile(path: string): Extract<ReadRig, { ok: true }> {
  let data: unknown;
  try {
    data = JSON.parse(readText(path));
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
