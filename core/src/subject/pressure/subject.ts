import { pressureCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { PRESSURE_KINDS, type PressureCode } from './kinds.js';
import { assessMachine, assessOutlet, pressureCases, pressureFindings } from './pressure.js';
import type { PressureAnswers } from './result.js';

/** What arrives at the guns, and what that asks of pumps and engines. */
export const PRESSURE: Subject<PressureAnswers, object, PressureCode> = {
  name: 'pressure',
  scale: 'rating',
  kinds: PRESSURE_KINDS,
  reads: ['behind the pumps', 'guns open'],
  assess: ({ cases, rig }) => {
    const list = pressureCases(cases);
    return {
      cases: list,
      machines: rig.machines.flatMap((m) => assessMachine(cases, m, list) ?? []),
      outlets: rig.outlets.flatMap((o) => assessOutlet(cases, o) ?? []),
    };
  },
  rests: (rig, a) => [
    ...(a.outlets.length ? (['gun-far', 'gun-low', 'gun-high', 'unloader-return', 'unloader-most', 'nozzle-alike'] as const) : []),
    ...(rig.machines.some((m) => m.drive === 'vehicle' && !m.takeOff) ? (['vehicle-idle'] as const) : []),
  ],
  findings: ({ cases }, a) => pressureFindings(cases, a.cases, a.machines, a.outlets),
  cautions: pressureCautions,
};
