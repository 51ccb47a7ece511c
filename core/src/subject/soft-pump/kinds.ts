import type { Judged } from '../assessment.js';
import type { FindingFigure, Kinds } from '../kind.js';
import { jetRules, liftRules } from './fixes.js';
import type { SoftPumpResult } from './result.js';

export type SoftPumpCode = 'gun-dry' | 'gun-thin' | 'jet-low';

const pump = (a: Judged, id: string): SoftPumpResult | undefined => a.chemical.softPumps.find((p) => p.pumpId === id);
const atTheTip: FindingFigure = { label: 'at the tip', dimension: 'flow', better: 'more', step: 1e-6, of: (a, id) => pump(a, id)?.flow.value ?? 0 };

export const SOFT_PUMP_KINDS: Kinds<SoftPumpCode> = {
  'gun-dry': { scale: 'feeding', figure: atTheTip, rules: liftRules },
  'gun-thin': { scale: 'feeding', figure: atTheTip, rules: liftRules },
  'jet-low': {
    figure: { label: 'jet height', dimension: 'length', better: 'more', step: 0.1, of: (a, id) => pump(a, id)?.jetHeight.value ?? 0 },
    rules: jetRules,
  },
};
