import { assumption } from './entry.js';

export const DRAIN_ASSUMPTIONS = [
  assumption('tank-vacuum', 'Vacuum a thin plastic tank stands', 'pressure', '0.3 psi', 'estimate', 'Flat walls give way early; ask the tank’s maker.'),
  assumption('vent-coefficient', 'Discharge coefficient of a vent', 'ratio', '60 %', 'published', 'Sharp-edged orifice, 0.6 (from memory).'),
] as const;
