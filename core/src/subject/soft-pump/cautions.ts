import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What drives a soft wash pump. */
export const softPumpCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.liquids.length > 0 && rig.softPumps.some((p) => p.kind === 'air'), {
    key: 'air-pump',
    station: 'machines',
    text: 'An air pump starts the moment its valve opens. Shut off and bleed the air before you open any coupling. Test the compressor tank’s relief valve.',
  }),
  ...when(rig.liquids.length > 0 && rig.softPumps.some((p) => p.kind === 'electric'), {
    key: 'soft-pump-fuse',
    station: 'machines',
    text: 'Fuse each pump at the battery. Keep the battery in a vented box, away from SH fumes.',
  }),
];
