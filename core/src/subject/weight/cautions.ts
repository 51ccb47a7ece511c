import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where the rig goes on the road. */
export const weightCautions = (rig: Rig): readonly Caution[] => [
  ...when(rig.platform !== undefined, {
    key: 'scale',
    station: 'weight',
    text: 'Weights here are ‹catalog› figures. Have the rig weighed, full, before it goes on the road. The plates on trailer, axles, ‹tires›, ‹coupler› and vehicle decide, and local road rules.',
  }),
  ...when(rig.platform?.kind === 'trailer', {
    key: 'sway',
    station: 'weight',
    text: '‹Coupler› locked, chains crossed, breakaway cable on, brakes and lights tried before each drive. If it sways: ‹off the gas›, hold the wheel straight, stay off the vehicle brake; apply the trailer brake by hand if you have one.',
  }),
];
