import type { Equation } from '../../working/equation.js';

export const PURE_WATER_EQUATIONS = {
  'resin-life': { title: 'Resin', text: 'gallons = grains in the bed / (ppm ÷ 17.1)', source: 'definition of the grain per gallon' },
} as const satisfies Record<string, Equation>;
