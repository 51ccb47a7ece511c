import type { SoftPumpAnswers } from '../soft-pump/result.js';
import type { Subject } from '../subject.js';
import { assessAir } from './air.js';
import { airFindings } from './findings.js';
import { AIR_KINDS, type AirCode } from './kinds.js';
import type { AirAnswers } from './result.js';

/** Compressors, receivers and air lines, and what breathes from them. */
export const AIR: Subject<AirAnswers, SoftPumpAnswers, AirCode> = {
  name: 'air',
  scale: 'rating',
  kinds: AIR_KINDS,
  needs: ['soft-pump'],
  reads: ['chemicals', 'softPumps', 'airLines', 'platform', 'placements', 'gear', 'reels'],
  assess: ({ cases }, { chemical }) => ({ air: assessAir(cases, chemical.softPumps) }),
  findings: ({ rig, values }, { air }) => airFindings(rig, air, values),
  rests: (rig, { air }) => [
    ...(air.pumps.length ? (['air-surcharge', 'compressor-efficiency', 'air-engine-share', 'air-cut-out', 'air-cut-in', 'air-starves'] as const) : []),
    ...(rig.compressors.length ? (['air-tyre'] as const) : []),
  ],
};
