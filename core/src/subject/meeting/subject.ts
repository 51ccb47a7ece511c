import { meetingCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { attackFindings, meetingFindings } from './findings.js';
import { MEETING_KINDS, type MeetingCode } from './kinds.js';
import { assessMeetings } from './meetings.js';
import type { MeetingAnswers } from './result.js';

/** What may meet what: liquids with one another, and with what they run through. */
export const MEETING: Subject<MeetingAnswers, object, MeetingCode> = {
  name: 'meeting',
  scale: 'practice',
  kinds: MEETING_KINDS,
  reads: ['assumptions', 'liquids', 'tanks', 'mixes', 'softPumps', 'guns open', 'lines', 'manifolds', 'reels'],
  assess: ({ rig, stocks }) => ({ chemical: { meetings: assessMeetings(rig, stocks) } }),
  findings: ({ rig, stocks }, a) => [...meetingFindings(rig, a.chemical.meetings), ...attackFindings(rig, stocks)],
  cautions: meetingCautions,
};
