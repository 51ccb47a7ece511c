import { si } from '../quantity/parse.js';
import type { Gear, GearDocument, GearKind } from '../rig/schema.js';

/** Usual gear: word, measures over all, mass, price in dollars. Workshop estimates of generic goods. */
interface Usual {
  readonly word: string;
  readonly size: readonly [length: string, width: string, height: string];
  readonly mass: string;
  readonly price: number;
  readonly carries?: string;
}

export const USUAL_GEAR: Readonly<Record<GearKind, Usual>> = {
  // Just higher than a five-gallon bucket: common practice.
  shelf: { word: 'Shelf', size: ['36 in', '24 in', '16 in'], mass: '35 lb', price: 120, carries: '400 lb' },
  box: { word: 'Lockable box', size: ['48 in', '18 in', '18 in'], mass: '62 lb', price: 260 },
  bin: { word: 'Side bin', size: ['36 in', '10 in', '12 in'], mass: '15 lb', price: 70 },
  'bucket-rack': { word: 'Bucket rack', size: ['26 in', '13 in', '15 in'], mass: '12 lb', price: 60 },
  'ladder-rack': { word: 'Ladder rack', size: ['96 in', '16 in', '6 in'], mass: '95 lb', price: 380 },
  'pole-tube': { word: 'Pole tube', size: ['96 in', '6 in', '6 in'], mass: '18 lb', price: 55 },
  'gun-rack': { word: 'Gun rack', size: ['46 in', '6 in', '10 in'], mass: '8 lb', price: 45 },
  'cleaner-bracket': { word: 'Bracket for the surface cleaner', size: ['22 in', '6 in', '22 in'], mass: '6 lb', price: 40 },
  'spare-hose': { word: 'Spare hose', size: ['22 in', '22 in', '8 in'], mass: '40 lb', price: 0 },
  generator: { word: 'Generator', size: ['24 in', '18 in', '19 in'], mass: '105 lb', price: 900 },
  'fuel-can': { word: 'Fuel can', size: ['14 in', '10 in', '16 in'], mass: '34 lb', price: 30 },
  extinguisher: { word: 'Fire extinguisher', size: ['5 in', '5 in', '16 in'], mass: '9 lb', price: 55 },
  cones: { word: 'Cones', size: ['14 in', '14 in', '30 in'], mass: '20 lb', price: 90 },
  chocks: { word: 'Wheel chocks', size: ['10 in', '8 in', '8 in'], mass: '8 lb', price: 25 },
  'first-aid': { word: 'First aid and eye wash', size: ['12 in', '6 in', '12 in'], mass: '8 lb', price: 80 },
  protective: { word: 'Protective gear', size: ['24 in', '14 in', '14 in'], mass: '22 lb', price: 240 },
  tools: { word: 'Tools and spares', size: ['24 in', '12 in', '12 in'], mass: '45 lb', price: 250 },
};

/** Price of a piece of gear, $: the usual one's, by its mass where it differs. */
export function gearPrice(gear: Pick<Gear, 'kind' | 'mass'>): number {
  const usual = USUAL_GEAR[gear.kind];
  return usual.price * Math.max(gear.mass / si(usual.mass, 'mass'), 0);
}

/** A usual piece of gear as a document, to be added. */
export function usualGear(kind: GearKind, id: string, changes: Partial<GearDocument> = {}): GearDocument {
  const { word, size, mass, carries } = USUAL_GEAR[kind];
  return { id, name: word, kind, length: size[0], width: size[1], height: size[2], mass, ...(carries ? { carries } : {}), ...changes };
}
