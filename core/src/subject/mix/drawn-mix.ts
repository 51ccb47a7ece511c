import { lineVolume, partHeadLoss } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { nozzlePressure } from '../../hydraulics/nozzle.js';
import { drawRatio, type InjectorPlace } from '../../chemistry/injection.js';
import { drawnStrength } from '../../chemistry/dilution.js';
import type { Mix } from '../../rig/schema.js';
import type { Line, Rig } from '../../rig/schema.js';
import { startDepth } from '../../rig/tank-shape.js';
import type { Cases } from '../../solve/cases.js';
import { pressurePath } from '../../solve/paths.js';
import { lineTerms } from '../../solve/rig-network.js';
import type { Stocks } from '../../solve/stock.js';

/** An injector's place on the rig, for one gun. */
export interface DrawnWay {
  readonly line: Line;
  readonly tankId: string | undefined;
  readonly machineId: string;
  readonly outletId: string;
  /** Between injector and gun. */
  readonly hoses: readonly Line[];
  readonly hoseM3: number;
  /** Water through the injector, m³/s. */
  readonly waterM3s: number;
  /** Draw ratio for a level inside the tank, m, a share of the hose's length, a climb, m, and a share of the soap nozzle's size. */
  readonly ratioAt: (levelM: number, hoseShare?: number, climbM?: number, tipShare?: number) => number;
}

/** How an injected mix is drawn; undefined when line, gun or machine is missing. */
export function drawnWay(cases: Cases, stocks: Stocks, mix: Mix): DrawnWay | undefined {
  const { rig, values, net } = cases;
  const injector = mix.injector;
  const line = rig.lines.find((l) => l.role === 'chemical' && !l.closed && l.to.at === 'mix' && l.to.id === mix.id);
  const outlet = rig.outlets.find((o) => o.id === injector?.outlet);
  const machine = outlet && rig.machines.find((m) => net.outletsOf(m.id).some((o) => o.id === outlet.id));
  if (!injector || !line || !outlet || !machine || net.cutOff.has(machine.id)) return undefined;
  const tank = rig.tanks.find((t) => t.id === line.from.id);
  const gravity = tank ? stocks.gravityIn(tank) : 1;
  const hoses = pressurePath(rig, machine.id, outlet.id);
  const flow = cases.asDrawn.machineFlow(machine);
  const { water } = cases.asDrawn;
  const atGun = mix.way === 'nozzle';
  const rhoG = water.densityKgM3 * GRAVITY;
  const friction = atGun ? 0 : hoses.reduce((s, l) => s + l.parts.reduce((t, p) => t + partHeadLoss(p, flow, water, values, false), 0), 0) * rhoG;
  const height = atGun ? outlet.height : mix.height;
  const terms = lineTerms(line, values, water, false);
  const hoseQuadratic = line.parts.reduce((s, p) => (p.kind === 'hose' ? s + partHeadLoss(p, 1e-5, water, values, false) / 1e-10 : s), 0);
  const place = (levelM: number, hoseShare: number, climbM: number, tipShare: number): InjectorPlace => ({
    backPressurePa: friction * hoseShare + nozzlePressure(injector.soapNozzle * tipShare, flow) + (atGun ? 0 : (outlet.height + climbM - height) * rhoG),
    fallM: tank ? tank.base + levelM - height - (atGun ? climbM : 0) : 0,
    waterM3s: flow,
    drawQuadratic: ((terms.quadratic ?? 0) + hoseQuadratic) * rhoG * gravity,
    densityKgM3: water.densityKgM3 * gravity,
  });
  return {
    line,
    tankId: tank?.id,
    machineId: machine.id,
    outletId: outlet.id,
    hoses: atGun ? [] : hoses,
    hoseM3: atGun ? 0 : hoses.reduce((s, l) => s + lineVolume(l.parts), 0),
    waterM3s: flow,
    ratioAt: (levelM, hoseShare = 1, climbM = 0, tipShare = 1) =>
      drawRatio({ drawRatio: injector.drawRatio, vacuumPa: injector.vacuum, stopsAtPa: injector.stopsAt }, place(levelM, hoseShare, climbM, tipShare)),
  };
}

/** Trade share at the wall for a level in the tank. */
export const drawnAt = (way: DrawnWay, stock: number, levelM: number, hoseShare = 1, climbM = 0): number =>
  drawnStrength(stock, way.ratioAt(levelM, hoseShare, climbM));

/** Inside level of the draw tank when the day starts, m. */
export const drawLevel = (rig: Rig, way: DrawnWay): number => {
  const tank = rig.tanks.find((t) => t.id === way.tankId);
  return tank ? startDepth(tank) : 0;
};
