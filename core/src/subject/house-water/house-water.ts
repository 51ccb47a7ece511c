import { INCH } from '../../quantity/dimension.js';
import { better, type Guard, guardOf } from '../../rig/backflow.js';
import { pressurePath } from '../../solve/paths.js';
import type { Line, Rig, Tank } from '../../rig/schema.js';
import { holdsWater } from '../../rig/watery.js';
import { drowned, shapeHeight } from '../../rig/tank-shape.js';

/** An unguarded way from the customer's pipes to what nobody may drink. */
export interface OpenWay {
  /** The line that leaves the spigot: a preventer belongs in it. */
  readonly line: Line;
  /** What is at its end. */
  readonly to: 'chemical-tank' | 'water-tank' | 'machine' | 'mix';
  readonly id: string;
  readonly name: string;
  /** Chemicals may come back that way. */
  readonly chemical: boolean;
  /** By what is in it already: nothing, what is too weak for it, what nobody said. */
  readonly held: Exclude<Guard, 'held'>;
}

/** Whether a line's end is clear above all that its tank can hold: an air gap of twice its bore, an inch at least (ASME A112.1.2; from memory). */
const clearOf = (l: Line, t: Tank): boolean =>
  (l.to.height ?? t.base + t.fullLevel) >= t.base + shapeHeight(t.shape) + Math.max(INCH, 2 * (l.parts.at(-1)?.bore ?? 0)) - 1e-9;

/**
 * Every way that stands open from a spigot, through headers and boosters, to a tank, a washer or a mix, with no air gap on it and
 * no backflow preventer that is good for what is at its end. When the street's pressure fails water runs such a way backwards, whatever it is meant to do.
 */
export function openWays(rig: Rig): OpenWay[] {
  const from = (at: string, id: string | undefined): readonly Line[] => rig.lines.filter((l) => !l.closed && l.from.at === at && l.from.id === id);
  const out: OpenWay[] = [];
  const walk = (gone: readonly Line[], l: Line): void => {
    if (gone.includes(l)) return;
    const run = [...gone, l];
    const { at, id } = l.to;
    const way = (to: OpenWay['to'], name: string, chemical: boolean): void => {
      const pushed = to === 'machine' || to === 'mix';
      // A valve further down the run keeps pressure on what stands before it.
      const held = run.reduce<Guard>(
        (best, x, i) => better(best, guardOf([...x.parts, ...run.slice(i + 1).flatMap((y) => y.parts)], chemical, pushed)),
        'open',
      );
      if (held !== 'held') out.push({ line: run[0], to, id: id!, name, chemical, held });
    };
    switch (at) {
      case 'tank': {
        const t = rig.tanks.find((x) => x.id === id)!;
        if (!holdsWater(rig, t)) {
          if (!clearOf(l, t)) way('chemical-tank', t.name, true);
        } else if (drowned(l.to.height, t)) way('water-tank', t.name, false);
        break;
      }
      case 'machine': {
        const m = rig.machines.find((x) => x.id === id)!;
        way(
          'machine',
          m.name,
          rig.mixes.some((x) => x.injector && pressurePath(rig, m.id, x.injector.outlet).length > 0),
        );
        break;
      }
      case 'mix':
        way('mix', rig.mixes.find((x) => x.id === id)!.name, true);
        break;
      case 'manifold':
      case 'booster':
        for (const next of from(at, id)) walk(run, next);
        break;
      default:
    }
  };
  for (const l of rig.lines) if (l.from.at === 'spigot' && !l.closed) walk([], l);
  return out;
}
