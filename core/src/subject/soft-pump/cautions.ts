import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What drives a soft wash pump. */
export const softPumpCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.liquids.length > 0 && rig.softPumps.some((p) => p.kind === 'air'), {
    station: 'machines',
    text: 'Air drives the pump at once when its valve opens: blow the line down before you open any coupling. A compressor’s tank wants its relief valve tested.',
  }),
  ...when(rig.liquids.length > 0 && rig.softPumps.some((p) => p.kind === 'electric'), {
    station: 'machines',
    text: 'Fuse each pump at the battery; keep the battery in a box that breathes, away from SH fumes.',
  }),
];
