import type { Subject } from '../subject.js';
import { weightFindings } from './findings.js';
import { WEIGHT_KINDS, type WeightCode } from './kinds.js';
import type { WeightAnswers } from './result.js';
import { assessWeight } from './weight.js';

/** What the axles, the coupling and what tows carry, in every filling. */
export const WEIGHT: Subject<WeightAnswers, object, WeightCode> = {
  name: 'weight',
  scale: 'rating',
  kinds: WEIGHT_KINDS,
  // Its states and limits are told by name.
  reads: ({ rig }) => [
    rig.assumptions,
    rig.platform,
    rig.power,
    ...(rig.platform
      ? [
          ...rig.placements,
          ...rig.gear,
          ...rig.tanks,
          ...rig.machines,
          ...rig.softPumps,
          ...rig.boosters,
          ...rig.manifolds,
          ...rig.mixes,
          ...rig.reels,
          ...rig.liquids,
          ...rig.outlets,
          ...rig.sprayers,
          ...rig.lines,
        ]
      : []),
  ],
  assess: ({ rig, stocks }) => ({ weight: assessWeight(rig, stocks) }),
  findings: ({ rig, values }, { weight }) => (weight ? weightFindings(rig, weight, values) : []),
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
        ]
      : [],
};
