import type { FindingFigure, Kinds } from '../kind.js';
import { ventRules } from './fixes.js';

export type DrainCode = 'no-vent' | 'vent-small';

const vacuum: FindingFigure = {
  label: 'vacuum',
  dimension: 'pressure',
  better: 'less',
  step: 1,
  of: (a, id) => a.drains.find((d) => d.tankId === id)?.vacuum.value ?? 0,
};

export const DRAIN_KINDS: Kinds<DrainCode> = {
  'no-vent': { figure: vacuum, rules: ventRules },
  'vent-small': { figure: vacuum, rules: ventRules },
};
