import { assess, assumptionValues, dayModel, driveOf, fuelVolume, simulateModel } from '@pozzo/core';
import { argumentsOf } from './arguments.js';
import { InputError } from './failure.js';
import { readRigFile } from './files.js';

const AH = 3600;

/** `pozzo power`: fuel, circuits, battery and air of a rig through its usual day. Null stands where a thing is not there or not told. */
export function powerAnswer(args: readonly string[]): object {
  const { words } = argumentsOf(args, {});
  if (words.length !== 1) throw new InputError('power takes one rig file.');
  const { rig } = readRigFile(words[0]);
  const a = assess(rig);
  const day = simulateModel(dayModel(rig));
  const values = assumptionValues(rig.assumptions);
  const { power } = rig;
  const engines = rig.machines.filter((m) => ['petrol', 'diesel'].includes(driveOf(m)));
  const usableM3 = power?.fuel;
  // By one density, as the day reckons what is on board.
  const perDayM3 = fuelVolume(day.fuelKg, values['fuel-density']);
  const air = rig.softPumps.filter((p) => p.kind === 'air').map((p) => a.chemical.softPumps.find((x) => x.pumpId === p.id)!);
  const need = air.reduce((s, p) => s + (p?.airUse?.value ?? 0), 0);
  return {
    fuel:
      engines.length || day.fuelKg > 0
        ? [
            {
              tankId: null,
              usableL: usableM3 === undefined ? null : 1000 * usableM3,
              perDayL: 1000 * perDayM3,
              days: usableM3 === undefined || !(perDayM3 > 0) ? null : usableM3 / perDayM3,
              engines: engines.map((m) => ({ id: m.id, gravityHeadM: null })),
            },
          ]
        : [],
    circuits: a.circuits.map((c) => ({
      loadId: c.loadId,
      currentA: c.current.value,
      voltageV: c.voltage,
      dropShare: c.dropShare ?? null,
      cableAwg: c.gauge ?? null,
      cableMm2: c.areaM2 === undefined ? null : c.areaM2 * 1e6,
      fuseA: c.fuseA ?? null,
      lengthM: c.lengthM,
    })),
    battery:
      power && day.batteryLeft !== null
        ? [
            {
              id: 'power/battery',
              startAh: power.battery / AH,
              // What the day may take is a share of the whole: what is left of that, and what may not be taken.
              endAh: (power.battery * (1 - values[`battery-usable-${power.chemistry}`]) + day.batteryLeft) / AH,
              lowest: (power.battery * (1 - values[`battery-usable-${power.chemistry}`]) + (day.batteryLowest ?? 0)) / power.battery,
            },
          ]
        : [],
    air:
      power && power.freeAir > 0
        ? [
            {
              compressorId: 'power/compressor',
              givesM3s: power.freeAir,
              needM3s: need,
              pressurePa: power.cutOut ?? values['air-cut-out'],
              lastsS: air.length && air.every((p) => Number.isFinite(p?.airCarriesS)) ? Math.min(...air.map((p) => p.airCarriesS)) : null,
            },
          ]
        : [],
  };
}
