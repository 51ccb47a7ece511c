import { si } from '../quantity/parse.js';
import type { HandTap, Part } from '../rig/schema.js';
import { CATALOGUE } from './items.js';

/** Shelf item of a family whose bore is nearest. */
function nearest(family: string, boreM: number): string {
  const off = (bore: string): number => Math.abs(si(bore, 'length') - boreM);
  return CATALOGUE.filter((c) => c.id.startsWith(`${family}-`)).reduce((a, b) => (off(b.part.bore) < off(a.part.bore) ? b : a)).id;
}

/** Of a hand tap, from its tee on: a ball valve, and its hose where it has one. SI. */
export const tapParts = ({ bore, length }: HandTap): Part[] => [
  { id: 'valve', name: 'Ball valve', item: nearest('ball-valve-full', bore), kind: 'fitting', is: 'ball-valve', bore, count: 1 },
  ...(length > 0 ? [{ id: 'hose', name: 'Hose', item: nearest('hose-garden', bore), kind: 'hose', is: 'smooth-hose', bore, length } as const] : []),
];
