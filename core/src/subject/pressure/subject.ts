import { flatMap } from '../../lists.js';
import { pressureCautions } from './cautions.js';
import { behindPumps, gunPartOf } from '../reads.js';
import type { Subject } from '../subject.js';
import { PRESSURE_KINDS, type PressureCode } from './kinds.js';
import { assessMachine, assessOutlet, pressureCases, pressureFindings, tellsEvery } from './pressure.js';
import type { PressureAnswers } from './result.js';

/** What arrives at the guns, and what that asks of pumps and engines. */
export const PRESSURE: Subject<PressureAnswers, object, PressureCode> = {
  name: 'pressure',
  scale: 'rating',
  kinds: PRESSURE_KINDS,
  // The cases carry the names of the guns.
  reads: (of) => [behindPumps(of), of.rig.outlets],
  assess: ({ cases, rig, each }) => {
    const every = tellsEvery(rig.outlets.filter((o) => o.open));
    const list = pressureCases(cases, (gun, make) => each(`held ${gun}`, (of) => [gunPartOf(of, gun), every], make));
    return {
      cases: list,
      machines: flatMap(rig.machines, (m) => assessMachine(cases, m, list) ?? []),
      outlets: flatMap(
        rig.outlets,
        (o) =>
          each(
            `gun ${o.id}`,
            (of) => [gunPartOf(of, o.id)],
            () => assessOutlet(cases, o),
          ) ?? [],
      ),
    };
  },
  rests: (rig, a) => [
    ...(a.outlets.length ? (['gun-far', 'gun-low', 'gun-high', 'unloader-return', 'unloader-most', 'nozzle-alike'] as const) : []),
    ...(rig.machines.some((m) => m.drive === 'vehicle' && !m.takeOff) ? (['vehicle-idle'] as const) : []),
  ],
  findings: ({ cases }, a) => pressureFindings(cases, a.cases, a.machines, a.outlets),
  cautions: pressureCautions,
};
