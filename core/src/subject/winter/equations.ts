import type { Equation } from '../../working/equation.js';

export const WINTER_EQUATIONS = {
  'battery-cold': { title: 'A battery in the cold', text: 'Q = Q_warm · (1 − c · (25 °C − T))', source: 'definition; c is an estimate' },
  antifreeze: {
    title: 'Antifreeze',
    text: 'V = wetted volume · glycol share for the frost / share in the product',
    source: 'propylene glycol data-sheet table',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
