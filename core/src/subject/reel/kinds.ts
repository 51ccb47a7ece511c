import { type Kinds, places } from '../kind.js';
import { reelRules, runRules } from './fixes.js';

export type ReelCode = 'reel-small' | 'reel-street' | 'reel-order' | 'reel-cross' | 'run-short';

export const REEL_KINDS: Kinds<ReelCode> = {
  'reel-small': {
    figure: { label: 'fits', dimension: 'length', better: 'more', step: 0.1, of: (a, id) => a.reels.find((r) => r.reelId === id)?.capacity.value ?? 0 },
    rules: reelRules,
  },
  'reel-street': { figure: places('reel-street'), rules: reelRules },
  'reel-order': { figure: places('reel-order'), rules: reelRules },
  'reel-cross': { figure: places('reel-cross'), rules: reelRules },
  'run-short': {
    figure: {
      label: 'hose short',
      dimension: 'length',
      better: 'less',
      step: 0.1,
      of: (a, id) => {
        const r = a.runs.find((x) => x.outletId === id);
        return r ? Math.max(0, r.needed.value - r.carried.value) : 0;
      },
    },
    rules: runRules,
  },
};
