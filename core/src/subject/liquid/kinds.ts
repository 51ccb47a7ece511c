import type { Judged } from '../assessment.js';
import { type Kinds, places } from '../kind.js';
import { stockRules, tankPracticeRules } from './fixes.js';
import type { LiquidResult } from './result.js';

export type LiquidCode = 'stock-stale' | 'stock-short' | 'use-by' | 'fumes-deck' | 'no-drop-tube' | 'bund-small';

const liquid = (a: Judged, id: string): LiquidResult | undefined => a.chemical.liquids.find((l) => l.liquidId === id);

export const LIQUID_KINDS: Kinds<LiquidCode> = {
  'stock-stale': {
    figure: { label: 'strength today', dimension: 'ratio', better: 'more', step: 1e-4, of: (a, id) => liquid(a, id)?.today.value ?? 0 },
    rules: stockRules,
  },
  'stock-short': {
    figure: { label: 'on board', dimension: 'volume', better: 'more', step: 1e-3, of: (a, id) => liquid(a, id)?.onBoardM3 ?? 0 },
    rules: stockRules,
  },
  'use-by': { figure: places('use-by'), rules: stockRules },
  'fumes-deck': { figure: places('fumes-deck'), rules: tankPracticeRules },
  'no-drop-tube': { figure: places('no-drop-tube'), rules: tankPracticeRules },
  'bund-small': {
    figure: {
      label: '‹containment tray›',
      dimension: 'volume',
      better: 'more',
      step: 1e-3,
      of: (a, id) => a.chemical.tanks.find((t) => t.tankId === id)?.bundM3 ?? 0,
    },
    rules: tankPracticeRules,
  },
};
