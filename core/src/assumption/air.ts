import { assumption, EFFICIENCY } from './entry.js';

export const AIR_ASSUMPTIONS = [
  assumption('air-surcharge', 'Air lost besides the strokes', 'ratio', '130 %', 'estimate', 'Leaks and dead space.'),
  assumption('compressor-efficiency', 'Efficiency of a small compressor', 'ratio', '65 %', 'estimate', 'Adiabatic, one stage.', EFFICIENCY),
  assumption(
    'air-cut-out',
    'Pressure at which a compressor rests',
    'pressure',
    '125 psi',
    'common-practice',
    'Single-stage compressors; read it off the switch.',
  ),
  assumption(
    'air-cut-in',
    'Pressure at which a compressor starts again',
    'pressure',
    '100 psi',
    'common-practice',
    'About 25 psi under the cut-out; read it off the switch.',
  ),
  assumption('air-tyre', 'Air that ‹a tire› takes to its pressure', 'volume', '40 gal', 'estimate', 'A truck ‹tire› from flat enough to see; free air.'),
  assumption(
    'air-engine-share',
    'Share of its power that a compressor’s engine gives for hours',
    'ratio',
    '85 %',
    'common-practice',
    'Small engines are rated at their peak.',
  ),
  assumption(
    'air-starves',
    'Share of its air below which a pump is starved',
    'ratio',
    '70 %',
    'estimate',
    'The pump still strokes, but the spray fan collapses.',
  ),
] as const;
