import { type Kinds, places } from '../kind.js';
import { supplyRules } from './fixes.js';

export type SupplyCode = 'no-battery' | 'no-mains';

export const SUPPLY_KINDS: Kinds<SupplyCode> = {
  'no-battery': { figure: places('no-battery'), rules: supplyRules },
  'no-mains': { figure: places('no-mains'), rules: supplyRules },
};
