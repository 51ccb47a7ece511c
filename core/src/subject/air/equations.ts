import type { Equation } from '../../working/equation.js';

export const AIR_EQUATIONS = {
  'air-line': {
    title: 'Lost in an air line',
    text: 'p₁² = p₂² + G² R T (f L/d + 2 ln(p₁/p₂)), steady and isothermal',
    source: 'Shapiro 1953',
    unverified: true,
  },
  'air-use': { title: 'Air of an air-operated pump', text: 'q = Q · (p_air + p_atm)/p_atm · surcharge', source: 'displacement; the surcharge is an estimate' },
  receiver: {
    title: 'Air receiver',
    text: 't = V · (p_full − p_pump) / (p_atm · (q_pump − q_compressor))',
    source: 'receiver sizing of compressed-air handbooks',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
