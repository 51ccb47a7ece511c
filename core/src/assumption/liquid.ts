import { assumption } from './entry.js';

export const LIQUID_ASSUMPTIONS = [
  assumption('chem-reserve', 'Reserve of chemicals over the day’s need', 'ratio', '15 %', 'common-practice', 'A roof is always larger than it looked.'),
  assumption(
    'bund-share',
    '‹Containment tray› under a chemical tank, share of the tank',
    'ratio',
    '110 %',
    'common-practice',
    'Store rules often ask for 110 % of the largest tank (from memory); local rules decide.',
  ),
  assumption(
    'stock-stale',
    'Strength at which stock counts as stale, of that bought',
    'ratio',
    '80 %',
    'common-practice',
    'A fifth gone is what mixes by rule of thumb still stand.',
  ),
  assumption(
    'store-summer',
    'Where chemicals are kept, in summer',
    'temperature',
    '86 °F',
    'estimate',
    'A shed in the shade; a closed van in the sun is far hotter.',
  ),
  assumption('store-winter', 'Where chemicals are kept, in winter', 'temperature', '46 °F', 'estimate', 'A shed that does not freeze.'),
  assumption('use-by-over', 'How long a mixed powder may be kept before a warning, against its good days', 'ratio', '150 %', 'estimate', 'Its end is no edge.'),
  assumption(
    'excess-caustic',
    'Excess caustic in bleach as sold, mol/L',
    'number',
    '0.1',
    'estimate',
    'It adds to the ionic strength that decay goes by; makers differ.',
  ),
] as const;
