import type { Mix } from '../rig/schema.js';
import type { Hose, Line, Rig } from '../rig/schema.js';
import { wayOf } from './blend-network.js';

/** Pressure lines from a machine to an outlet, in order; empty when none leads there. */
export function pressurePath(rig: Rig, machineId: string, outletId: string): Line[] {
  const { lines } = rig;
  const walk = (at: string, id: string, gone: readonly Line[]): Line[] | undefined => {
    for (const l of lines) {
      if (l.role !== 'pressure' || l.closed || l.from.at !== at || l.from.id !== id || gone.includes(l)) continue;
      if (l.to.at === 'outlet' && l.to.id === outletId) return [...gone, l];
      if (l.to.at === 'manifold') {
        const on = walk('manifold', l.to.id!, [...gone, l]);
        if (on) return on;
      }
    }
    return undefined;
  };
  return walk('machine', machineId, []) ?? [];
}

/** Lines that a mix runs through, branches first. */
export function linesOf(rig: Rig, mix: Mix): Line[] {
  const way = wayOf(rig, mix);
  if (way) return [...way.branches, ...(way.suction ? [way.suction] : []), way.delivery];
  return rig.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
}

/** Hoses of a line that lie on its reel: all but a whip. */
export const hosesOf = (line: Line): Hose[] => line.parts.filter((p): p is Hose => p.kind === 'hose' && p.use !== 'whip');
/** Hose in lines, m, whips left out. */
export const hoseIn = (lines: readonly Line[]): number => lines.reduce((s, l) => s + hosesOf(l).reduce((t, h) => t + h.length, 0), 0);
