import { weightCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { toldOnce } from '../told-once.js';
import { weightFindings } from './findings.js';
import { WEIGHT_KINDS, type WeightCode } from './kinds.js';
import type { WeightAnswers } from './result.js';
import { assessWeight } from './weight.js';

/** What the axles, the coupling and what tows carry, in every filling. */
export const WEIGHT: Subject<WeightAnswers, object, WeightCode> = {
  name: 'weight',
  scale: 'rating',
  kinds: WEIGHT_KINDS,
  reads: ['deck', 'weighed besides'],
  assess: ({ rig, stocks }) => ({ weight: assessWeight(rig, stocks) }),
  findings: ({ rig, values }, { weight }) => (weight ? toldOnce(weight, rig, () => weightFindings(rig, weight, values)) : []),
  rests: (_rig, { weight }) =>
    weight
      ? [
          'rating-near',
          'tongue-least',
          'tongue-most',
          'tongue-sway',
          'steer-least',
          'side-most',
          'rollover-least',
          'brakes-from',
          'ticket-near',
          'fuel-density',
          'diesel-density',
        ]
      : [],
  cautions: weightCautions,
};
