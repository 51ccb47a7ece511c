import { flatMap } from '../../lists.js';
import type { CircuitAnswers } from '../circuit/result.js';
import { feedPath } from '../../solve/inlet.js';
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
  // Its circuits and steps are told by name; a circuit is the way that the water takes.
  reads: ({ rig, ground }) => [
    rig.assumptions,
    rig.brief.coldest,
    ...flatMap(rig.machines, (m) => [m.id, m.name, ...feedPath(ground.cases.asDrawn, m).map((l) => l.id)]),
    ...rig.softPumps.map((p) => p.name),
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
