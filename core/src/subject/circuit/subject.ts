import { circuitCautions } from './cautions.js';
import type { MixAnswers } from '../mix/result.js';
import { hoursRest } from '../../solve/hours.js';
import type { SoftPumpAnswers } from '../soft-pump/result.js';
import type { Subject } from '../subject.js';
import type { TransferAnswers } from '../transfer/result.js';
import { assessCircuits, hardChargers } from './circuit.js';
import { circuitFindings } from './findings.js';
import { CIRCUIT_KINDS, type CircuitCode } from './kinds.js';
import type { CircuitAnswers } from './result.js';

/** Batteries, what hangs on them and by which cables and fuses, what charges them; and the mains. */
export const CIRCUIT: Subject<CircuitAnswers, SoftPumpAnswers & TransferAnswers & MixAnswers, CircuitCode> = {
  name: 'circuit',
  scale: 'rating',
  kinds: CIRCUIT_KINDS,
  needs: ['soft-pump', 'transfer', 'mix'],
  reads: [
    'chemicals',
    'water of boosters',
    'wound lines',
    'guns open',
    'job',
    'platform',
    'mains',
    'placements',
    'gear',
    'reels',
    'boosters',
    'softPumps',
    'machines',
    'batteries',
    'chargers',
    'panels',
    'wires',
    'cables',
    'loads',
    'burners',
    'compressors',
  ],
  assess: ({ cases }, { chemical }) => assessCircuits(cases, chemical),
  findings: ({ rig, values }, a) => circuitFindings(rig, a, values),
  rests: (rig, { circuits, batteries, mains }) => [
    ...(circuits.some((c) => c.part !== 'starter') ? (['wire-drop', 'fuse-over', 'drop-starves', 'wire-air'] as const) : []),
    ...(circuits.some((c) => c.part === 'starter')
      ? (['starter-from', 'starter-time', 'starts-per-job', 'wire-air', 'crank-hopeless', 'starter-carries'] as const)
      : []),
    ...(circuits.some((c) => c.part === 'reel') ? (['reel-speed'] as const) : []),
    ...rig.batteries.map((b) => `battery-usable-${b.chemistry}` as const),
    ...rig.batteries.filter((b) => hardChargers(rig.chargers, b).length).map((b) => `charge-most-${b.chemistry}` as const),
    ...(batteries.length ? (['battery-near', 'pump-volts', ...hoursRest(rig)] as const) : []),
    ...(rig.chargers.some((c) => c.kind === 'solar') ? (['solar-share'] as const) : []),
    ...(rig.chargers.some((c) => c.kind === 'shore') ? (['night-hours'] as const) : []),
    ...(mains.loads.length ? (['motor-efficiency', 'motor-start', 'mains-volts'] as const) : []),
    ...(mains.fuelM3s > 0 ? (['generator-efficiency'] as const) : []),
  ],
  cautions: circuitCautions,
};
