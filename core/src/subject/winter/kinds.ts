import type { Kinds } from '../kind.js';
import { antifreezeRules, chargeRules } from './fixes.js';

export type WinterCode = 'antifreeze-short' | 'battery-freezes';

export const WINTER_KINDS: Kinds<WinterCode> = {
  'antifreeze-short': {
    figure: { label: 'antifreeze', dimension: 'volume', better: 'more', step: 1e-4, of: (a) => a.chemical.winter?.onBoardM3 ?? 0 },
    rules: antifreezeRules,
  },
  'battery-freezes': {
    figure: {
      label: 'charge left for the night',
      dimension: 'ratio',
      better: 'more',
      step: 0.01,
      of: (a, id) => a.chemical.winter?.batteries.find((b) => b.batteryId === id)?.leftShare ?? 1,
    },
    rules: chargeRules,
    minor: true,
  },
};
