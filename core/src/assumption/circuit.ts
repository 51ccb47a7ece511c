import { assumption } from './entry.js';

export const CIRCUIT_ASSUMPTIONS = [
  assumption(
    'wire-drop',
    'Most of its voltage that a pump or a reel may lose on the way',
    'ratio',
    '3 %',
    'published',
    'Boat wiring practice for what must work (from memory).',
  ),
  assumption('wire-length', 'From battery to load, one way, while either has no place', 'length', '10 ft', 'estimate', 'Across a small deck and down a rail.'),
  assumption('wire-slack', 'Cable over its way along the deck', 'ratio', '20 %', 'estimate', 'Bends, ends, and some to spare.'),
  assumption('booster-efficiency', 'Efficiency of a 12 V booster', 'ratio', '35 %', 'estimate', 'Small centrifugal pumps with their motors.'),
  assumption('remote-current', 'Current of a remote soap switch', 'current', '2 A', 'estimate', 'A valve’s coil and its receiver.'),
] as const;
