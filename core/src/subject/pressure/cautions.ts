import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** What holds the pressure, and what it does to a hand. */
export const pressureCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.machines.length > 0, {
    station: 'guns',
    text: 'Hose, fittings and gun must be rated above the unloader’s setting; a relief valve backs the unloader up, a thermal valve the pump. Whip checks hold a coupling that lets go.',
  }),
  ...when(rig.outlets.length > 0, {
    station: 'guns',
    text: 'A jet goes through skin and gloves. Never point a gun at anyone, never feel for leaks by hand; an injection wound needs a doctor at once, however small.',
  }),
];
