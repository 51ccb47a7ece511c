import { planCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { toldOnce } from '../told-once.js';
import { planFindings } from './findings.js';
import { PLAN_KINDS, type PlanCode } from './kinds.js';
import { assessPlan } from './plan.js';
import type { PlanAnswers } from './result.js';

/** What stands where on the platform: whether it fits, is got at, is held, and what it blows at. */
export const PLAN: Subject<PlanAnswers, object, PlanCode> = {
  name: 'plan',
  scale: 'fit',
  kinds: PLAN_KINDS,
  reads: ['deck'],
  assess: ({ rig, stocks }) => ({ plan: assessPlan(rig, stocks) }),
  findings: ({ rig, values }, { plan }) => (plan ? toldOnce(plan, rig, () => planFindings(rig, plan, values)) : []),
  rests: (_rig, { plan }) =>
    plan
      ? [
          'service-machine',
          'service-other',
          'reach',
          'handle-low',
          'handle-high',
          'exhaust-clear',
          'exhaust-spread',
          'overhang-reel',
          'overhang-thing',
          'width-most',
          'battery-apart',
          'fuel-heat-apart',
          'fuel-engine-apart',
          'gas-apart',
          'fuel-density',
          'diesel-density',
          'ladder-high',
          'hold-from',
          'bund-depth',
          'gate-room',
          'lid-room',
          'aisle',
          'aisle-step',
          'aisle-stoop',
          'aisle-aslant',
          'start-height',
          'drain-height',
          'pan-height',
          'cap-room',
          'drain-room',
          'cord-room',
          'starter-from',
          'vent-intake',
          'hold-safety',
        ]
      : [],
  cautions: planCautions,
};
