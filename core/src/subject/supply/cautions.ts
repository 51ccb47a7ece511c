import { driveOf, type Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What drives a machine chokes, or kills by its mains. */
export const supplyCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.machines.some((m) => driveOf(m) !== 'electric'),
    {
      key: 'carbon-monoxide',
      station: 'machines',
      text: 'Engine exhaust is carbon monoxide: never run in a closed body; keep exhaust and hot parts off plastic tanks.',
    },
  ),
  ...when(
    rig.machines.some((m) => driveOf(m) === 'electric'),
    {
      key: 'ac-power',
      station: 'machines',
      text: '‹AC power› near water: only through ‹a GFCI› tested that day. Keep plugs and couplings off the ground and cords out of the jet. ‹Ground› the generator per its manual.',
    },
  ),
];
