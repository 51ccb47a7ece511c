import { message } from '../../working/figure.js';
import { finding } from '../message-parts.js';
import { allWater, chemicals } from '../reads.js';
import type { SoftPumpAnswers } from '../soft-pump/result.js';
import type { Subject } from '../subject.js';
import { assessCircuits } from './circuit.js';
import { CIRCUIT_KINDS, type CircuitCode } from './kinds.js';
import type { CircuitAnswers } from './result.js';

/** Cables and fuses from the battery to what it drives. */
export const CIRCUIT: Subject<CircuitAnswers, SoftPumpAnswers, CircuitCode> = {
  name: 'circuit',
  scale: 'rating',
  kinds: CIRCUIT_KINDS,
  needs: ['soft-pump'],
  reads: (of) => [
    ...chemicals(of),
    ...allWater(of),
    of.rig.platform,
    ...of.rig.placements,
    ...of.rig.gear,
    ...of.rig.reels,
    ...of.rig.boosters,
    ...of.rig.softPumps,
  ],
  assess: ({ cases }, { chemical }) => ({ circuits: assessCircuits(cases, chemical.softPumps) }),
  findings: ({ values }, { circuits }) =>
    circuits
      .filter((c) => c.gauge === undefined)
      .map((c) =>
        finding(
          'circuit-long',
          'tight',
          'power',
          { kind: 'power', id: c.loadId },
          message('No cable that is sold carries {i} over {l} to {name} and loses less than {share}: bring the battery nearer, or give it one of its own.', {
            i: { value: c.current.value, dimension: 'current' },
            l: { value: c.lengthM, dimension: 'length' },
            name: c.name,
            share: { value: values['wire-drop'], dimension: 'ratio' },
          }),
        ),
      ),
  rests: (_rig, { circuits }) => (circuits.length ? ['wire-drop'] : []),
};
