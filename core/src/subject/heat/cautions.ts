import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Hot water and flue gas. */
export const heatCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.burners.length > 0, {
    key: 'hot-water',
    station: 'fuel',
    text: 'Hot water scalds and its hose burns skin; a burner needs its flow switch, relief valve and a clear flue. Never run it dry. Its flue gas kills in a closed body.',
  }),
];
