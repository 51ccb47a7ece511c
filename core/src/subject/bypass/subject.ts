import { bypassCautions } from './cautions.js';
import type { PressureAnswers } from '../pressure/result.js';
import type { Subject } from '../subject.js';
import { assessBypass, bypassFindings } from './bypass.js';
import { BYPASS_KINDS, type BypassCode } from './kinds.js';
import type { BypassAnswers } from './result.js';

/** Where the water goes when the trigger is let go, and how warm it gets. */
export const BYPASS: Subject<BypassAnswers, PressureAnswers, BypassCode> = {
  name: 'bypass',
  scale: 'rating',
  kinds: BYPASS_KINDS,
  needs: ['pressure'],
  reads: ['behind the pumps, and tanks', 'feed lines'],
  assess: ({ cases, rig }, { cases: list }) => ({ bypasses: rig.machines.map((m) => assessBypass(cases, m, list)) }),
  rests: (_rig, a) => (a.bypasses.length ? ['bypass-soon', 'bypass-tank-soon', 'bubble-room'] : []),
  findings: ({ cases, rig }, a) => rig.machines.flatMap((m, i) => bypassFindings(cases, m, a.bypasses[i])),
  cautions: bypassCautions,
};
