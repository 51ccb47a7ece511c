import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** A closed tank is sucked in. */
export const drainCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.tanks.some((t) => t.lid === 'closed'),
    { key: 'closed-lid', station: 'dump', text: 'Open the lid before dumping. A thin tank collapses faster than you can walk around the truck.' },
  ),
  ...when(
    rig.tanks.some((t) => t.liquid === 'chemical' && rig.lines.some((l) => l.role === 'dump' && l.from.id === t.id)),
    {
      key: 'drained-chemical',
      station: 'dump',
      text: 'Drain chemical tanks into a container made for it, never on the ground or down a storm drain. The SDS and local rules decide where it goes.',
    },
  ),
];
