import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where the rig is built. */
export const planCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.platform !== undefined,
    {
      key: 'lifting',
      station: 'plan',
      text: 'Lift heavy things with a hoist, tanks empty. Stand on the deck only when it is chocked and hitched, or on stands.',
    },
    {
      key: 'fastening',
      station: 'plan',
      text: 'Bolt through the frame or backing plates, never boards alone. Check ‹tie-downs› before every drive; replace weathered ones.',
    },
    {
      key: 'exhaust-heat',
      station: 'plan',
      text: 'Exhaust melts plastic and hose and burns skin; its gas kills in a closed body. Put a rain cap on one that points up. Fuel up with everything off and cool; ‹gasoline› has its own rules.',
    },
  ),
];
