import { type Kinds, places } from '../kind.js';
import { floatRules, guardRules, handRules } from './fixes.js';

export type FillCode = 'no-fill' | 'hand-weak' | 'hand-backflow' | 'fill-no-float';

export const FILL_KINDS: Kinds<FillCode> = {
  'no-fill': { figure: places('no-fill') },
  'hand-weak': {
    figure: {
      label: 'at the hand hose',
      dimension: 'flow',
      better: 'more',
      step: 1e-6,
      of: (a, id) => Math.min(...(a.fills.find((f) => f.lineId === id)?.taps.map((t) => t.gives.value) ?? [0])),
    },
    rules: handRules,
    minor: true,
  },
  'hand-backflow': { scale: 'practice', figure: places('hand-backflow'), rules: guardRules },
  'fill-no-float': { scale: 'practice', figure: places('fill-no-float'), rules: floatRules },
};
