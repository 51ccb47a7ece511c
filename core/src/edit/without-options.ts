import type { RigDocument } from '../rig/schema.js';

/** A document without the options kept beside it. */
export function withoutOptions(doc: RigDocument): RigDocument {
  const { options: _kept, ...rest } = doc;
  return rest;
}
