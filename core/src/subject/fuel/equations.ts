import type { Equation } from '../../working/equation.js';

export const FUEL_EQUATIONS = {
  'gravity-fuel': {
    title: 'Fuel by gravity',
    text: 'h_spare = lift − hose friction (Darcy–Weisbach, viscosity of the fuel)',
    source: 'energy equation; viscosities of the fuels',
    unverified: true,
  },
  'fuel-day': {
    title: 'Fuel in a day',
    text: 'V = P · share · t · b / ρ',
    source: 'specific consumption b is an estimate; ‹gas› 0.74 kg/L, diesel 0.84 kg/L',
    unverified: true,
  },
  'fuel-usable': {
    title: 'Usable fuel',
    text: 'V_use = V − what lies below the last level at which it still runs to its worst engine',
    source: 'energy equation',
  },
} as const satisfies Record<string, Equation>;
