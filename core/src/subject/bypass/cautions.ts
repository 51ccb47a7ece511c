import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Water that turns round is hot. */
export const bypassCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.machines.length > 0, {
    key: 'hot-pump',
    station: 'bypass',
    text: 'Stop the engine before touching a pump that ran trigger-off. Bypass water and fittings can scald.',
  }),
];
