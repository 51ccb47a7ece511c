import type { AssumptionValues } from '../assumption/register.js';
import { receiverAir } from '../chemistry/diaphragm-pump.js';
import {
  type Bank,
  bankOf,
  compressorOf,
  cutOutOf,
  densityOf,
  drawTogether,
  enginesOn,
  fuelSupply,
  generatorOf,
  hardDraw,
  idleShare,
  loadsOn,
  mainsLoads,
  rateOf,
  receiversOf,
  voltsOf,
} from '../energy/index.js';
import { airPressure } from '../fluid/air.js';
import { WATER_SPECIFIC_HEAT } from '../fluid/water.js';
import { burnerFuel, type FuelKind } from '../fuel/index.js';
import { POUND_HP_HOUR } from '../quantity/dimension.js';
import type { Rig } from '../rig/schema.js';
import type { Cases } from '../solve/cases.js';
import { boosterPower } from '../solve/booster-power.js';
import { windingSeconds, woundHose } from '../solve/hours.js';
import type { SoftTable } from './soft-states.js';
import { tidy } from './tidy.js';

/** A tank of fuel through a day. kg. */
export interface FuelStore {
  readonly id: string;
  readonly name: string;
  readonly fuel: FuelKind;
  readonly fullKg: number;
  readonly densityKgM3: number;
}

/** What drinks from a store, and what of it never gets there, kg. */
export interface Drinker {
  readonly engineId: string;
  /** −1 for one whose fuel nobody told. */
  readonly store: number;
  readonly deadKg: number;
}

/** Everything of fuel, charge and air that a day hangs on, as places and rates. */
export interface EnergyPlan {
  readonly stores: readonly FuelStore[];
  readonly drinkers: readonly Drinker[];
  /** In cans, kg, by fuel. */
  readonly spareKg: Readonly<Record<FuelKind, number>>;
  /** By machine: places in the drinkers of its engine (or of the generator that drives it) and of its burner; −1 for none. */
  readonly engineOf: Int32Array;
  readonly burnerOf: Int32Array;
  /** By mix: of its pump's engine or compressor. */
  readonly softEngine: Int32Array;
  /** kg/s of each mix's engine while it sprays, and while it runs with the gun let go. */
  readonly softFuel: Float64Array;
  readonly softIdle: Float64Array;

  readonly banks: readonly (Bank & { readonly id: string; readonly name: string; readonly lithium: boolean })[];
  /** By mix, battery of its electric pump; −1 for none. */
  readonly softBank: Int32Array;
  /** By mix: its remote switch's battery and current. */
  readonly remoteBank: Int32Array;
  readonly remoteA: number;
  /** What draws while any of its machines runs, or while any of its mixes is sprayed: bits of both. A. */
  readonly running: readonly { readonly bank: number; readonly machines: number; readonly mixes: number; readonly amps: number }[];
  /** Taken all day long by what runs by the hour, hard draws told for more, and put in all day long by what charges without an engine, A by bank. */
  readonly always: Float64Array;
  readonly alwaysPut: Float64Array;
  /** Put in while driving, and while engines run. */
  readonly charging: readonly { readonly bank: number; readonly machines: number; readonly mixes: number; readonly driving: boolean; readonly amps: number }[];
  /** Machines, as bits, that a bank keeps fed by a booster. */
  readonly boosts: readonly number[];
  /** Taken at the end of each job: reels wound, A s by bank; and by machine and by mix for their starts. */
  readonly winding: Float64Array;
  readonly startsOfMachine: readonly Float64Array[];
  readonly startsOfMix: readonly Float64Array[];
  /** How far a pump slows from a full battery to the end of its usable charge. */
  readonly sag: readonly number[];

  readonly compressors: readonly { readonly id: string; readonly given: number; readonly receiver: number }[];
  /** By mix; −1 for none. */
  readonly softCompressor: Int32Array;
}

