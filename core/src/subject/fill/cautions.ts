import { preventsBackflow } from '../../rig/thing/part.js';
import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What may run back into the customer’s water. */
export const fillCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.lines.some((l) => l.role === 'fill' && !l.parts.some(preventsBackflow)),
    {
      key: 'backflow',
      station: 'fill',
      text: 'Keep tank water out of the customer’s drinking water: use a backflow preventer, or end the inlet above the rim. Local plumbing code decides which.',
    },
  ),
];
