import type { Equation } from '../../working/equation.js';

export const SOFT_PUMP_EQUATIONS = {
  'pump-duty': { title: 'Where pump and hose agree', text: 'pump curve = static height + hose, fittings and nozzle', source: 'network of lines' },
  'pump-current': { title: 'Current', text: 'I = I_free + Q·Δp / (η·V)', source: 'definition; η and I_free are assumptions' },
  'jet-height': {
    title: 'Height of a straight jet',
    text: 'H = h / (1 + φ h), φ = 0.00025 / (d + 1000 d³), ‹meters›',
    source: 'Lüger, fire hydraulics',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
