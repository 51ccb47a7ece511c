import type { Cases } from '../solve/cases.js';
import type { Tank } from '../rig/schema.js';
import { shapeHeight, surfaceAt, volumeAt } from '../rig/tank-shape.js';

/** A tank, or tanks tied together that rise and fall as one. Volumes m³. */
export interface Vessel {
  readonly tanks: readonly Tank[];
  readonly name: string;
  /** Holds water for the washers, filled from a tap; not chemicals. */
  readonly water: boolean;
  readonly full: number;
  readonly start: number;
  /** What cannot be drawn. */
  readonly heel: number;
  /** Room over which the float valve shuts; 0 where none does. */
  readonly band: number;
  /** Filled by a line from a spigot. */
  readonly filled: boolean;
}

const top = (t: Tank): number => Math.min(t.fullLevel, shapeHeight(t.shape));

/** Every tank of a rig as vessels, tied ones together, in the order of the document. */
export function vesselsOf(cases: Cases): Vessel[] {
  const { rig, net, values } = cases;
  const groups: Tank[][] = [];
  const seen = new Map<number, Tank[]>();
  for (const t of rig.tanks) {
    const g = net.tieGroupOf.get(t.id);
    const known = g === undefined ? undefined : seen.get(g);
    if (known) known.push(t);
    else {
      const made = [t];
      groups.push(made);
      if (g !== undefined) seen.set(g, made);
    }
  }
  return groups.map((tanks) => {
    const ids = tanks.map((t) => t.id);
    const sum = (level: (t: Tank) => number): number => tanks.reduce((s, t) => s + volumeAt(t.shape, level(t)), 0);
    const full = sum(top);
    const fills = rig.lines.filter((l) => l.role === 'fill' && !l.closed && l.to.at === 'tank' && ids.includes(l.to.id!));
    const float = fills.some((l) => l.parts.some((p) => p.kind === 'valve' && p.is === 'float-valve'));
    const heel = Math.min(
      sum((t) => cases.heel.get(t.id)!),
      full,
    );
    const travel = tanks.reduce((s, t) => s + surfaceAt(t.shape, Math.max(top(t) - values['float-travel'] / 2, 0)), 0) * values['float-travel'];
    return {
      tanks,
      name: tanks.map((t) => t.name).join(' and '),
      water: tanks[0].holds === undefined && tanks[0].liquid === 'water',
      full,
      start: Math.min(
        sum((t) => t.startLevel),
        full,
      ),
      heel,
      band: float ? Math.min(travel, (full - heel) / 2) : 0,
      filled: fills.length > 0,
    };
  });
}

/** Inside level of each tank of a vessel that holds a volume, m: all at one height above the deck, as tied tanks stand. */
export function levelsIn(vessel: Vessel, volumeM3: number): number[] {
  const { tanks } = vessel;
  let low = Math.min(...tanks.map((t) => t.base));
  let high = Math.max(...tanks.map((t) => t.base + shapeHeight(t.shape)));
  const at = (surface: number): number => tanks.reduce((s, t) => s + volumeAt(t.shape, surface - t.base), 0);
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (at(middle) < volumeM3) low = middle;
    else high = middle;
  }
  return tanks.map((t) => Math.min(Math.max((low + high) / 2 - t.base, 0), shapeHeight(t.shape)));
}
