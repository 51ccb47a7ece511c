import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Batteries, cables and generators. */
export const circuitCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.gear.some((g) => g.kind === 'generator'),
    {
      station: 'electrics',
      text: 'A generator stands in the open, away from doors and people: its exhaust is carbon monoxide. It is earthed and bonded as its book says.',
    },
  ),
  ...when(rig.batteries.length > 0, {
    station: 'electrics',
    text: 'A fuse at the battery for every cable, no larger than the cable carries; terminals covered; the battery off before any wire is touched. Lead-acid batteries give off hydrogen while they charge. Mains and vehicle wiring are for licensed hands.',
  }),
];
