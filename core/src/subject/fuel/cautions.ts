import type { Rig } from '../../rig/schema.js';
import { burnsFuel } from '../../rig/refers.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Filling up. */
export const fuelCautions = (rig: Rig): readonly Caution[] => [
  ...when(burnsFuel(rig).length > 0, {
    key: 'filling-up',
    station: 'fuel',
    text: '‹Gasoline› ‹vapor› creeps along the ground and ignites far away. Fill outdoors with everything off and cool, the can on the ground. Local rules say how much you may carry, and in what.',
  }),
];
