import { type Kinds, places } from '../kind.js';

export type WholeCode = 'no-machine' | 'unsolved';

export const WHOLE_KINDS: Kinds<WholeCode> = {
  'no-machine': { figure: places('no-machine') },
  unsolved: {
    figure: {
      label: 'cases that do not settle',
      dimension: 'number',
      better: 'less',
      step: 0.5,
      of: (a) => a.findings.filter((f) => f.code === 'unsolved').length,
    },
  },
};
