import type { RigDocument } from '../rig/schema.js';
import { LAYOUTS } from './layouts.js';

/** The invented workshop's yard: what the demo starts with. Fresh objects at every call. */
export function DEMO_RIGS(): { readonly id: string; readonly document: RigDocument }[] {
  return LAYOUTS.map((l) => ({ id: l.demoId, document: l.make() }));
}
