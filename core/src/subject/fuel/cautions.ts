import type { Rig } from '../../rig/schema.js';
import { burnsFuel } from '../../rig/refers.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Filling up. */
export const fuelCautions = (rig: Rig): readonly Caution[] => [
  ...when(burnsFuel(rig).length > 0, {
    station: 'fuel',
    text: 'Petrol vapour creeps along the ground and catches fire far off: fill with everything off and cool, in the open, the can on the ground. How much may be carried, and in what, is for local rules to say.',
  }),
];
