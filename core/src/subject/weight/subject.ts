import { flatMap } from '../../lists.js';
import { weightCautions } from './cautions.js';
import type { Rig } from '../../rig/schema.js';
import { onTheDeck } from '../reads.js';
import type { Subject } from '../subject.js';
import { weightFindings } from './findings.js';
import { toldOnce } from '../told-once.js';
import { WEIGHT_KINDS, type WeightCode } from './kinds.js';
import type { WeightAnswers } from './result.js';
import { assessWeight } from './weight.js';

/** What guns and cleaners are sized by, and so weigh. */
const inHand = (rig: Rig): readonly unknown[] => [
  ...flatMap(rig.outlets, (o) => [o.kind, o.width, o.wantedPressure]),
  ...rig.sprayers.map((s) => s.nozzleBore),
];

/** What the axles, the coupling and what tows carry, in every filling. */
export const WEIGHT: Subject<WeightAnswers, object, WeightCode> = {
  name: 'weight',
  scale: 'rating',
  kinds: WEIGHT_KINDS,
  // Its fillings are told by the names of their tanks.
  reads: (of) => onTheDeck(of, [...of.rig.tanks, ...inHand(of.rig)]),
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
