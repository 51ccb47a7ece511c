import { assumption } from './entry.js';

export const PLUMBING_ASSUMPTIONS = [
  assumption(
    'dry-suction',
    'Height from which a plunger pump draws water through an empty line',
    'length',
    '3 ft',
    'estimate',
    'Its valves leak air while they are dry; take the figure from its sheet.',
  ),
  assumption(
    'air-share',
    'Air that a dry plunger pump moves, of its flow',
    'ratio',
    '30 %',
    'estimate',
    'Air is squeezed and let go in the dead space of each stroke.',
  ),
  assumption(
    'rating-hose',
    'Pressure that a usual pressure hose is made for',
    'pressure',
    '4000 psi',
    'common-practice',
    'One braid of wire in 3/8 in; the hose has its own printed on it.',
  ),
  assumption(
    'rating-fitting',
    'Pressure that a usual fitting of the pressure side is made for',
    'pressure',
    '4000 psi',
    'common-practice',
    'Couplers and swivels of the trade; most have it stamped on.',
  ),
  assumption(
    'tank-pressure',
    'Pressure inside that a plastic tank stands',
    'pressure',
    '0.5 psi',
    'estimate',
    'Rotationally moulded tanks are made to breathe: for no pressure at all.',
  ),
] as const;
