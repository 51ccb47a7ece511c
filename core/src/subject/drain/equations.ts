import type { Equation } from '../../working/equation.js';

export const DRAIN_EQUATIONS = {
  'drain-time': { title: 'Time to drain', text: 't = ∫ A(h) dh / Q(h), Q from the energy equation', source: 'quasi-steady energy equation' },
  'vent-vacuum': { title: 'Vacuum behind a vent', text: 'Δp = ρ_air/2 · (Q / (C·A))²', source: 'orifice equation' },
} as const satisfies Record<string, Equation>;
