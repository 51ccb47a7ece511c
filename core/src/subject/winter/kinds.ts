import type { Kinds } from '../kind.js';
import { antifreezeRules } from './fixes.js';

export type WinterCode = 'antifreeze-short';

export const WINTER_KINDS: Kinds<WinterCode> = {
  'antifreeze-short': {
    figure: { label: 'antifreeze', dimension: 'volume', better: 'more', step: 1e-4, of: (a) => a.chemical.winter?.onBoardM3 ?? 0 },
    rules: antifreezeRules,
  },
};
