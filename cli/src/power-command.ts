import { assess, assumptionValues, dayModel, densityOf, fuelLastsDays, fuelVolume, oneLineSvg, simulateModel, sizesOf, wireCsv, wireList } from '@pozzo/core';
import { buildVerdict } from './build-verdict.js';
import { argumentsOf } from './arguments.js';
import { InputError } from './failure.js';
import { readRigFile } from './files.js';

const AH = 3600;
const FLAG = { type: 'boolean' } as const;

/**
 * `pozzo power`: fuel, circuits, battery and air of a rig through its usual day. Null stands where a thing is not there or not
 * told. With `--svg` the one-line diagram, with `--wires` the wire list as CSV.
 */
export function powerAnswer(args: readonly string[]): object | string {
  const { values, words } = argumentsOf(args, { svg: FLAG, wires: FLAG, metric: FLAG });
  if (words.length !== 1) throw new InputError('power takes one rig file.');
  if (values['svg'] && values['wires']) throw new InputError('power writes --svg or --wires, one at a time.');
  const { rig } = readRigFile(words[0]);
  const a = assess(rig);
  const units = values['metric'] ? 'metric' : 'us';
  if (values['svg']) return oneLineSvg(rig, a, units);
  if (values['wires']) return wireCsv(wireList(a, units));
  const assumptions = assumptionValues(rig.assumptions);
  const day = simulateModel(dayModel(rig));
  const told = new Set(a.fuel.engines.filter((e) => e.storeId !== undefined).map((e) => e.engineId));
  const untold = a.fuel.engines.filter((e) => !told.has(e.engineId));
  // Burnt by engines whose fuel nobody told; the day counts kilograms of whatever they burn.
  const toldKg = day.fuels.reduce((s, f) => s + f.usedM3 * densityOf(f.fuel, assumptions), 0);
  const untoldM3 = fuelVolume(Math.max(day.fuelKg - toldKg, 0), densityOf(untold.at(0)?.fuel ?? 'petrol', assumptions));
  const engine = (e: (typeof a.fuel.engines)[number]): object => ({ id: e.engineId, gravityHeadM: e.headLast?.value ?? null });
  return {
    fuel: [
      ...a.fuel.tanks.map((t) => {
        const own = day.fuels.find((f) => f.id === t.tankId);
        const days = fuelLastsDays(own);
        return {
          tankId: t.tankId,
          usableL: 1000 * t.usable.value,
          perDayL: 1000 * (own?.usedM3 ?? 0),
          days: Number.isFinite(days) ? days : null,
          engines: a.fuel.engines.filter((e) => t.engineIds.includes(e.engineId)).map(engine),
        };
      }),
      ...(untold.length ? [{ tankId: null, usableL: null, perDayL: 1000 * untoldM3, days: null, engines: untold.map(engine) }] : []),
    ],
    circuits: a.circuits.map((c) => ({
      loadId: c.loadId,
      currentA: c.current.value,
      voltageV: c.voltage,
      dropShare: c.dropShare ?? null,
      cableAwg: c.gauge === undefined || sizesOf(c.gauge) === 'mm2' ? null : c.gauge,
      cableMm2: c.areaM2 === undefined ? null : c.areaM2 * 1e6,
      fuseA: c.fuseA ?? null,
      lengthM: c.lengthM,
      part: c.part,
      batteryId: c.batteryId,
    })),
    battery: day.batteries.map((b) => {
      // What the day may take is a share of the whole: what is left of that, and what may not be taken.
      const kept = b.capacityAs - b.usableAs;
      return { id: b.id, startAh: b.capacityAs / AH, endAh: (kept + b.leftAs) / AH, lowest: (kept + b.lowestAs) / b.capacityAs };
    }),
    air: a.air.compressors.map((c) => ({
      compressorId: c.compressorId,
      givesM3s: c.givesM3s,
      needM3s: c.need.value,
      pressurePa: c.cutOutPa,
      lastsS: Number.isFinite(c.lastsS) ? c.lastsS : null,
    })),
    build: buildVerdict(rig, a),
  };
}
