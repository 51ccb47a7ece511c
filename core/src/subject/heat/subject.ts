import { heatCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { heatFindings } from './findings.js';
import { assessHeat } from './heat.js';
import { HEAT_KINDS, type HeatCode } from './kinds.js';
import type { HeatAnswers } from './result.js';

/** Burners: how hot the water gets, what that takes, what has to stand it. */
export const HEAT: Subject<HeatAnswers, object, HeatCode> = {
  name: 'heat',
  scale: 'rating',
  kinds: HEAT_KINDS,
  reads: ['burners', 'all water', 'lines'],
  assess: ({ cases }) => ({ burners: assessHeat(cases) }),
  findings: ({ rig }, { burners }) => heatFindings(rig, burners),
  rests: (_rig, { burners }) => (burners.some((b) => b.weakest?.assumed) ? ['cold-stands'] : []),
  cautions: heatCautions,
};
