import { softPumpCautions } from './cautions.js';
import type { MixAnswers } from '../mix/result.js';
import type { Subject } from '../subject.js';
import { pumpFindings } from './findings.js';
import { SOFT_PUMP_KINDS, type SoftPumpCode } from './kinds.js';
import type { SoftPumpAnswers } from './result.js';
import { assessSoftPump } from './soft-pump.js';

/** Where soft wash pumps work, how far they throw and what drives them. */
export const SOFT_PUMP: Subject<SoftPumpAnswers, MixAnswers, SoftPumpCode> = {
  name: 'soft-pump',
  scale: 'rating',
  kinds: SOFT_PUMP_KINDS,
  needs: ['mix'],
  reads: ['chemicals'],
  assess: ({ cases, rig, blends }, { chemical: { mixes } }) => ({
    chemical: { softPumps: rig.softPumps.flatMap((pump) => assessSoftPump(cases, blends, mixes, pump) ?? []) },
  }),
  findings: ({ cases }, a) => pumpFindings(cases, a.chemical),
  rests: (rig, { chemical: { softPumps } }) => [
    ...(softPumps.some((p) => p.elbows.count > 0) ? (['elbow-rule'] as const) : []),
    ...(softPumps.length ? (['soft-wash-share', 'chem-bypass-limit', 'spray-starves', 'jet-starves'] as const) : []),
    ...(rig.softPumps.some((p) => p.kind !== 'electric') ? (['engine-fuel'] as const) : []),
    ...rig.sprayers.map((s) => (s.kind === 'brush' ? ('brush-flow' as const) : ('spray-flow' as const))),
  ],
  cautions: softPumpCautions,
};
