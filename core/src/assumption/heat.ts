import { assumption, EFFICIENCY } from './entry.js';

export const HEAT_ASSUMPTIONS = [
  assumption(
    'burner-efficiency',
    'Heat of a burner’s fuel that gets into the water',
    'ratio',
    '85 %',
    'estimate',
    'Clean coil; soot takes ten points.',
    EFFICIENCY,
  ),
  assumption('burner-current', 'Current of a burner’s blower, fuel pump and spark', 'current', '16 A', 'estimate', 'On 12 V; read it off the plate.'),
  assumption(
    'cold-stands',
    'Hottest water that hose and parts sold for cold water stand',
    'temperature',
    '140 °F',
    'common-practice',
    'Their labels say so; hot-water hose says 250 °F and more.',
  ),
] as const;
