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
  reads: ['assumptions', 'coldest', 'feed paths', 'machines', 'softPumps', 'mixes', 'tanks', 'guns open', 'lines', 'batteries'],
  assess: ({ cases }, { batteries }) => ({ chemical: { winter: assessWinter(cases, batteries) } }),
  findings: ({ rig }, a) => winterFindings(rig, a.chemical.winter),
  rests: (_rig, { chemical: { winter } }) => [
    ...(winter ? (['pump-wetted'] as const) : []),
    ...(winter?.coldestK !== undefined ? (['antifreeze-price'] as const) : []),
    ...(winter?.batteries.length ? (['battery-cold'] as const) : []),
  ],
};
