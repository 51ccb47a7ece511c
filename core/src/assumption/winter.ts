import { assumption } from './entry.js';

export const WINTER_ASSUMPTIONS = [
  assumption('flush-left', 'Water that stays in a drained line', 'ratio', '20 %', 'estimate', 'In low bends, pumps and strainers.'),
  assumption(
    'antifreeze-product',
    'Glycol in the antifreeze as sold',
    'ratio',
    '95 %',
    'estimate',
    'Propylene glycol concentrate; ready mixes are far weaker.',
  ),
  assumption('antifreeze-price', 'Antifreeze, a gallon', 'money', '$14', 'estimate', 'The workshop’s own.'),
  assumption('pump-wetted', 'Liquid in a plunger pump and its fittings', 'volume', '0.5 L', 'estimate', 'Head, unloader and strainer bowl.'),
] as const;
