import { type Kinds, places } from '../kind.js';

export type FillCode = 'no-fill';

export const FILL_KINDS: Kinds<FillCode> = {
  'no-fill': { figure: places('no-fill') },
};
