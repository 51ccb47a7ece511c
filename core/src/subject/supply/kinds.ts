import { type Kinds, places } from '../kind.js';
import { generatorRules, leadRules, rcdRules, supplyRules } from './fixes.js';

export type SupplyCode = 'no-battery' | 'no-mains' | 'no-rcd' | 'generator-small' | 'socket-small' | 'lead-thin';

export const SUPPLY_KINDS: Kinds<SupplyCode> = {
  'no-battery': { figure: places('no-battery'), rules: supplyRules },
  'no-mains': { figure: places('no-mains'), rules: supplyRules },
  'no-rcd': { scale: 'practice', figure: places('no-rcd'), rules: rcdRules },
  'generator-small': { scale: 'rating', figure: places('generator-small'), rules: generatorRules },
  'socket-small': { scale: 'rating', figure: places('socket-small'), rules: generatorRules },
  'lead-thin': { scale: 'rating', figure: places('lead-thin'), rules: leadRules },
};
