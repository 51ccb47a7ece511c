import { type Kinds, places } from '../kind.js';

export type CircuitCode = 'circuit-long';

export const CIRCUIT_KINDS: Kinds<CircuitCode> = {
  'circuit-long': { figure: places('circuit-long'), minor: true },
};
