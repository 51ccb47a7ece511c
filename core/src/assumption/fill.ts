import { assumption, SUCTION } from './entry.js';

export const FILL_ASSUMPTIONS = [
  assumption('summer-water', 'Warmest water the rig will meet', 'temperature', '86 °F', 'estimate', 'A dark tank in the sun; set it for your climate.'),
  assumption('winter-water', 'Coldest tap water the rig will meet', 'temperature', '41 °F', 'estimate', 'Ground water under frost; set it for your climate.'),
  assumption(
    'poor-spigot',
    'Flow of a poor site, against a typical one',
    'ratio',
    '50 %',
    'common-practice',
    '‹Spigots› differ from 2 to 7 gpm between houses.',
  ),
  assumption(
    'good-spigot',
    'Flow of a good site, against a typical one',
    'ratio',
    '140 %',
    'common-practice',
    '‹Spigots› differ from 2 to 7 gpm between houses.',
  ),
  assumption(
    'poor-pressure',
    'Pressure at rest of a poor site, against a typical one',
    'ratio',
    '85 %',
    'estimate',
    'A poor tap is mostly a narrow one; some are low in pressure too: the end of a main, a well, the top of a hill.',
  ),
  assumption('bucket', 'A bucket', 'volume', '5 gal', 'common-practice', 'The trade’s bucket.'),
  assumption('hand-least', 'Least that a hand hose should give', 'flow', '2 gpm', 'estimate', 'With less, a bucket takes longer than two and a half minutes.'),
  assumption(
    'inlet-minimum',
    'Pressure a machine fed straight from the ‹spigot› needs at its inlet',
    'pressure',
    '0 psi',
    'estimate',
    'At least no suction on a garden hose, which would flatten it.',
    SUCTION,
  ),
  assumption(
    'elbow-rule',
    'Flow a small 12 V pump loses at each elbow',
    'ratio',
    '5 %',
    'common-practice',
    'Rule of thumb of the trade; shown beside the computed loss.',
  ),
] as const;
