import type { AssumptionValues } from '../assumption/register.js';
import { powerUp } from './engines.js';
import { driveOf, type GaugeName, type Gear, type Mains, type Rig } from '../rig/schema.js';

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

/** What a generator gives up there, W: running, and for a start; undefined where it does not say. */
export function generatorGives(
  set: Gear | undefined,
  rig: Rig,
  values: AssumptionValues,
): { readonly runningW: number; readonly startingW: number } | undefined {
  if (set?.running === undefined) return undefined;
  const up = (powerW: number): number => powerUp(powerW, 'petrol', rig.brief.altitude, values);
  return { runningW: up(set.running), startingW: up(set.starting ?? set.running) };
}

/** What flexible cords carry, two wires with current, A, by AWG: NEC table 400.5(A)(1); by mm², of rubber: HD 516, as IEC countries sell them for a socket of 16 or 32 A. From memory. */
const CORDS: Readonly<Partial<Record<GaugeName, number>>> = {
  '18': 10,
  '16': 13,
  '14': 18,
  '12': 25,
  '10': 30,
  '8': 40,
  '6': 55,
  '1.5 mm²': 16,
  '2.5 mm²': 25,
  '4 mm²': 34,
  '6 mm²': 43,
  '10 mm²': 60,
};
export const cordCarries = (gauge: GaugeName): number => CORDS[gauge] ?? Infinity;

/** A socket on the customer's wall, or a generator's: what it gives, and whether anybody said so. SI. */
export interface Socket {
  readonly volts: number;
  readonly breakerA: number;
  readonly said: boolean;
}
export const socketOf = (mains: Mains, values: AssumptionValues): Socket => ({
  volts: mains.volts ?? values['mains-volts'],
  breakerA: mains.breaker ?? values['mains-breaker'],
  said: mains.volts !== undefined && mains.breaker !== undefined,
});

/** What a generator has to give for hours, and while the largest motor starts, W. */
export function generatorNeeds(loads: readonly MainsLoad[], values: AssumptionValues): { readonly runningW: number; readonly startingW: number } {
  const runningW = loads.reduce((s, l) => s + l.powerW, 0);
  const largest = Math.max(0, ...loads.map((l) => l.powerW));
  return { runningW, startingW: runningW + largest * (values['motor-start'] - 1) };
}
