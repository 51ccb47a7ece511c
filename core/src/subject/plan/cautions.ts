import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where the rig is built. */
export const planCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.platform !== undefined,
    { station: 'plan', text: 'Lift heavy things with a hoist, tanks empty. Stand on the deck only when it is chocked and hitched, or on stands.' },
    {
      station: 'plan',
      text: 'Bolts go through the frame or through backing plates, never through boards alone. Tie-downs are looked at before every drive and replaced when the weather has been at them.',
    },
    {
      station: 'plan',
      text: 'Exhaust melts plastic and hose and burns skin; its gas kills in a closed body. One that points up wears a rain cap. Fuel is filled with everything off and cool, and petrol has rules of its own.',
    },
  ),
];
