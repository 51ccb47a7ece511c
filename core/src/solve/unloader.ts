import type { AssumptionValues } from '../assumption/register.js';
import type { Machine } from '../rig/schema.js';

/** How far pressure shoots over an unloader's setting before it opens, of the setting. */
export const overrunOf = (unloader: Machine['unloader'], values: AssumptionValues): number => unloader.overrun ?? values['unloader-overrun'];
