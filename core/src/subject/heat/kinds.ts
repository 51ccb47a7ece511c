import { type Kinds, places } from '../kind.js';
import { dieselRules, hotRules } from './fixes.js';

export type HeatCode = 'too-hot' | 'not-hot' | 'burner-fuel';

export const HEAT_KINDS: Kinds<HeatCode> = {
  'too-hot': {
    figure: {
      label: 'under what the weakest part stands',
      dimension: 'temperatureStep',
      better: 'more',
      step: 0.5,
      of: (a, id) => {
        const b = a.burners.find((x) => x.burnerId === id);
        return b?.weakest ? b.weakest.standsK - b.setK : 0;
      },
    },
    rules: hotRules,
  },
  'burner-fuel': { scale: 'practice', figure: places('burner-fuel'), rules: dieselRules },
  'not-hot': {
    figure: {
      label: 'out of the burner',
      dimension: 'temperature',
      better: 'more',
      step: 0.5,
      of: (a, id) => a.burners.find((x) => x.burnerId === id)?.out.value ?? 0,
    },
    rules: hotRules,
  },
};
