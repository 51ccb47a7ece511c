import type { FeedAnswers } from '../feed/result.js';
import type { Subject } from '../subject.js';
import { slopeFindings } from './findings.js';
import { SLOPE_KINDS, type SlopeCode } from './kinds.js';
import type { SlopeAnswers } from './result.js';
import { assessSlope } from './slope.js';

/** What the steepest site takes from tanks and feeds. */
export const SLOPE: Subject<SlopeAnswers, FeedAnswers, SlopeCode> = {
  name: 'slope',
  scale: 'feeding',
  kinds: SLOPE_KINDS,
  needs: ['feed'],
  reads: ['slope'],
  assess: ({ cases }, { feeds }) => ({ slope: assessSlope(cases, feeds) }),
  findings: ({ cases }, a) => (a.slope ? slopeFindings(cases, a.slope, a.feeds) : []),
  rests: (_rig, { slope }) => (slope?.tanks.length ? ['slope-kept', 'heel-share'] : []),
};
