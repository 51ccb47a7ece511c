import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where the rig goes on the road. */
export const weightCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.platform !== undefined, {
    station: 'weight',
    text: 'Masses here are the catalogue’s: have the rig weighed, full, before it goes on the road. The plates on trailer, axles, tyres, coupling and vehicle decide, and local road rules.',
  }),
  ...when(rig.platform?.kind === 'trailer', {
    station: 'weight',
    text: 'Coupling locked, chains crossed, breakaway cable on, brakes and lights tried before each drive. A trailer that sways is let slow by itself, without the brake pedal.',
  }),
];
