import { type Kinds, places } from '../kind.js';
import { attackRules, neverRules } from './fixes.js';

export type MeetingCode = 'never-mix' | 'attacked';

export const MEETING_KINDS: Kinds<MeetingCode> = {
  'never-mix': {
    figure: {
      label: 'places where they can meet',
      dimension: 'number',
      better: 'less',
      step: 0.5,
      of: (a) => a.chemical.meetings.reduce((n, m) => n + (m.verdict === 'never' ? m.places.length : 0), 0),
    },
    rules: neverRules,
  },
  attacked: { figure: places('attacked'), rules: attackRules },
};
