import type { Rig } from '../../rig/schema.js';
import type { FlowAnswers } from '../flow/result.js';
import type { PressureAnswers } from '../pressure/result.js';
import type { Subject } from '../subject.js';
import { REEL_KINDS, type ReelCode } from './kinds.js';
import { assessReel, assessRun, reelFindings, runFindings } from './reels.js';
import type { ReelAnswers } from './result.js';

const outletOf = (rig: Rig, id: string) => rig.outlets.find((o) => o.id === id)!;

/** Whether the hoses fit their reels and reach the work. */
export const REEL: Subject<ReelAnswers, FlowAnswers & PressureAnswers, ReelCode> = {
  name: 'reel',
  scale: 'practice',
  kinds: REEL_KINDS,
  needs: ['flow', 'pressure'],
  reads: ['behind the pumps', 'reels', 'placements', 'site', 'lines'],
  assess: ({ cases, rig }, { lineFlow, outlets }) => {
    return {
      reels: rig.reels.map((r) => assessReel(cases, r, lineFlow)),
      runs: outlets.flatMap((o) => assessRun(cases, outletOf(rig, o.outletId), o) ?? []),
    };
  },
  findings: ({ cases }, a) => [...reelFindings(cases, a.reels), ...runFindings(cases, a.runs)],
};
