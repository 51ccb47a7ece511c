import type { Equation } from '../../working/equation.js';

export const BYPASS_EQUATIONS = {
  returned: { title: 'Turned back', text: 'Q_back = Q − Σ Q_gun', source: 'volume balance' },
  'bypass-heat': { title: 'Warming in bypass', text: 't = m · c · (T_limit − T_water) / (Δp · Q)', source: 'first law; specific heat of water IAPWS-IF97' },
  'return-pressure': { title: 'Back-pressure in the return', text: 'Δp = friction and fittings of the return line', source: 'network of lines' },
  'bubble-depth': {
    title: 'How deep the return drives bubbles',
    text: 'D = 2.6 · (V · d)^0.7, SI, at the surface',
    source: 'McKeogh & Ervine 1981',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
