import type { Cases } from './cases.js';
import type { Tank } from '../rig/schema.js';
import { fullDepth, surfaceAt, volumeAt } from '../rig/tank-shape.js';
import { isDraw } from './solved.js';

/** A tank with a surface of its own. Volumes m³. */
export interface Vessel {
  readonly tank: Tank;
  /** Tanks that open ties join it to, itself included, in the order of the document. */
  readonly tied: readonly Tank[];
  readonly name: string;
  /** Holds water for the washers, filled from a tap; not chemicals. */
  readonly water: boolean;
  readonly full: number;
  readonly start: number;
  /** What cannot be drawn. */
  readonly heel: number;
  /** Washers draw on it by lines of its own. */
  readonly drawn: boolean;
  /** Room over which the float valve shuts; 0 where none does. */
  readonly band: number;
  /** Filled by a line from a spigot. */
  readonly filled: boolean;
}

/** Tanks that hang together by open ties with a tank, in the order of the document. */
export function tiedWith({ rig, net }: Cases, tank: Tank): readonly Tank[] {
  const group = net.tieGroupOf.get(tank.id);
  return group === undefined ? [tank] : rig.tanks.filter((t) => net.tieGroupOf.get(t.id) === group);
}

/** Every tank of a rig as a vessel, in the order of the document. */
export function vesselsOf(cases: Cases): Vessel[] {
  const { rig, values } = cases;
  return rig.tanks.map((tank) => {
    const top = fullDepth(tank);
    const volume = (level: number): number => volumeAt(tank.shape, level);
    const full = volume(top);
    const fills = rig.lines.filter((l) => l.role === 'fill' && !l.closed && l.to.at === 'tank' && l.to.id === tank.id);
    const float = fills.some((l) => l.parts.some((p) => p.kind === 'valve' && p.is === 'float-valve'));
    const heel = Math.min(volume(cases.ownHeel.get(tank.id)!), full);
    const travel = surfaceAt(tank.shape, Math.max(top - values['float-travel'] / 2, 0)) * values['float-travel'];
    return {
      tank,
      tied: tiedWith(cases, tank),
      name: tank.name,
      water: tank.holds === undefined && tank.liquid === 'water',
      full,
      start: Math.min(volume(tank.startLevel), full),
      heel,
      drawn: rig.lines.some((l) => isDraw(l) && !l.closed && l.from.id === tank.id),
      band: float ? Math.min(travel, (full - heel) / 2) : 0,
      filled: fills.length > 0,
    };
  });
}

/** Sum over a vessel and those tied to it. */
export const together = (vessels: readonly Vessel[], v: number, of: (x: Vessel, i: number) => number): number =>
  vessels.reduce((sum, x, i) => (vessels[v].tied.includes(x.tank) ? sum + of(x, i) : sum), 0);
