import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Batteries, cables and generators. */
export const circuitCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.gear.some((g) => g.kind === 'generator'),
    {
      key: 'generator',
      station: 'electrics',
      text: 'Run a generator in the open, away from doors and people: its exhaust is carbon monoxide. Ground and bond it per its manual.',
    },
  ),
  ...when(rig.batteries.length > 0, {
    key: 'battery',
    station: 'electrics',
    text: 'Fuse every cable at the battery, no larger than the cable carries. Cover terminals. Disconnect the battery before you touch a wire. Lead-acid batteries give off hydrogen while charging. AC and vehicle wiring: licensed people only.',
  }),
];
