import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Hot water and flue gas. */
export const heatCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.burners.length > 0, {
    station: 'fuel',
    text: 'Hot water scalds and its hose burns skin; a burner wants its flow switch, its relief valve and a clear flue, and never runs dry. Its flue gas kills in a closed body.',
  }),
];
