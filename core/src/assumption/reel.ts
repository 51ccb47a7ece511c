import { assumption } from './entry.js';

export const REEL_ASSUMPTIONS = [
  assumption(
    'reel-winding',
    'Hose that really fits a drum, against the drum formula',
    'ratio',
    '85 %',
    'estimate',
    'Hose wound by hand never lies quite close.',
  ),
  assumption('corner-hose', 'Hose that each corner takes', 'length', '5 ft', 'estimate', 'Slack round a corner, so that it does not catch.'),
  assumption('pull-speed', 'Pace of pulling hose out', 'velocity', '2.5 ft/s', 'estimate', 'A slow walk.'),
  assumption('walk-speed', 'Pace of a walk to the rig', 'velocity', '4 ft/s', 'estimate', 'A brisk walk round a hose.'),
] as const;
