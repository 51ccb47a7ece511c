import type { Rig, Tank } from './schema.js';

const WATERY: ReadonlySet<string | undefined> = new Set(['water', 'pure-water']);

/** Whether what a tank holds is water, however pure. */
export const holdsWater = (rig: Pick<Rig, 'liquids'>, t: Pick<Tank, 'liquid' | 'holds'>): boolean =>
  t.liquid === 'water' ||
  t.liquid === 'rinse' ||
  (t.liquid === 'chemical' && t.holds !== undefined && WATERY.has(rig.liquids.find((l) => l.id === t.holds)?.kind));