/** Compiles fuel, charge and air for a day of a rig. @param seconds that the day takes when nothing goes wrong */
export function energyPlan(cases: Cases, soft: readonly SoftTable[], seconds: number): EnergyPlan {
  const { rig, values } = cases;
  const engines = enginesOn(rig, values);
  const { stores, drinks, spare } = fuelSupply(rig, values);
  const drinkers = drinks.map((d): Drinker => ({
    engineId: d.engine.id,
    store: d.store,
    deadKg: d.store < 0 ? 0 : tidy(d.deadM3 * densityOf(d.engine.fuel, values)),
  }));
  const drinkerOf = (id: string | undefined): number => drinkers.findIndex((d) => d.engineId === id);
  const burns = (s: SoftTable, shaftW: number): number => {
    const engine = engines.find((e) => e.id === s.engineId);
    if (!engine) return 0;
    const least = engine.powerW * idleShare(engine.idles && shaftW === 0, values);
    return tidy(Math.max(shaftW, least) * rateOf(engine.fuel, values) * POUND_HP_HOUR);
  };
  const driven = new Set(mainsLoads(rig, values).map((l) => l.id));
  const generator = generatorOf(rig);
  return {
    stores: stores.map((s) => ({
      id: s.id,
      name: s.name,
      fuel: s.fuel,
      fullKg: tidy(s.volumeM3 * densityOf(s.fuel, values)),
      densityKgM3: densityOf(s.fuel, values),
    })),
    drinkers,
    spareKg: { petrol: spare.petrol * densityOf('petrol', values), diesel: spare.diesel * densityOf('diesel', values) },
    engineOf: Int32Array.from(rig.machines, (m) => (driven.has(m.id) ? drinkerOf(generator?.id) : drinkerOf(m.id))),
    burnerOf: Int32Array.from(rig.machines, (m) => drinkerOf(rig.burners.find((b) => b.machine === m.id)?.id)),
    softEngine: Int32Array.from(soft, (s) => drinkerOf(s.engineId)),
    softFuel: Float64Array.from(soft, (s) => burns(s, s.shaftW)),
    softIdle: Float64Array.from(soft, (s) => burns(s, 0)),
    ...chargePlan(cases, soft, seconds),
    ...airPlan(rig, values, soft),
  };
}

/** What a machine's engine burns at a shaft power, its burner on top, kg/s; 0 for what has its fuel elsewhere. */
export function machineFuel(
  cases: Cases,
  plan: Pick<EnergyPlan, 'engineOf' | 'burnerOf'>,
  m: number,
  shaftW: number,
  throughM3s: number,
  out: { engine: number; burner: number },
): void {
  const { rig, values } = cases;
  const machine = rig.machines[m];
  const drive = machine.drive ?? 'petrol';
  out.engine = 0;
  out.burner = 0;
  if (drive === 'petrol' || drive === 'diesel') out.engine = shaftW * rateOf(machine.engine?.fuel ?? drive, values) * POUND_HP_HOUR;
  else if (drive === 'electric' && plan.engineOf[m] >= 0) {
    const fuel = generatorOf(rig)?.engine?.fuel ?? 'petrol';
    out.engine = (shaftW / values['motor-efficiency'] / values['generator-efficiency']) * rateOf(fuel, values) * POUND_HP_HOUR;
  }
  const burner = rig.burners.find((b) => b.machine === machine.id);
  if (burner && throughM3s > 0) {
    const perK = cases.asDrawn.water.densityKgM3 * throughM3s * WATER_SPECIFIC_HEAT;
    const heat = Math.min(burner.heat, perK * Math.max(burner.set - rig.brief.water, 0));
    out.burner = burnerFuel(heat, values['burner-efficiency'], burner.fuel) * densityOf(burner.fuel, values);
  }
}

