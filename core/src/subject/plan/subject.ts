import type { Subject } from '../subject.js';
import { planFindings } from './findings.js';
import { PLAN_KINDS, type PlanCode } from './kinds.js';
import { assessPlan } from './plan.js';
import type { PlanAnswers } from './result.js';

/** What stands where on the platform: whether it fits, is got at, is held, and what it blows at. */
export const PLAN: Subject<PlanAnswers, object, PlanCode> = {
  name: 'plan',
  scale: 'fit',
  kinds: PLAN_KINDS,
  reads: ({ rig, bare }) => [
    rig.assumptions,
    rig.platform,
    rig.power,
    ...(rig.platform
      ? [
          ...rig.placements,
          ...bare(rig.gear),
          ...bare(rig.tanks),
          ...bare(rig.machines),
          ...bare(rig.softPumps),
          ...bare(rig.boosters),
          ...bare(rig.manifolds),
          ...bare(rig.mixes),
          ...bare(rig.reels),
          ...bare(rig.liquids),
          ...rig.lines,
        ]
      : []),
  ],
  assess: ({ rig, stocks }) => ({ plan: assessPlan(rig, stocks) }),
  findings: ({ rig, values }, { plan }) => (plan ? planFindings(rig, plan, values) : []),
  rests: (_rig, { plan }) =>
    plan
      ? [
          'service-machine',
          'service-other',
          'reach',
          'handle-low',
          'handle-high',
          'exhaust-clear',
          'overhang-reel',
          'width-most',
          'battery-apart',
          'ladder-high',
          'hold-from',
          'hold-safety',
        ]
      : [],
};
