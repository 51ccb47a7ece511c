import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where chemicals are sprayed. */
export const mixCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.liquids.length > 0,
    {
      key: 'plants-and-drains',
      station: 'mix',
      text: 'Wet plants before, during and after; cover what you cannot rinse; mind the wind. Keep run-off out of storm drains and ponds: local rules decide where it may go.',
    },
    { key: 'falls', station: 'mix', text: 'Spray from the ground where the jet reaches. Wet roofs, and ladders with a hose in hand, are how people fall.' },
  ),
];
