import { type Kinds, places } from '../kind.js';
import { planRules } from './fixes.js';

export type PlanCode =
  | 'overlap'
  | 'overhang'
  | 'too-wide'
  | 'too-high'
  | 'wheel-box'
  | 'keep-free'
  | 'no-room'
  | 'out-of-reach'
  | 'handle-height'
  | 'exhaust-near'
  | 'exhaust-inside'
  | 'exhaust-people'
  | 'battery-fuel'
  | 'fuel-oxidiser'
  | 'fuel-hot'
  | 'fuel-inside'
  | 'battery-gas'
  | 'fumes-inside'
  | 'gas-pair'
  | 'not-held'
  | 'held-weak'
  | 'ties-few'
  | 'tall-tips'
  | 'reel-blocked'
  | 'reel-low'
  | 'ladder-high'
  | 'hose-short'
  | 'hand-blocked'
  | 'drain-blocked'
  | 'no-way-in'
  | 'cap-blocked'
  | 'lid-blocked'
  | 'fumes-intake'
  | 'bund-room'
  | 'gate-blocked'
  | 'reel-unparked';

const told = (code: PlanCode, minor = false) => ({ figure: places(code), rules: planRules, ...(minor ? { minor: true } : {}) });

export const PLAN_KINDS: Kinds<PlanCode> = {
  overlap: told('overlap'),
  overhang: told('overhang', true),
  'too-wide': { ...told('too-wide'), scale: 'rating' },
  'too-high': told('too-high'),
  'wheel-box': told('wheel-box'),
  'keep-free': told('keep-free', true),
  'no-room': told('no-room'),
  'out-of-reach': told('out-of-reach', true),
  'handle-height': told('handle-height', true),
  'exhaust-near': told('exhaust-near'),
  'exhaust-inside': told('exhaust-inside'),
  'exhaust-people': told('exhaust-people', true),
  'battery-fuel': told('battery-fuel', true),
  'fuel-oxidiser': told('fuel-oxidiser', true),
  'fuel-hot': { ...told('fuel-hot', true), scale: 'practice' },
  'fuel-inside': { ...told('fuel-inside'), scale: 'practice' },
  'battery-gas': { ...told('battery-gas', true), scale: 'practice' },
  'fumes-inside': { ...told('fumes-inside'), scale: 'practice' },
  'gas-pair': { ...told('gas-pair', true), scale: 'practice' },
  'not-held': { ...told('not-held', true), scale: 'practice' },
  'ties-few': { ...told('ties-few'), scale: 'rating' },
  'tall-tips': { ...told('tall-tips', true), scale: 'practice' },
  'held-weak': {
    scale: 'rating',
    figure: {
      label: 'held to spare',
      dimension: 'force',
      better: 'more',
      step: 10,
      of: (a, id) => {
        const t = a.plan?.things.find((x) => x.id === id);
        return t?.held ? t.held.value - t.heldWantedN : 0;
      },
    },
    rules: planRules,
  },
  'reel-blocked': told('reel-blocked', true),
  'reel-low': told('reel-low', true),
  'ladder-high': told('ladder-high', true),
  'hose-short': { ...told('hose-short', true), scale: 'practice' },
  'hand-blocked': told('hand-blocked', true),
  'no-way-in': told('no-way-in'),
  'drain-blocked': told('drain-blocked', true),
  'cap-blocked': told('cap-blocked', true),
  'lid-blocked': told('lid-blocked', true),
  'bund-room': told('bund-room', true),
  'gate-blocked': told('gate-blocked', true),
  'reel-unparked': { ...told('reel-unparked', true), scale: 'practice' },
  'fumes-intake': { ...told('fumes-intake', true), scale: 'practice' },
};
