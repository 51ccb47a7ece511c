import { flatMap } from '../../lists.js';
import { pressureCautions } from './cautions.js';
import { behindPumps } from '../reads.js';
import type { Subject } from '../subject.js';
import { PRESSURE_KINDS, type PressureCode } from './kinds.js';
import { assessMachine, assessOutlet, pressureCases, pressureFindings } from './pressure.js';
import type { PressureAnswers } from './result.js';

/** What arrives at the guns, and what that asks of pumps and engines. */
export const PRESSURE: Subject<PressureAnswers, object, PressureCode> = {
  name: 'pressure',
  scale: 'rating',
  kinds: PRESSURE_KINDS,
  // The cases carry the names of the guns.
  reads: (of) => [behindPumps(of), of.rig.outlets],
  assess: ({ cases, rig }) => {
    const list = pressureCases(cases);
    return {
      cases: list,
      machines: flatMap(rig.machines, (m) => assessMachine(cases, m, list) ?? []),
      outlets: flatMap(rig.outlets, (o) => assessOutlet(cases, o) ?? []),
    };
  },
  rests: (rig, a) => [
    ...(a.outlets.length ? (['gun-far', 'gun-low', 'gun-high', 'unloader-return', 'unloader-most', 'nozzle-alike'] as const) : []),
    ...(rig.machines.some((m) => m.drive === 'vehicle' && !m.takeOff) ? (['vehicle-idle'] as const) : []),
  ],
  findings: ({ cases }, a) => pressureFindings(cases, a.cases, a.machines, a.outlets),
  cautions: pressureCautions,
};
