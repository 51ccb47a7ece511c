import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** A tank is heavy. */
export const bufferCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.tanks.length > 0, {
    key: 'full-tank',
    station: 'tanks',
    text: 'Never lift a tank with water in it. Strap it to the frame, not the deck boards: a full tank is heavy and shifts.',
  }),
];
