import { assumption } from './entry.js';

export const BUFFER_ASSUMPTIONS = [
  assumption('buffer-reserve', 'Share of the usable water kept in reserve', 'ratio', '10 %', 'common-practice', 'Room for a longer job than planned.'),
  assumption(
    'heel-share',
    'Depth kept over an outlet, of what the vortex rule asks',
    'ratio',
    '100 %',
    'published',
    'ANSI/HI 9.8 (from memory) is written for pump intakes; a plate or a sump needs less.',
  ),
  assumption(
    'heel-plate',
    'Depth kept over an outlet with an anti-vortex plate, of that without',
    'ratio',
    '35 %',
    'estimate',
    'A plate over the outlet, a sump or a pick-up turned down: the water comes in from the side and draws no funnel.',
  ),
  assumption('tie-difference', 'Level difference between tied tanks to warn at', 'length', '50 mm', 'estimate', 'Two inches is what a float valve sways.'),
  assumption(
    'tie-starves',
    'Difference between tied tanks that starves one, of its height',
    'ratio',
    '30 %',
    'estimate',
    'One runs dry while the other still holds water.',
  ),
] as const;
