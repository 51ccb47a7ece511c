import { type Kinds, places } from '../kind.js';
import { fillRules, plumbingRules, ratingRules } from './fixes.js';

export type PlumbingCode = 'no-strainer' | 'no-shut-off' | 'no-foot-valve' | 'wont-prime' | 'rating-low' | 'fill-presses';

export const PLUMBING_KINDS: Kinds<PlumbingCode> = {
  'no-strainer': { figure: places('no-strainer'), rules: plumbingRules, minor: true },
  'no-shut-off': { figure: places('no-shut-off'), rules: plumbingRules, minor: true },
  'no-foot-valve': { scale: 'feeding', figure: places('no-foot-valve'), rules: plumbingRules, minor: true },
  'wont-prime': { scale: 'feeding', figure: places('wont-prime'), rules: plumbingRules },
  'rating-low': { scale: 'rating', figure: places('rating-low'), rules: ratingRules },
  'fill-presses': { scale: 'rating', figure: places('fill-presses'), rules: fillRules, minor: true },
};