function chargePlan(cases: Cases, soft: readonly SoftTable[], seconds: number) {
  const { rig, values } = cases;
  const banks = rig.batteries.map((b) => ({ ...bankOf(b, values), id: b.id, name: b.name, lithium: b.chemistry === 'lithium' }));
  const bankAt = (id: string | undefined): number => banks.findIndex((b) => b.id === id);
  const loads = loadsOn(rig, values);
  const bitOf = (id: string | undefined): number => {
    const m = rig.machines.findIndex((x) => x.id === id);
    return m < 0 ? 0 : 1 << m;
  };
  const mixesOf = (engineId: string | undefined): number =>
    engineId === undefined ? 0 : soft.reduce((bits, s, k) => (s.engineId === engineId ? bits | (1 << k) : bits), 0);
  const byHour: { amps: number; seconds: number }[][] = banks.map(() => []);
  const alwaysPut = new Float64Array(banks.length);
  const winding = new Float64Array(banks.length);
  const running: { bank: number; machines: number; mixes: number; amps: number }[] = [];
  const boosts = banks.map(() => 0);
  const startsOfMachine = rig.machines.map(() => new Float64Array(banks.length));
  const startsOfMix = soft.map(() => new Float64Array(banks.length));
  const start = values['starter-current'] * values['starter-time'] * values['starts-per-job'];
  for (const l of loads) {
    const bank = bankAt(l.batteryId);
    switch (l.part) {
      case 'pump':
      case 'remote':
        break;
      case 'booster': {
        const machines = rig.machines.reduce((bits, m, i) => (boostedBy(rig, m.id, l.id) ? bits | (1 << i) : bits), 0);
        running.push({ bank, machines, mixes: 0, amps: tidy(boosterAmps(cases, l.id, banks[bank].id)) });
        boosts[bank] |= machines;
        break;
      }
      case 'reel': {
        const reel = rig.reels.find((r) => r.id === l.id)!;
        winding[bank] += reel.motor! * hardDraw(banks[bank], reel.motor!) * windingSeconds(woundHose(rig, reel.line), values);
        break;
      }
      case 'starter': {
        const taken = start * hardDraw(banks[bank], values['starter-current']);
        const m = rig.machines.findIndex((x) => x.id === l.id);
        if (m >= 0) startsOfMachine[m][bank] += taken;
        else soft.forEach((s, k) => void (s.engineId === l.id && (startsOfMix[k][bank] += taken)));
        break;
      }
      case 'burner': {
        const own = rig.burners.find((b) => b.id === l.id)!;
        running.push({ bank, machines: bitOf(own.machine), mixes: 0, amps: own.current ?? values['burner-current'] });
        break;
      }
      default: {
        const own = rig.loads.find((x) => x.id === l.id)!;
        if (own.hours === undefined && own.engine !== undefined)
          running.push({ bank, machines: bitOf(own.engine), mixes: mixesOf(own.engine), amps: own.current });
        else byHour[bank].push({ amps: own.current, seconds: own.hours ?? 0 });
      }
    }
  }
  const charging: { bank: number; machines: number; mixes: number; driving: boolean; amps: number }[] = [];
  for (const c of rig.chargers) {
    const bank = bankAt(c.battery);
    const amps = tidy(c.current * banks[bank].charges);
    if (c.kind === 'shore') continue;
    if (c.kind === 'vehicle') charging.push({ bank, machines: 0, mixes: 0, driving: true, amps });
    else if (c.kind === 'solar') alwaysPut[bank] += amps * values['solar-share'];
    else if (c.engine === undefined) alwaysPut[bank] += amps;
    else charging.push({ bank, machines: bitOf(c.engine), mixes: mixesOf(c.engine), driving: false, amps });
  }
  const remotes = new Map(loads.flatMap((l) => (l.part === 'remote' ? [[l.id, bankAt(l.batteryId)] as const] : [])));
  return {
    banks,
    softBank: Int32Array.from(soft, (s) => (s.electric ? bankAt(loads.find((l) => l.id === s.pumpId)?.batteryId) : -1)),
    remoteBank: Int32Array.from(soft, (s) => remotes.get(s.mixId) ?? -1),
    remoteA: values['remote-current'],
    running,
    always: Float64Array.from(banks, (bank, b) => tidy(drawTogether(bank, byHour[b]) / Math.max(seconds, 1, ...byHour[b].map((l) => l.seconds)))),
    alwaysPut: alwaysPut.map(tidy),
    charging,
    boosts,
    winding: winding.map(tidy),
    startsOfMachine: startsOfMachine.map((x) => x.map(tidy)),
    startsOfMix: startsOfMix.map((x) => x.map(tidy)),
    sag: banks.map((b) => 1 - values[b.lithium ? 'empty-volts-lithium' : 'empty-volts']),
  };
}

/** Whether a machine's water comes through a booster. */
function boostedBy(rig: Rig, machineId: string, boosterId: string): boolean {
  const seen = new Set<string>();
  const back = (at: string, id: string): boolean =>
    rig.lines.some((l) => {
      if (l.closed || l.role === 'bypass' || l.to.at !== at || l.to.id !== id || seen.has(l.id)) return false;
      seen.add(l.id);
      return (l.from.at === 'booster' && l.from.id === boosterId) || (l.from.id !== undefined && back(l.from.at, l.from.id));
    });
  return back('machine', machineId);
}

function boosterAmps(cases: Cases, id: string, batteryId: string): number {
  const { rig, values } = cases;
  const battery = rig.batteries.find((b) => b.id === batteryId);
  return boosterPower(cases, id) / (values['booster-efficiency'] * voltsOf(battery, values));
}

function airPlan(rig: Rig, values: AssumptionValues, soft: readonly SoftTable[]) {
  const atmosphere = airPressure(rig.brief.altitude);
  const softCompressor = Int32Array.from(soft, (s) => (s.air > 0 && s.pumpId !== undefined ? compressorOf(rig, s.pumpId) : -1));
  const compressors = rig.compressors.map((c, at) => ({
    id: c.id,
    given: tidy(c.freeAir),
    receiver: tidy(
      receiverAir(receiversOf(rig, c.id), cutOutOf(c, values), Math.max(0, ...soft.filter((_, k) => softCompressor[k] === at).map((s) => s.airPa)), atmosphere),
    ),
  }));
  return { compressors, softCompressor };
}
