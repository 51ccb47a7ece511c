import { assumption } from './entry.js';

export const PLAN_ASSUMPTIONS = [
  assumption(
    'service-machine',
    'Free room on the side where a machine is served',
    'length',
    '18 in',
    'common-practice',
    'Room for a hand, a can and the cord.',
  ),
  assumption('service-other', 'Free room on the side where anything else is served', 'length', '8 in', 'estimate', 'Room for a hand and a spanner.'),
  assumption('reach', 'How far in over the edge of a deck a hand reaches', 'length', '28 in', 'estimate', 'Standing beside it, without climbing on.'),
  assumption('handle-low', 'Lowest handle, above the ground', 'length', '2 ft', 'common-practice', 'Lower wants kneeling.'),
  assumption('handle-high', 'Highest handle, above the ground', 'length', '6 ft', 'common-practice', 'Higher wants a ladder.'),
  assumption(
    'exhaust-clear',
    'How far an exhaust is kept from plastic, hose and people in front of it',
    'length',
    '36 in',
    'common-practice',
    'A tank in front of it melts.',
  ),
  assumption('overhang-reel', 'How far a reel may hang over the edge of a deck', 'length', '6 in', 'common-practice', 'A little, to save floor.'),
  assumption('width-most', 'Widest that goes on the road', 'length', '102 in', 'published', '23 CFR 658.15 (from memory); local road rules decide.'),
  assumption('battery-apart', 'Distance of a battery from petrol', 'length', '18 in', 'estimate', 'A spark at a terminal, vapour at a cap.'),
  assumption(
    'ladder-high',
    'Highest ladder that is taken off without a ladder, above the ground',
    'length',
    '7 ft',
    'common-practice',
    'As high as two hands lift.',
  ),
  assumption('hold-from', 'Weight from which a thing has to be held down', 'mass', '60 lb', 'estimate', 'Lighter things stay in boxes.'),
  assumption('hold-safety', 'Safety of bolts, on what breaks them', 'number', '3', 'estimate', 'Boards, frame and washers are not reckoned.'),
  assumption('hold-bar', 'Force that one welded bar over a tank holds', 'force', '2000 lbf', 'estimate', 'Flat bar 1/4 × 2 in, two good welds.'),
  assumption('strap-year', 'What a strap loses in a year of weather', 'ratio', '15 %', 'estimate', 'They dry-rot: look at them, replace them.'),
] as const;
