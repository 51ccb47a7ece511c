import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What holds the pressure, and what it does to a hand. */
export const pressureCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.machines.length > 0, {
    key: 'ratings',
    station: 'guns',
    text: 'Hose, fittings and gun must be rated above the unloader’s setting; back the unloader up with a relief valve and the pump with a thermal valve. Whip checks hold a coupling that lets go.',
  }),
  ...when(rig.outlets.length > 0, {
    key: 'injection',
    station: 'guns',
    text: 'A jet goes through skin and gloves. Never point a gun at anyone or feel for leaks by hand. Any injection wound: ‹ER› at once, even if it looks small. Say “high-pressure injection.”',
  }),
];
