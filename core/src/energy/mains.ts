import type { AssumptionValues } from '../assumption/register.js';
import { driveOf, type Gear, type Rig } from '../rig/schema.js';

/** A motor on the mains: what it takes at its plug, W. */
export interface MainsLoad {
  readonly id: string;
  readonly name: string;
  readonly powerW: number;
}

/** Everything that runs on the mains at work; a shore charger works at night. */
export const mainsLoads = (rig: Rig, values: AssumptionValues): readonly MainsLoad[] => [
  ...rig.machines.filter((m) => driveOf(m) === 'electric').map((m) => ({ id: m.id, name: m.name, powerW: m.enginePower / values['motor-efficiency'] })),
  ...rig.compressors.filter((c) => driveOf(c) === 'electric').map((c) => ({ id: c.id, name: c.name, powerW: c.power / values['motor-efficiency'] })),
];

/** The generator that gives the mains: the first on board. */
export const generatorOf = (rig: Rig): Gear | undefined => (rig.mains?.from === 'generator' ? rig.gear.find((g) => g.kind === 'generator') : undefined);

/** What a generator has to give for hours, and while the largest motor starts, W. */
export function generatorNeeds(loads: readonly MainsLoad[], values: AssumptionValues): { readonly runningW: number; readonly startingW: number } {
  const runningW = loads.reduce((s, l) => s + l.powerW, 0);
  const largest = Math.max(0, ...loads.map((l) => l.powerW));
  return { runningW, startingW: runningW + largest * (values['motor-start'] - 1) };
}
