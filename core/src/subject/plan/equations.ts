import type { Equation } from '../../working/equation.js';

export const PLAN_EQUATIONS = {
  restraint: {
    title: 'What holds it down',
    text: 'F = n · strength of one ÷ safety; needed 0.8 M g',
    source: '49 CFR 393.102, EN 12195-1; stress areas ASME B1.1, ISO 898-1',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
