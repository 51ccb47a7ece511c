import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Water that turns round is hot. */
export const bypassCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.machines.length > 0, {
    station: 'bypass',
    text: 'Water and fittings in a bypass can scald. Stop the engine before touching a pump that has run with the trigger shut.',
  }),
];
