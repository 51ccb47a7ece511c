import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** A tank is heavy. */
export const bufferCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.tanks.length > 0, {
    station: 'tanks',
    text: 'A full tank is heavy and shifts. Do not lift a tank with water in it; tie it to the frame, not to the deck boards.',
  }),
];
