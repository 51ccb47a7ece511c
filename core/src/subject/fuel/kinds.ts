import type { Judged } from '../assessment.js';
import { type FindingFigure, type Kinds, places } from '../kind.js';
import { extinguisherRules, lowRules, tankRules, ventRules, wrongRules } from './fixes.js';

export type FuelCode = 'no-fuel' | 'fuel-unvented' | 'fuel-wrong' | 'fuel-low' | 'fuel-share' | 'no-extinguisher';

const engine = (a: Judged, id: string) => a.fuel.engines.find((e) => e.engineId === id);
const outOfReach: FindingFigure = {
  label: 'fuel that never gets there',
  dimension: 'volume',
  better: 'less',
  step: 1e-5,
  of: (a, id) => engine(a, id)?.deadM3 ?? 0,
};

export const FUEL_KINDS_OF_FINDING: Kinds<FuelCode> = {
  'no-fuel': { scale: 'feeding', figure: places('no-fuel'), rules: tankRules },
  'fuel-unvented': { scale: 'feeding', figure: places('fuel-unvented'), rules: ventRules },
  'fuel-wrong': { scale: 'practice', figure: places('fuel-wrong'), rules: wrongRules },
  'fuel-low': { figure: outOfReach, rules: lowRules },
  'fuel-share': { scale: 'practice', figure: places('fuel-share'), minor: true },
  'no-extinguisher': { scale: 'practice', figure: places('no-extinguisher'), rules: extinguisherRules, minor: true },
};
