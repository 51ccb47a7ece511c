import { assumption } from './entry.js';

export const SLOPE_ASSUMPTIONS = [
  assumption(
    'slope-kept',
    'Share of a tank’s usable water that a slope may keep from its outlet',
    'ratio',
    '10 %',
    'estimate',
    'More is felt as a tank that runs dry early on every sloping drive.',
  ),
] as const;
