import { type Kinds, places } from '../kind.js';
import { generatorRules, rcdRules, supplyRules } from './fixes.js';

export type SupplyCode = 'no-battery' | 'no-mains' | 'no-rcd' | 'generator-small';

export const SUPPLY_KINDS: Kinds<SupplyCode> = {
  'no-battery': { figure: places('no-battery'), rules: supplyRules },
  'no-mains': { figure: places('no-mains'), rules: supplyRules },
  'no-rcd': { scale: 'practice', figure: places('no-rcd'), rules: rcdRules },
  'generator-small': { scale: 'rating', figure: places('generator-small'), rules: generatorRules },
};
