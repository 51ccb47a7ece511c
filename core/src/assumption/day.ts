import { assumption } from './entry.js';

export const DAY_ASSUMPTIONS = [
  assumption('day-short', 'Quickest a phase of the day is done, against its usual time', 'ratio', '85 %', 'estimate', 'A crew that has done it often.'),
  assumption(
    'day-long',
    'Longest a phase of the day takes, against its usual time',
    'ratio',
    '150 %',
    'estimate',
    'A larger house, a blocked drive, a talkative customer.',
  ),
  assumption('day-trigger', 'How far the trigger share strays, up and down, of itself', 'ratio', '25 %', 'estimate', 'Dirtier or cleaner than it looked.'),
  assumption(
    'day-stock',
    'How far the stock may be weaker than reckoned',
    'ratio',
    '15 %',
    'common-practice',
    'Drums differ, and heat and time eat what is inside.',
  ),
  assumption('day-restart', 'Share of the usable water that a waiting crew lets run in', 'ratio', '15 %', 'estimate', 'Enough to work on for a while.'),
  assumption('day-patience', 'Longest a crew waits for water before it leaves the rest undone', 'time', '45 min', 'estimate', 'The next customer is waiting.'),
  assumption(
    'days-far',
    'Times the allowed share of short days from which a rig is starved, where that is sure',
    'number',
    '5',
    'common-practice',
    'A day in ten where one in fifty is allowed costs a customer.',
  ),
  assumption('refill-flow', 'Flow at a refill place', 'flow', '20 gpm', 'estimate', 'A standpipe or a yard hydrant with a 1 in hose.'),
  assumption(
    'float-travel',
    'Last rise of the water over which a float valve shuts',
    'length',
    '1.5 in',
    'estimate',
    'Take it from the valve; long arms shut slower.',
  ),
] as const;
