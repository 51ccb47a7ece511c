import { assumption } from './entry.js';

export const DRAIN_ASSUMPTIONS = [
  assumption('tank-vacuum', 'Vacuum a thin plastic tank stands', 'pressure', '0.3 psi', 'estimate', 'Flat walls give way early; ask the tank’s maker.'),
  assumption(
    'tank-crush',
    'Vacuum that crushes a tank, in times of what it stands',
    'ratio',
    '300 %',
    'estimate',
    'Between the two it may only bulge; nobody should try.',
  ),
  assumption('vent-coefficient', 'Discharge coefficient of a vent', 'ratio', '60 %', 'published', 'Sharp-edged orifice, 0.6 (from memory).'),
] as const;
