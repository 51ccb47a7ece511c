import { assumption } from './entry.js';

export const BYPASS_ASSUMPTIONS = [
  assumption('bypass-loop', 'Water in a bypass that loops to the inlet', 'volume', '0.5 gal', 'estimate', 'Pump head, unloader and a short hose.'),
  assumption('return-limit', 'Back-pressure allowed in a return line', 'pressure', '45 psi', 'estimate', 'Take the limit from the unloader’s data sheet.'),
  assumption(
    'bypass-limit',
    'Hottest water a pump may take',
    'temperature',
    '60 °C',
    'common-practice',
    'Usual limit of pump seals; take the figure from the data sheet.',
  ),
  assumption(
    'bypass-trapped',
    'Pressure a trapped-pressure unloader leaves in bypass',
    'pressure',
    '250 psi',
    'estimate',
    'A few bar to some tens of bar by kind; take the figure from the data sheet.',
  ),
  assumption('bypass-soon', 'Time to the limit in a loop to warn at', 'time', '10 min', 'common-practice', 'A phone call takes that long.'),
  assumption('bypass-tank-soon', 'Time to the limit through a tank to warn at', 'time', '60 min', 'common-practice', 'A lunch break takes that long.'),
  assumption('bubble-room', 'Water over the outlet that bubbles may reach', 'length', '20 mm', 'estimate', 'The last finger of water is never drawn evenly.'),
] as const;
