import type { WorkDay } from '../rig/day-schema.js';
import type { Rig } from '../rig/schema.js';
import { finished } from '../steps.js';
import { dayModel, type DayModel } from './model.js';
import { TraceRecorder } from './recorder.js';
import { type DayDraw, Simulator } from './simulator.js';
import type { DayResult } from './types.js';
import { dayOf } from './usual-day.js';

/**
 * One day of a rig, worked through.
 * @param day the day to work; the brief's own or a usual one when left out
 * @param draw which day of which seed; left out, everything takes its usual value
 */
export function simulateDay(rig: Rig, day: WorkDay = dayOf(rig), draw?: DayDraw): DayResult {
  return simulateModel(dayModel(rig, day), draw);
}

/** {@link simulateDay} of a rig that is made ready already. */
export const simulateModel = (model: DayModel, draw?: DayDraw): DayResult => finished(simulateSteps(model, draw));

/** {@link simulateModel} a stretch at a time, so that a worker may look up between them. */
export function* simulateSteps(model: DayModel, draw?: DayDraw): Generator<void, DayResult> {
  const run = new Simulator(model);
  const recorder = new TraceRecorder(model);
  run.begin(draw, recorder);
  while (!run.goOn()) yield;
  const phases = recorder.phases.map((p) => ({ ...p }));
  return {
    startsS: model.day.starts,
    lengthS: run.time,
    jobs: model.jobs.map((j, i) => {
      const own = phases.filter((p) => p.job === i);
      return { name: j.name, fromS: Math.min(...own.map((p) => p.fromS)), toS: Math.max(...own.map((p) => p.toS)) };
    }),
    phases,
    vessels: model.vessels.map((v, i) => ({
      tankIds: [v.tank.id],
      name: v.name,
      water: v.water,
      full: v.full,
      heel: v.heel,
      start: v.start,
      end: run.volume[i],
      lowest: run.lowest[i],
    })),
    mixes: model.soft.map((s, k) => {
      const used = run.mixUsed[k];
      return {
        mixId: s.mixId,
        usedM3: used,
        mean: used > 0 ? run.mixStrength[k] / used : null,
        lowest: used > 0 ? run.mixLow[k] : null,
        highest: used > 0 ? run.mixHigh[k] : null,
        wanted: s.wanted,
      };
    }),
    shortages: model.shorts
      .map((s, i) => ({ ...s, atS: run.firstAt[i], lostS: run.lost[i] }))
      .filter((s) => Number.isFinite(s.atS))
      .sort((a, b) => a.atS - b.atS),
    waitedS: run.waited,
    undoneS: run.undone,
    used: run.used,
    filled: run.filled || 0,
    refilled: run.refilled,
    dumped: run.dumped,
    carriedMost: run.carriedMost,
    guns: model.rig.outlets.flatMap((o, i) => (Number.isFinite(run.gunLow[i]) ? [{ outletId: o.id, lowestPa: run.gunLow[i] }] : [])),
    hottest: model.rig.machines.map((m, i) => ({ machineId: m.id, temperatureK: run.hottest[i] })),
    batteries: model.energy.banks.map((b, i) => ({
      id: b.id,
      name: b.name,
      capacityAs: b.capacityAs,
      usableAs: b.usableAs,
      leftAs: run.batteryLeft[i],
      lowestAs: Math.max(run.batteryLowest[i], 0),
    })),
    fuels: model.energy.stores.map((f, i) => {
      const dead = Math.max(0, ...model.energy.drinkers.filter((d) => d.store === i).map((d) => d.deadKg));
      return {
        id: f.id,
        name: f.name,
        fuel: f.fuel,
        fullM3: f.fullKg / f.densityKgM3,
        usableM3: (f.fullKg - dead) / f.densityKgM3,
        usedM3: run.fuelUsed[i] / f.densityKgM3,
        leftM3: run.fuelLeft[i] / f.densityKgM3,
      };
    }),
    receivers: model.energy.compressors.map((c, i) => ({ compressorId: c.id, lowest: c.receiver > 0 ? run.airLowest[i] / c.receiver : null })),
    fuelKg: run.fuelUsed.reduce((s, x) => s + x, 0),
    settled: run.settled,
    trace: recorder.trace(),
  };
}
