import type { AsTold } from '../../working/figure.js';
import { assumptionValues } from '../../assumption/register.js';
import { partHeadLoss } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { waterAt } from '../../fluid/water.js';
import { NOZZLE_SIZES, nozzlePressure } from '../../hydraulics/nozzle.js';
import { drivePower } from '../../solve/engine-pace.js';
import type { Rig } from '../../rig/schema.js';
import type { OutletResult, PressureAnswers } from './result.js';

/** Pressure lost in a part of the way to a gun when `share` of the flow that was solved for runs through it, Pa. */
function lossesOf(
  rig: Rig,
  result: AsTold<OutletResult>,
): readonly { readonly partId: string; readonly lengthM: number; readonly lossPa: (share: number) => number }[] {
  const values = assumptionValues(rig.assumptions);
  const water = waterAt(rig.brief.water);
  return result.parts.flatMap(({ lineId, partId, flowM3s }) => {
    const part = rig.lines.find((l) => l.id === lineId)?.parts.find((p) => p.id === partId);
    if (!part) return [];
    const lossPa = (share: number): number => partHeadLoss(part, flowM3s * share, water, values, false) * water.densityKgM3 * GRAVITY;
    return [{ partId, lengthM: part.kind === 'hose' ? part.length : 0, lossPa }];
  });
}

/** Pressure from the pump to a gun, Pa gauge at the metres of hose passed, part by part. */
export function pressureAlong(rig: Rig, result: AsTold<OutletResult>): { readonly lengthM: number; readonly pressurePa: number }[] {
  let lengthM = 0;
  let pressurePa = result.pressure.value + result.lineLossPa;
  const out = [{ lengthM, pressurePa }];
  for (const part of lossesOf(rig, result)) {
    lengthM += part.lengthM;
    pressurePa -= part.lossPa(1);
    out.push({ lengthM, pressurePa });
  }
  return out;
}

/** A point of flow at a gun, m³/s, and pressure there, Pa. */
export type FlowAndPressure = readonly [flowM3s: number, pressurePa: number];

/** What bounds a gun: curves over the flow, all triggers of the others as they are. */
export interface GunLimits {
  /** Nozzle number fitted, and its neighbours on the shelf with it. */
  readonly own: number;
  readonly sizes: readonly number[];
  readonly topPa: number;
  readonly wantedPa: number;
  readonly now: FlowAndPressure;
  readonly unloader: readonly FlowAndPressure[];
  readonly engine: readonly FlowAndPressure[];
  /** Of a nozzle number. */
  readonly nozzle: (size: number) => readonly FlowAndPressure[];
}

/** What unloader, engine and the machine's flow leave at a gun; undefined for one that is closed or not fed. */
export function gunLimits(rig: Rig, a: AsTold<Pick<PressureAnswers, 'outlets'>>, outletId: string): GunLimits | undefined {
  const result = a.outlets.find((o) => o.outletId === outletId);
  const outlet = rig.outlets.find((o) => o.id === outletId);
  const machine = rig.machines.find((m) => m.id === result?.machineIds[0]);
  if (!result || !outlet || !machine) return undefined;
  const values = assumptionValues(rig.assumptions);
  const now = result.flow.value;
  const parts = lossesOf(rig, result);
  // Shared parts carry more in proportion.
  const loss = (q: number): number => parts.reduce((s, p) => s + p.lossPa(q / Math.max(now, 1e-9)), 0);
  const sharing = Math.max(a.outlets.filter((o) => o.machineIds.includes(machine.id)).length, 1);
  const power = drivePower(machine, rig, values) * values['pump-efficiency'];
  const flows = Array.from({ length: 33 }, (_, i) => ((machine.flow / sharing) * 1.35 * (i + 2)) / 34);
  const own = outlet.nozzle.size;
  const at = NOZZLE_SIZES.reduce((best, n, i) => (Math.abs(n - own) < Math.abs(NOZZLE_SIZES[best] - own) ? i : best), 0);
  return {
    own,
    sizes: [...new Set([...NOZZLE_SIZES.slice(Math.max(at - 3, 0), at + 4), own])].sort((x, y) => x - y),
    topPa: machine.unloader.setting * 1.15,
    wantedPa: outlet.wantedPressure,
    now: [now, result.pressure.value],
    unloader: flows.map((q) => [q, machine.unloader.setting - loss(q)]),
    engine: flows.map((q) => [q, power / (q * sharing) - loss(q)]),
    nozzle: (size) => flows.map((q) => [q, nozzlePressure(size * outlet.nozzle.count, q)]),
  };
}
