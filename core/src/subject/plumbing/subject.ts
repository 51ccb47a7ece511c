import type { Subject } from '../subject.js';
import { plumbingFindings } from './findings.js';
import { PLUMBING_KINDS, type PlumbingCode } from './kinds.js';

/** Whether lines are fitted out for the work: strained, shut off, primed, made for their pressure, safe to fill. */
export const PLUMBING: Subject<object, object, PlumbingCode> = {
  name: 'plumbing',
  scale: 'practice',
  kinds: PLUMBING_KINDS,
  reads: ['before the pumps', 'guns open', 'lines'],
  assess: () => ({}),
  findings: ({ cases }) => plumbingFindings(cases),
  rests: (rig) => [
    ...(rig.machines.length ? (['dry-suction', 'air-share', 'rating-hose', 'rating-fitting'] as const) : []),
    ...(rig.tanks.some((t) => t.lid === 'closed') ? (['tank-pressure'] as const) : []),
  ],
};
