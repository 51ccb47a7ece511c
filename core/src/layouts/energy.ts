import { addBattery, addBurner, addCharger, addFuelTank, addLoad, addPanel, wireFrom } from '../edit/energy.js';
import type { EngineDocument, RigDocument, WireDocument } from '../rig/schema.js';

/** What each engine's sheet says, by the thing that it drives. */
type Engines = Readonly<Record<string, EngineDocument>>;

interface EnergyLayout {
  readonly engines?: Engines;
  readonly more?: (d: RigDocument) => void;
}

const own = (volume: string): EngineDocument => ({ own: volume });

/** A small battery that only starts an engine, and is charged by it. */
const starting = (engine: string) => (d: RigDocument) => {
  const battery = addBattery(d, { use: 'start', capacity: '35 Ah', chemistry: 'lead-acid' });
  addCharger(d, battery, 'coil', { engine });
};

const charged =
  (engine: string, current: string) =>
  (d: RigDocument): void =>
    void addCharger(d, 'battery', 'coil', { engine, current });

const wired = (d: RigDocument, from: string, to: string, changes: Partial<WireDocument>): void => void Object.assign(wireFrom(d, from, to), changes);

/** By layout: what its engines drink from, what its batteries are charged by. */
export const ENERGY_LAYOUTS: Readonly<Record<string, EnergyLayout>> = {
  'buffer-skid': { engines: { 'washer-a': own('6.5 gal') }, more: starting('washer-a') },
  'big-tank': {
    more: (d) => {
      starting('washer-a')(d);
      addFuelTank(d, ['washer-a'], { volume: '13 gal' });
    },
  },
  'tied-tanks': {
    more: (d) => {
      charged('washer-a', '20 A')(d);
      addFuelTank(d, ['washer-a', 'washer-b'], { volume: '13 gal' });
      const panel = addPanel(d, 'battery');
      wired(d, 'battery', panel, { gauge: '4', fuse: '60 A', colour: 'red' });
      wired(d, panel, 'soft-pump', { gauge: '6', fuse: '40 A', switch: 'In the box at the rear', colour: 'blue' });
      const lights = addLoad(d, 'lights');
      wired(d, panel, lights, { gauge: '14', fuse: '10 A', colour: 'white' });
    },
  },
  'gravity-van': {
    more: (d) => {
      addLoad(d, 'lights', { current: '3 A', hours: '4 h' });
      addCharger(d, 'battery', 'shore', { current: '10 A' });
    },
  },
  'boosted-skid': {
    engines: { 'washer-a': { lift: 'electric' }, compressor: own('1.2 gal') },
    more: (d) => {
      charged('washer-a', '30 A')(d);
      // A cap on top of a washer on a shelf is out of reach: an electric pump lifts from a tank on the deck.
      addFuelTank(d, ['washer-a'], { volume: '6.5 gal' });
    },
  },
  'two-unequal': {
    engines: { large: own('6.5 gal'), small: own('3 gal') },
    more: (d) => {
      charged('large', '20 A')(d);
      // Hot water for the milking parlour: everything behind the coil is made for it.
      addBurner(d, 'large', { heat: '100 kW', set: '140 °F' });
      for (const p of d.lines.find((l) => l.id === 'hose-large')!.parts) p.stands = '300 °F';
    },
  },
  'two-gun-split': { engines: { 'washer-a': own('6.5 gal') }, more: starting('washer-a') },
  'carried-water': { engines: { 'washer-a': own('1.7 gal') } },
  'small-buffer': {
    engines: { compressor: { lift: 'pulse' } },
    more: (d) => {
      charged('washer-a', '20 A')(d);
      addFuelTank(d, ['washer-a', 'compressor'], { volume: '17 gal', name: 'Shared fuel tank' });
    },
  },
  'metric-header': {
    engines: { washer: own('8 L') },
    more: (d) => void addCharger(d, 'battery', 'shore', { current: '10 A' }),
  },
  'winter-split': { engines: { 'washer-a': own('8 gal'), 'soft-pump': own('0.8 gal') }, more: starting('washer-a') },
  'mix-tank-truck': {
    engines: { 'soft-pump': own('0.8 gal') },
    more: (d) => {
      // The truck's hydraulics drive the washer: no engine and no exhaust in the closed body.
      d.machines[0].drive = 'vehicle';
      d.machines[0].takeOff = { by: 'hydraulic', idlePower: '15 hp' };
      addCharger(d, 'battery', 'vehicle', { current: '20 A' });
    },
  },
  'two-batch': { engines: { 'washer-a': own('2 gal') } },
  'two-totes': { engines: { 'washer-a': own('1.4 gal'), compressor: own('1.4 gal') }, more: (d) => void addCharger(d, 'battery', 'shore') },
  'crew-of-four': {
    engines: { 'engine-a': own('1 gal'), 'engine-b': own('1 gal') },
    more: (d) => {
      addFuelTank(d, ['washer-a', 'washer-b'], { volume: '32 gal' });
      addLoad(d, 'lights', { current: '6 A', hours: '2 h' });
      const reel = d.reels?.find((r) => r.id === 'reel-roofs-hose');
      if (reel) reel.motor = '45 A';
    },
  },
};

/** Gives a layout its fuel, its batteries' charge and its cables. */
export function withEnergy(id: string, d: RigDocument): RigDocument {
  const plan = ENERGY_LAYOUTS[id];
  for (const thing of [...d.machines, ...(d.softPumps ?? []), ...(d.compressors ?? [])]) {
    const engine = plan.engines?.[thing.id];
    if (engine) thing.engine = { ...engine };
  }
  plan.more?.(d);
  return d;
}
