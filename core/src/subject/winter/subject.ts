import type { CircuitAnswers } from '../circuit/result.js';
import type { Subject } from '../subject.js';
import { winterFindings } from './findings.js';
import { WINTER_KINDS, type WinterCode } from './kinds.js';
import type { WinterAnswers } from './result.js';
import { assessWinter } from './winter.js';

/** What frost can burst, and what it takes to save it. */
export const WINTER: Subject<WinterAnswers, CircuitAnswers, WinterCode> = {
  name: 'winter',
  scale: 'practice',
  kinds: WINTER_KINDS,
  needs: ['circuit'],
  // Its circuits and steps are told by name.
  reads: ({ rig }) => [
    rig.assumptions,
    rig.brief.coldest,
    ...rig.machines,
    ...rig.mixes,
    ...rig.tanks,
    ...rig.outlets.map((o) => o.id),
    ...rig.lines,
    ...rig.batteries,
  ],
  assess: ({ cases }, { batteries }) => ({ chemical: { winter: assessWinter(cases, batteries) } }),
  findings: ({ rig }, a) => winterFindings(rig, a.chemical.winter),
  rests: (_rig, { chemical: { winter } }) => [
    ...(winter ? (['pump-wetted'] as const) : []),
    ...(winter?.coldestK !== undefined ? (['antifreeze-price'] as const) : []),
    ...(winter?.batteries.length ? (['battery-cold'] as const) : []),
  ],
};
