import type { Equation } from '../../working/equation.js';

export const HEAT_EQUATIONS = {
  burner: { title: 'Burner', text: 'P = ρ Q c ΔT; fuel = P / (η · 35.8 MJ/L diesel, 32.2 ‹gas›)', source: 'first law; heats of combustion', unverified: true },
} as const satisfies Record<string, Equation>;
