import type { Kinds } from '../kind.js';
import { slopeRules } from './fixes.js';

export type SlopeCode = 'slope-feed' | 'slope-heel';

export const SLOPE_KINDS: Kinds<SlopeCode> = {
  'slope-feed': {
    figure: {
      label: 'inlet head on the slope',
      dimension: 'length',
      better: 'more',
      step: 0.01,
      of: (a, id) => a.slope?.feeds.find((f) => f.machineId === id)?.marginM ?? -100,
    },
    rules: slopeRules,
  },
  'slope-heel': {
    figure: {
      label: 'kept from the outlet',
      dimension: 'volume',
      better: 'less',
      step: 0.002,
      of: (a, id) => a.slope?.tanks.find((t) => t.tankId === id)?.keptM3 ?? 0,
    },
    rules: slopeRules,
    minor: true,
  },
};
