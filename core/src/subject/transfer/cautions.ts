import type { Rig } from '../../rig/schema.js';
import { transferWays } from '../../solve/transfer.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** While stock is pumped. */
export const transferCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.liquids.length > 0 && transferWays(rig).length > 0, {
    key: 'pumped-stock',
    station: 'liquids',
    text: 'Stand by while stock is pumped: nothing stops the pump when the tank is full. Wear gloves, apron and eye protection. Lid open, far end tied in. Rinse the hose into the tank before you coil it.',
  }),
];
