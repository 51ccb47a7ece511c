import type { AssumptionValues } from '../assumption/register.js';
import { type Box, fuelTankSize, placedOn, portTo, type Standing } from '../deck/index.js';
import { burnerFuel, fuelHeadLoss, type FuelKind, fuelRate } from '../fuel/index.js';
import type { FuelTank, Rig } from '../rig/schema.js';
import { densityOf, type EngineOn, enginesOn, rateOf } from './engines.js';

/** A tank that fuel is drawn from: one of its own, or the one on an engine. SI. */
export interface Store {
  /** Of the fuel tank, or of the engine that carries it. */
  readonly id: string;
  readonly name: string;
  readonly fuel: FuelKind;
  readonly volumeM3: number;
  readonly tank: FuelTank | undefined;
}

/** How an engine gets its fuel. SI; heads in metres of its fuel. */
export interface Drink {
  readonly engine: EngineOn;
  /** Place in the stores; −1 where nobody said what it drinks from. */
  readonly store: number;
  /** Volume of its store below which nothing gets to it any more. */
  readonly deadM3: number;
  /** Of a line: its length, whether as the deck lies, and what it loses at full power. */
  readonly lengthM: number | undefined;
  readonly asLaid: boolean;
  readonly lossM: number | undefined;
  /** How much lower the tank may come to stand on a slope. */
  readonly slopeM: number;
  /** Surface above the carburettor, less the loss, full, at its reserve and at its last: what drives gravity; with a pump, what it lifts is the negative. */
  readonly headFullM: number | undefined;
  readonly headReserveM: number | undefined;
  readonly headLastM: number | undefined;
  /** Most that its pump lifts; 0 by gravity. */
  readonly liftsM: number;
}

export interface FuelSupply {
  readonly stores: readonly Store[];
  readonly drinks: readonly Drink[];
  /** In cans, m³, by fuel. */
  readonly spare: Readonly<Record<FuelKind, number>>;
}

/** The most that an engine burns, m³/s. */
export const burnsMost = (e: EngineOn, values: AssumptionValues): number =>
  e.kind === 'burner' ? burnerFuel(e.powerW, values['burner-efficiency'], e.fuel) : fuelRate(e.powerW, rateOf(e.fuel, values)) / densityOf(e.fuel, values);

/** From a tank to its engine along the deck, m, and how far apart they are along and across; undefined while either has no place. */
function wayOf(from: Box | undefined, to: Box | undefined): { readonly pathM: number; readonly along: number; readonly across: number } | undefined {
  if (!from || !to) return undefined;
  const [a, b] = [portTo(from, to, from.z0), portTo(to, from, (to.z0 + to.z1) / 2)];
  const [along, across] = [Math.abs(a.x - b.x), Math.abs(a.y - b.y)];
  return { pathM: along + across + Math.abs(a.z - b.z), along, across };
}

/** A fuel line as short as one is cut, m. */
const SHORTEST = 0.15;
/** A rubber fuel hose: drawn smooth. */
const SMOOTH = 1.5e-6;

/** Which engine drinks from which tank, and whether it gets there. */
export function fuelSupply(rig: Rig, values: AssumptionValues, things: readonly Standing[] = placedOn(rig)): FuelSupply {
  const engines = enginesOn(rig, values);
  const boxes = new Map(things.flatMap((t) => (t.box ? [[t.id, t.box] as const] : [])));
  const stores: Store[] = rig.fuelTanks.map((t) => ({ id: t.id, name: t.name, fuel: t.fuel, volumeM3: t.volume, tank: t }));
  const slope = Math.max(Math.abs(rig.platform?.slope?.nose ?? 0), Math.abs(rig.platform?.slope?.kerb ?? 0)) || values['fuel-slope'];
  const drinks = engines.map((engine): Drink => {
    const line = rig.fuelLines.find((l) => l.to === engine.id);
    const none = {
      lengthM: undefined,
      asLaid: false,
      lossM: undefined,
      slopeM: 0,
      headFullM: undefined,
      headReserveM: undefined,
      headLastM: undefined,
      liftsM: 0,
    };
    if (!line) {
      if (engine.own === undefined) return { engine, store: -1, deadM3: 0, ...none };
      stores.push({ id: engine.id, name: `${engine.name}, its own tank`, fuel: engine.fuel, volumeM3: engine.own, tank: undefined });
      return { engine, store: stores.length - 1, deadM3: engine.own * values['fuel-heel'], ...none };
    }
    const store = stores.findIndex((s) => s.id === line.from);
    const tank = rig.fuelTanks[store];
    const way = wayOf(boxes.get(tank.id), boxes.get(engine.id));
    const lengthM = Math.max(line.length ?? (way ? way.pathM * (1 + values['wire-slack']) : values['wire-length']), SHORTEST);
    const lossM = fuelHeadLoss({ boreM: line.bore, lengthM, roughnessM: SMOOTH }, burnsMost(engine, values), tank.fuel);
    const slopeM = slope * (way ? Math.hypot(way.along, way.across) : lengthM);
    const tall = fuelTankSize(tank)[2];
    const liftsM = engine.lift === 'gravity' ? 0 : values[engine.lift === 'electric' ? 'fuel-electric-lift' : 'fuel-pump-lift'];
    const head = (share: number): number => tank.base + tall * share - engine.carburettorM - lossM - slopeM;
    // The level at which what is left no longer runs there.
    const share = Math.min(Math.max(values['fuel-heel'], -(head(0) + liftsM) / Math.max(tall, 1e-6)), 1);
    return {
      engine,
      store,
      deadM3: tank.volume * share,
      lengthM,
      asLaid: line.length === undefined && way !== undefined,
      lossM,
      slopeM,
      headFullM: head(1),
      headReserveM: head(values['fuel-reserve']),
      headLastM: head(values['fuel-heel']),
      liftsM,
    };
  });
  const spare = { petrol: 0, diesel: 0 };
  for (const g of rig.gear) if (g.kind === 'fuel-can' && g.volume !== undefined) spare[g.fuel ?? 'petrol'] += g.volume;
  return { stores, drinks, spare };
}

/** Mass of a full store's fuel, kg. */
export const fuelMass = (s: Pick<Store, 'fuel' | 'volumeM3'>, values: AssumptionValues): number => s.volumeM3 * densityOf(s.fuel, values);
