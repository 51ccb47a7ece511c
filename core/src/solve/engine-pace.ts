import type { AssumptionValues } from '../assumption/register.js';
import { powerUp } from '../energy/index.js';
import { driveOf, type Machine, type Rig } from '../rig/schema.js';

/** Short by less than this an engine still holds its speed. */
export const HOLDS = 0.98;
/** Under this share of its speed an engine dies. */
const STALLS = 0.5;
/** Of its speed, what a stalled one is worked out with: as good as none, and a network still has a flow. */
const DEAD = 1e-3;

/** What a machine's drive gives up there, W. */
export const drivePower = (machine: Machine, rig: Rig, values: AssumptionValues): number =>
  powerUp(machine.enginePower, driveOf(machine), rig.brief.altitude, values);

/** At its shaft, W. */
export const shaftPower = (pressurePa: number, flowM3s: number, values: AssumptionValues): number => (pressurePa * flowM3s) / values['pump-efficiency'];

/**
 * Share of its full flow that a pump gives whose engine is too small. An engine keeps its torque, not its power: it slows until the
 * pressure is what its torque turns against, and the nozzle's pressure falls with the square of what still goes through it. What the
 * unloader turned back falls away first. At half the torque the nozzle gets √½, 71 %.
 * @param pressurePa at the pump at full speed; @param returnedM3s of that by the unloader
 */
export function enginePace(availableW: number, pressurePa: number, flowM3s: number, returnedM3s: number, values: AssumptionValues): number {
  const needed = shaftPower(pressurePa, flowM3s, values);
  const torque = availableW / needed;
  if (!(needed > 0) || torque >= HOLDS) return 1;
  const pace = Math.min((1 - returnedM3s / flowM3s) * Math.sqrt(torque), 1);
  return pace < STALLS ? DEAD : pace;
}
