import type { RigDocument } from '../rig/schema.js';
import { pontoonRig } from './first-rig.js';

/** The invented workshop's yard: what the demo starts with. Fresh objects at every call. */
export function DEMO_RIGS(): { readonly id: string; readonly document: RigDocument }[] {
  return [{ id: 'marina-pontoon', document: pontoonRig() }];
}
