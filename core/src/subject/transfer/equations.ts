import type { Equation } from '../../working/equation.js';

export const TRANSFER_EQUATIONS = {
  'transfer-duty': { title: 'Where a transfer pump works', text: 'H(Q) = s·z + Σ h(Q)', source: 'pump curve; energy equation along its hoses' },
  'transfer-volume': { title: 'What is moved', text: 'V = min(V_a, V_b)', source: 'volume balance' },
} as const satisfies Record<string, Equation>;
