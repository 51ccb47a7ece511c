import type { MachineDocument, OutletDocument, PartDocument, RigDocument, TankDocument } from '../rig/schema.js';
import { parts } from './build-line.js';

export function spigot(id: string, name: string, flow: string, staticPressure = '55 psi', height = '2 ft'): RigDocument['spigots'][number] {
  return { id, name, staticPressure, height, readings: [{ flow, at: 'spigot' }] };
}

export function boxTank(id: string, name: string, size: [length: string, width: string, height: string], changes: Partial<TankDocument> = {}): TankDocument {
  return {
    id,
    name,
    liquid: 'water',
    shape: { kind: 'box', length: size[0], width: size[1], height: size[2] },
    base: '2 in',
    fullLevel: size[2],
    startLevel: size[2],
    lid: 'closed',
    ventBore: '2 in',
    ...changes,
  };
}

export function uprightTank(id: string, name: string, diameter: string, height: string, changes: Partial<TankDocument> = {}): TankDocument {
  return {
    id,
    name,
    liquid: 'water',
    shape: { kind: 'upright-cylinder', diameter, height },
    base: '2 in',
    fullLevel: height,
    startLevel: height,
    lid: 'closed',
    ventBore: '2 in',
    ...changes,
  };
}

export function washer(id: string, name: string, flow: string, pressure: string, enginePower: string, changes: Partial<MachineDocument> = {}): MachineDocument {
  return {
    id,
    name,
    arrangement: 'triplex',
    flow,
    ratedPressure: pressure,
    unloader: { kind: 'trapped-pressure', setting: pressure },
    speed: '1450 rpm',
    enginePower,
    inletHeight: '14 in',
    ...changes,
  };
}

export function gun(id: string, name: string, size: string, wantedPressure: string, changes: Partial<OutletDocument> = {}): OutletDocument {
  return { id, name, kind: 'gun', open: true, height: '4 ft', nozzle: { size, angle: '25', count: '1' }, wantedPressure, ...changes };
}

/** The usual way from a garden spigot to a tank. */
export const gardenFill = (hose: '12' | '58' | '34' | '1', length: string): PartDocument[] =>
  parts([`hose-garden-${hose}`, { length }], 'inlet-valve-34', 'filter-34', 'float-valve-34');

/** The usual way from a gun's machine to its gun. */
export const pressureRun = (bore: '14' | '516' | '38' | '12', length: string, coiled = '40 ft'): PartDocument[] =>
  parts(
    [`hose-pressure-${bore}`, { length: '6 ft', name: 'Whip line', use: 'whip' }],
    bore === '12' ? 'swivel-12' : 'swivel-38',
    [`hose-pressure-${bore}`, { length, coiledLength: coiled, coilDiameter: '16 in' }],
    'gun-valve',
  );
