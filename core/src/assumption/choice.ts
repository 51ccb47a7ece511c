import { assumption } from './entry.js';

/** What trouble and weight count for against money, where ways of building are weighed against one another. */
export const CHOICE_ASSUMPTIONS = [
  assumption('price-tight', 'What a tight verdict counts for against money', 'money', '$300', 'estimate', 'A morning of the workshop.'),
  assumption('price-minute', 'What each minute lost in a day counts for', 'money', '$40', 'estimate', 'A crew’s minute each day of a season.'),
  assumption('price-stay', 'What changing nothing is worth', 'money', '$50', 'estimate', 'Give a reason for each change.'),
  assumption(
    'price-weight',
    'What each pound more on the road counts for',
    'money',
    '$0.30',
    'estimate',
    '‹Tires›, brakes, fuel and what else could ride along. What an axle may carry decides besides.',
  ),
] as const;
