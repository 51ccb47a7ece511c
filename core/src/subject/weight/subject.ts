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
  // Its fillings are told by the names of their tanks.
  reads: ({ rig, bare }) => [
    rig.assumptions,
    rig.platform,
    rig.power,
    ...(rig.platform
      ? [
          ...rig.placements,
          ...bare(rig.gear),
          ...rig.tanks,
          ...bare(rig.machines),
          ...bare(rig.softPumps),
          ...bare(rig.boosters),
          ...bare(rig.manifolds),
          ...bare(rig.mixes),
          ...bare(rig.reels),
          ...bare(rig.liquids),
          ...bare(rig.outlets),
          ...bare(rig.sprayers),
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
