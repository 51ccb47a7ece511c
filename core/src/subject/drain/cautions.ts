import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** A closed tank is sucked in. */
export const drainCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.tanks.some((t) => t.lid === 'closed'),
    { station: 'dump', text: 'Open the lid before dumping. A thin tank is sucked in faster than you can walk round the truck.' },
  ),
];
