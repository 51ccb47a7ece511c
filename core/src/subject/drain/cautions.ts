import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** A closed tank is sucked in. */
export const drainCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.tanks.some((t) => t.lid === 'closed'),
    { station: 'dump', text: 'Open the lid before dumping. A thin tank is sucked in faster than you can walk round the truck.' },
  ),
  ...when(
    rig.tanks.some((t) => t.liquid === 'chemical' && rig.lines.some((l) => l.role === 'dump' && l.from.id === t.id)),
    {
      station: 'dump',
      text: 'What is let out of a tank of chemicals goes into a vessel made for it, never on the ground or down a storm drain: data sheets and local rules decide where it ends.',
    },
  ),
];
