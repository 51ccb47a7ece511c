import { meeting } from '../../chemistry/compatibility.js';
import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Whether two liquids on board make gas together. */
const makesGas = ({ liquids }: Rig): boolean => liquids.some((a, i) => liquids.slice(i + 1).some((b) => meeting(a.kind, b.kind).verdict === 'never'));

/** What must never meet. */
export const meetingCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.liquids.length > 0, {
    key: 'never-mixed',
    station: 'liquids',
    text: 'Never mix products not meant for each other, not even leftovers. Label every tank, drum and bucket with what’s in it today.',
  }),
  ...when(makesGas(rig), {
    key: 'gas-apart',
    station: 'liquids',
    text: 'Carry products that make gas together in closed containers of their own, apart. Open one at a time. If they meet: get out, upwind, and let nobody back in before it has aired.',
  }),
];
