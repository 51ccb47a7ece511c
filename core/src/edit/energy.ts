import type {
  BatteryDocument,
  BurnerDocument,
  ChargerDocument,
  ChargerKind,
  ElectricLoadDocument,
  FuelTankDocument,
  LoadKind,
  RigDocument,
  WireDocument,
} from '../rig/schema.js';
import { unusedId } from './id.js';

/** A deep-cycle battery of a usual size; gives its id. */
export function addBattery(d: RigDocument, changes: Partial<BatteryDocument> = {}): string {
  const list = (d.batteries ??= []);
  const id = unusedId(d, changes.use === 'start' ? 'starting' : 'battery');
  list.push({
    id,
    name: changes.use === 'start' ? 'Starting battery' : list.length ? `Battery ${list.length + 1}` : 'Battery',
    capacity: '100 Ah',
    chemistry: 'agm',
    ...changes,
  });
  return id;
}

/** A compressor with a petrol engine; gives its id. */
export function addCompressor(d: RigDocument, freeAir = '26 cfm', power = '9 hp'): string {
  const list = (d.compressors ??= []);
  const id = unusedId(d, 'compressor');
  list.push({ id, name: list.length ? `Compressor ${list.length + 1}` : 'Compressor', freeAir, power });
  return id;
}

/** A receiver behind a compressor, or a larger one in its place; gives its id. */
export function addReceiver(d: RigDocument, compressor: string, volume = '20 gal'): string {
  const list = (d.receivers ??= []);
  const own = list.find((r) => r.compressor === compressor);
  if (own) {
    own.volume = volume;
    return own.id;
  }
  const id = unusedId(d, 'receiver');
  list.push({ id, name: 'Air receiver', volume, compressor });
  return id;
}

/** A vented fuel tank with a line to each engine given; gives its id. */
export function addFuelTank(d: RigDocument, engines: readonly string[], changes: Partial<FuelTankDocument> = {}): string {
  const list = (d.fuelTanks ??= []);
  const id = unusedId(d, 'fuel-tank');
  list.push({ id, name: list.length ? `Fuel tank ${list.length + 1}` : 'Fuel tank', fuel: 'petrol', volume: '13 gal', base: '0 in', vented: true, ...changes });
  for (const engine of engines) lineFuel(d, id, engine);
  return id;
}

/** Leads an engine's fuel from a tank: by a new line, or by the one it has. */
export function lineFuel(d: RigDocument, tank: string, engine: string): void {
  const list = (d.fuelLines ??= []);
  const own = list.find((l) => l.to === engine);
  if (own) own.from = tank;
  else list.push({ id: unusedId(d, `fuel-to-${engine}`), from: tank, to: engine, bore: '1/4 in' });
}

export function addCharger(d: RigDocument, battery: string, kind: ChargerKind, changes: Partial<ChargerDocument> = {}): string {
  const id = unusedId(d, kind);
  const usual = {
    coil: ['Charging coil', '20 A'],
    alternator: ['Alternator', '40 A'],
    vehicle: ['From the vehicle', '30 A'],
    shore: ['Shore charger', '15 A'],
    solar: ['Solar panel', '8 A'],
  } as const;
  (d.chargers ??= []).push({ id, name: usual[kind][0], kind, battery, current: usual[kind][1], ...changes });
  return id;
}

export function addLoad(d: RigDocument, kind: LoadKind, changes: Partial<ElectricLoadDocument> = {}): string {
  const id = unusedId(d, kind);
  const usual = {
    lights: ['Work lights', '4 A', '1 h'],
    ignition: ['Ignition', '2 A', undefined],
    'fuel-solenoid': ['Fuel solenoid', '1 A', undefined],
    'fuel-pump': ['Fuel pump', '2 A', undefined],
    other: ['Another load', '1 A', '1 h'],
  } as const;
  const [name, current, hours] = usual[kind];
  (d.loads ??= []).push({ id, name, kind, current, ...(hours && changes.engine === undefined ? { hours } : {}), ...changes });
  return id;
}

/** A fuse panel fed by a cable from a battery; gives its id. */
export function addPanel(d: RigDocument, battery: string): string {
  const id = unusedId(d, 'panel');
  (d.panels ??= []).push({ id, name: 'Fuse panel' });
  wireFrom(d, battery, id);
  return id;
}

/** A cable to a load or a panel, or its own led from elsewhere; gives it back to be changed. */
export function wireFrom(d: RigDocument, from: string, to: string): WireDocument {
  const list = (d.wires ??= []);
  const own = list.find((w) => w.to === to);
  if (own) {
    own.from = from;
    return own;
  }
  const made: WireDocument = { id: unusedId(d, `wire-${to}`), from, to };
  list.push(made);
  return list[list.length - 1];
}

export function addBurner(d: RigDocument, machine: string, changes: Partial<BurnerDocument> = {}): string {
  const id = unusedId(d, 'burner');
  (d.burners ??= []).push({ id, name: 'Burner', machine, heat: '100 kW', set: '180 °F', fuel: 'diesel', own: '8 gal', ...changes });
  return id;
}

const LISTS = ['fuelTanks', 'fuelLines', 'batteries', 'chargers', 'panels', 'wires', 'loads', 'compressors', 'receivers', 'airLines', 'burners'] as const;

/** Takes a thing of the energy side away; what hung on it goes with the next mending. */
export function removeEnergy(d: RigDocument, id: string): void {
  for (const list of LISTS) {
    const own = d[list] as { readonly id: string }[] | undefined;
    if (own?.some((x) => x.id === id)) (d as Record<string, unknown>)[list] = own.filter((x) => x.id !== id);
  }
}

/** An air line from a compressor to a pump. */
export function lineAir(d: RigDocument, compressor: string, pump: string): void {
  const list = (d.airLines ??= []);
  const own = list.find((l) => l.to === pump);
  if (own) own.from = compressor;
  else list.push({ id: unusedId(d, `air-to-${pump}`), from: compressor, to: pump, bore: '1/2 in' });
}
