import type { Equation } from '../../working/equation.js';

export const FEED_EQUATIONS = {
  'npsh-available': {
    title: 'Inlet head available',
    text: 'NPSHa = (p_air − p_vapour)/(ρ g) + lift − friction + booster − pulses',
    source: 'Hydraulic Institute definition of NPSH available',
  },
  'npsh-margin': { title: 'Inlet head to spare', text: 'margin = NPSHa − NPSHr', source: 'Hydraulic Institute; NPSHr from the pump’s data sheet' },
  'inlet-margin': {
    title: 'Inlet head to spare',
    text: 'margin = the lesser of NPSHa − NPSHr and H_in − H_min',
    source: 'Hydraulic Institute; NPSHr and the least inlet pressure from the pump’s data sheet',
  },
  'inlet-gauge': { title: 'Pressure at the inlet', text: 'p = ρ·g·H_in', source: 'hydrostatics' },
  'acceleration-head': {
    title: 'Pulse (acceleration) head',
    text: 'h = the lesser of Σ L·V · n·C/(K·g) and h_b + h_1 + 1/(ω·S_1/(r·Q_1) + 1/(h_2 + 1/(ω·S_2/(r·Q_2) + …))), n in turns a minute',
    source: 'GPSA / Hydraulic Institute; hose that yields: Joukowsky, line impedance in Wylie & Streeter',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
