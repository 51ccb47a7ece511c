import type { Problem } from './read.js';
import { RIG_FORMAT, RIG_VERSION } from './schema.js';

type Raw = Record<string, unknown>;

/** One step each: from the version that is the key to the next. A step never changes what it was given. */
export type Upgrades = Readonly<Record<number, (old: Raw) => Raw>>;

/** Version 1 is the first that was ever written, so there is no step yet. */
const UPGRADES: Upgrades = {};

export type Lifted = { readonly ok: true; readonly document: Raw } | { readonly ok: false; readonly problem: Problem };

const refuse = (code: string, path: string, bound: string, message: string): Lifted => ({ ok: false, problem: { code, path, bound, message } });

/**
 * Lifts a document of any older version to the current one.
 * @param upgrades steps to use; the register's own unless a test plants others
 */
export function upgrade(input: unknown, upgrades: Upgrades = UPGRADES, current: number = RIG_VERSION): Lifted {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return refuse('type', '', 'object', 'A rig file holds one JSON object.');
  let document = input as Raw;
  if (document['format'] !== RIG_FORMAT) return refuse('format', 'format', RIG_FORMAT, `This is not a rig file: "format" must be "${RIG_FORMAT}".`);
  let version = document['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return refuse('version', 'version', `1 to ${current}`, 'The version of a rig file is a whole number.');
  if (version > current)
    return refuse('version', 'version', `≤ ${current}`, `This file is of version ${version}; this Pozzo reads up to ${current}. Update Pozzo to open it.`);
  while ((version as number) < current) {
    const step = upgrades[version as number];
    if (!step) return refuse('version', 'version', `1 to ${current}`, `Version ${String(version)} of the rig file is not known.`);
    document = { ...step(document), version: (version as number) + 1 };
    version = (version as number) + 1;
  }
  return { ok: true, document };
}
