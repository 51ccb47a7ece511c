import { assumption } from './entry.js';

export const MIX_ASSUMPTIONS = [
  assumption(
    'mix-tolerance',
    'How far the strength at the wall may stray',
    'ratio',
    '10 %',
    'common-practice',
    'Less shows nowhere; a roof forgives more than paint.',
  ),
  assumption(
    'mix-limit',
    'Straying at which a mix fails',
    'ratio',
    '30 %',
    'common-practice',
    'Weaker needs a second pass; stronger wastes SH and harms plants.',
  ),
  assumption('soft-wash-share', 'Share of the job with the soft wash gun open', 'ratio', '15 %', 'estimate', 'Most of a wash is dwell, rinse and moving hose.'),
  assumption('flush-volumes', 'Line volumes for a flush', 'number', '2', 'common-practice', 'One pushes out, one rinses: 5 to 10 gal on usual lines.'),
  assumption(
    'soap-tolerance',
    'How far a metered soap may stray from its dose',
    'ratio',
    '50 %',
    'estimate',
    'Soap forgives: half or half as much again still wets and clings.',
  ),
  assumption('soap-ageing', 'Days that soap poured into SH keeps', 'time', '14 d', 'common-practice', 'Then it separates; stir or meter it.'),
  assumption('gravity-soap', 'Specific gravity of soap', 'number', '1.03', 'estimate', 'Take it from the data sheet.'),
  assumption(
    'flush-clean',
    'Share of what stood in a hose that may still be at the tip',
    'ratio',
    '0.1 %',
    'estimate',
    'A thousandth of wash strength marks nothing.',
  ),
  assumption('usual-wash-area', 'Area of a usual wash where the brief names none', 'area', '232 m²', 'estimate', 'The walls of a middling house.'),
  assumption('usual-washes', 'Usual washes in a day where the brief names none', 'number', '2', 'estimate', 'One before and one after noon.'),
] as const;
