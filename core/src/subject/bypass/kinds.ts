import type { Judged } from '../assessment.js';
import type { FindingFigure, Kinds } from '../kind.js';
import { bypassRules } from './fixes.js';
import type { BypassResult } from './result.js';

export type BypassCode = 'bypass-hot' | 'bypass-warm' | 'return-tight' | 'return-bubbles';

const bypass = (a: Judged, id: string): BypassResult | undefined => a.bypasses.find((b) => b.machineId === id);
const untilHot: FindingFigure = { label: 'until hot', dimension: 'time', better: 'more', step: 30, of: (a, id) => bypass(a, id)?.minutesToLimit.value ?? 0 };

export const BYPASS_KINDS: Kinds<BypassCode> = {
  'bypass-hot': { figure: untilHot, rules: bypassRules },
  'bypass-warm': { figure: untilHot },
  'return-tight': {
    figure: { label: 'back-pressure', dimension: 'pressure', better: 'less', step: 1e3, of: (a, id) => bypass(a, id)?.backPressure.value ?? 0 },
    rules: bypassRules,
  },
  'return-bubbles': {
    figure: { label: 'bubbles reach', dimension: 'length', better: 'less', step: 5e-3, of: (a, id) => bypass(a, id)?.bubbles?.reachesBelowLevelM ?? 0 },
    rules: bypassRules,
  },
};
