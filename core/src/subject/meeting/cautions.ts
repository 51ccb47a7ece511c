import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What must never meet. */
export const meetingCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.liquids.length > 0, {
    key: 'never-mixed',
    station: 'liquids',
    text: 'Never mix products not meant for each other, not even leftovers. Label every tank, drum and bucket with what’s in it today.',
  }),
];
