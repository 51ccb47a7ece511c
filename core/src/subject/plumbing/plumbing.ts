import { WATER_KG_M3 } from '../../fluid/water.js';
import { lineVolume } from '../../catalogue/part-loss.js';
import { orificePressure } from '../../hydraulics/outflow.js';
import type { Line, Machine, Part, Rig } from '../../rig/schema.js';
import type { Cases } from '../../solve/cases.js';
import { feedPath } from '../../solve/inlet.js';
import { startDepth } from '../../rig/tank-shape.js';
import { overrunOf } from '../../solve/unloader.js';
import { drawLevel } from '../../solve/rig-network.js';

const isShutOff = (p: Part): boolean =>
  (p.kind === 'fitting' && (p.is === 'ball-valve' || p.is === 'gate-valve')) || (p.kind === 'valve' && p.is === 'inlet-valve');
const isStrainer = (p: Part): boolean => p.kind === 'strainer' || (p.kind === 'valve' && p.is === 'filter');
const holdsWater = (p: Part): boolean =>
  (p.kind === 'fitting' && (p.is === 'check-valve' || p.is === 'foot-valve')) || (p.kind === 'valve' && p.oneWay === true);

/** How a machine's suction line is fitted out, and how it comes to draw. Lengths m, times s. */
export interface Suction {
  readonly path: readonly Line[];
  readonly strainer: boolean;
  /** Whether the strainer's bowl can be opened without emptying the tank. */
  readonly shutOff: boolean;
  readonly held: boolean;
  readonly boosted: boolean;
  /** Of the pump's inlet above the water as the job starts; below nothing, water runs to it by itself. */
  readonly liftM: number;
  /** Air in the line above the water, m³, and how long the pump takes to draw it out. */
  readonly airM3: number;
  readonly primeS: number;
}

/** Undefined for a machine that no tank feeds. */
export function suctionOf(cases: Cases, machine: Machine): Suction | undefined {
  const { rig, values } = cases;
  if (cases.net.cutOff.has(machine.id)) return undefined;
  const path = feedPath(cases.asDrawn, machine);
  const [first] = path;
  if (first?.from.at !== 'tank') return undefined;
  const tank = rig.tanks.find((t) => t.id === first.from.id)!;
  const parts = path.flatMap((l) => l.parts);
  const strainer = parts.findIndex(isStrainer);
  const outlet = drawLevel(tank, first);
  // As the job starts: once its line is full, a pump draws on as the water falls.
  const surface = tank.base + Math.max(startDepth(tank), outlet);
  const liftM = machine.inletHeight - surface;
  // From where the line leaves the water up to the pump.
  const airM3 = liftM > 0 ? path.reduce((s, l) => s + lineVolume(l.parts), 0) : 0;
  return {
    path,
    strainer: strainer >= 0,
    shutOff: strainer < 0 || parts.slice(0, strainer).some(isShutOff),
    held: parts.some(holdsWater),
    boosted: path.some((l) => l.from.at === 'booster' && rig.boosters.find((b) => b.id === l.from.id)?.running),
    liftM,
    airM3,
    primeS: airM3 / (values['air-share'] * machine.flow),
  };
}

/** In rising order of danger. */
const GIVES = [undefined, 'peak', 'held'] as const;

/** The weakest part between a machine and its guns: of those whose print is below what presses on them, else of all. */
export interface Weakest {
  readonly part: Part;
  readonly ratedPa: number;
  /** Its own figure, not the usual one of its kind. */
  readonly stated: boolean;
  /** Stated, and below what is held at the unloader's setting, or below the peak before it opens only. */
  readonly gives: (typeof GIVES)[number];
  /** Pressure before the unloader opens. */
  readonly peakPa: number;
}

export function weakestOf({ net, values }: Cases, machine: Machine): Weakest | undefined {
  const setPa = machine.unloader.setting;
  const peakPa = setPa * (1 + overrunOf(machine.unloader, values));
  if (!net.outletsOf(machine.id).length) return undefined;
  let weakest: Weakest | undefined;
  for (const line of net.pressureLinesOf(machine.id))
    for (const part of line.parts) {
      const ratedPa = part.rated ?? values[part.kind === 'hose' ? 'rating-hose' : 'rating-fitting'];
      const stated = part.rated !== undefined;
      // What is printed and too little comes first: no usual figure stands before it.
      const gives = stated && ratedPa < setPa * 0.999 ? 'held' : stated && ratedPa < peakPa * 0.999 ? 'peak' : undefined;
      const harder = GIVES.indexOf(gives) - GIVES.indexOf(weakest?.gives);
      if (!weakest || harder > 0 || (harder === 0 && ratedPa < weakest.ratedPa)) weakest = { part, ratedPa, stated, gives, peakPa };
    }
  return weakest;
}

/** Pressure inside a closed tank whose vent has to let out all that comes in, once it is full: a float that sticks, or none. Pa. */
export function pressedBy(cases: Cases, rig: Rig, tankId: string): number {
  const tank = rig.tanks.find((t) => t.id === tankId)!;
  if (tank.lid === 'open' || !(tank.ventBore > 0)) return 0;
  const flow = cases.at({ spigot: 'good' }).filledInto(tankId);
  return orificePressure(flow, tank.ventBore, WATER_KG_M3, cases.values['vent-coefficient']);
}
