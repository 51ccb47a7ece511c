import type { SoftPumpAnswers } from '../soft-pump/result.js';
import type { Subject } from '../subject.js';
import { assessPureWater } from './pure-water.js';
import type { PureWaterAnswers } from './result.js';

/** How long a resin bed before a brush lasts. */
export const PURE_WATER: Subject<PureWaterAnswers, SoftPumpAnswers, never> = {
  name: 'pure-water',
  scale: 'practice',
  kinds: {},
  needs: ['soft-pump'],
  reads: ['tap solids', 'sprayers'],
  assess: ({ rig }, { chemical }) => ({ chemical: { pureWater: assessPureWater(rig, chemical.softPumps) } }),
};
