import { LIQUID_NAMES } from '../../chemistry/compatibility.js';
import { oneWay } from '../../rig/backflow.js';
import type { Line, Mix, Rig, Tank } from '../../rig/schema.js';
import { holdsWater } from '../../rig/watery.js';
import { fullDepth } from '../../rig/tank-shape.js';
import { feedWays } from '../../solve/feed-ways.js';
import { pressurePath } from '../../solve/paths.js';
import type { Stocks } from '../../solve/stock.js';

/**
 * How what is not water gets into water, or water into what it spoils: through an open tie; pumped; by a washer's return; by its
 * own weight through a branch without a check valve, with everything off.
 */
export interface Crossing {
  readonly how: 'tie' | 'pumped' | 'return' | 'by-weight' | 'thinned';
  /** The line that lets it through. */
  readonly line: Line;
  readonly from: Tank | { readonly id: string; readonly name: string };
  readonly into: Tank;
  /** What runs, in words: SH, soap, antifreeze, water. */
  readonly what: string;
}

const topOf = (t: Tank): number => t.base + Math.max(fullDepth(t), t.startLevel);

/** Every crossing on a rig that stands open. */
export function crossingsOf(rig: Rig, stocks: Stocks): Crossing[] {
  const isWater = (t: Tank): boolean => holdsWater(rig, t);
  const tank = (id: string | undefined): Tank | undefined => rig.tanks.find((t) => t.id === id);
  const holds = (t: Tank): string => (t.liquid === 'antifreeze' ? 'antifreeze' : isWater(t) ? 'water' : LIQUID_NAMES[stocks.in(t).liquid.kind]);
  const open = rig.lines.filter((l) => !l.closed);
  const out: Crossing[] = [];

  for (const l of open)
    if (l.role === 'tie') {
      const [a, b] = [tank(l.from.id), tank(l.to.id)];
      if (!a || !b || isWater(a) === isWater(b)) continue;
      const [dirty, clean] = isWater(a) ? [b, a] : [a, b];
      // A check valve in a tie lets through what its line says it does.
      if (oneWay(l) && dirty === b) continue;
      out.push({ how: 'tie', line: l, from: dirty, into: clean, what: holds(dirty) });
    }

  // Pumped from tank to tank: through a soft wash pump, and through a mix before it.
  const onward = (at: string, id: string, gone: readonly Line[]): readonly { readonly line: Line; readonly into: Tank }[] =>
    open.flatMap((l) => {
      if (l.role !== 'chemical' || l.from.at !== at || l.from.id !== id || gone.includes(l)) return [];
      const into = l.to.at === 'tank' ? tank(l.to.id) : undefined;
      if (into) return [{ line: l, into }];
      return (l.to.at === 'soft-pump' || l.to.at === 'mix') && l.to.id !== undefined ? onward(l.to.at, l.to.id, [...gone, l]) : [];
    });
  for (const from of rig.tanks) {
    if (isWater(from)) continue;
    for (const { line, into } of onward('tank', from.id, []))
      if (isWater(into) && !out.some((c) => c.how === 'pumped' && c.line === line)) out.push({ how: 'pumped', line, from, into, what: holds(from) });
  }

  for (const l of open) {
    const into = l.role === 'bypass' && l.to.at === 'tank' ? tank(l.to.id) : undefined;
    const machine = rig.machines.find((m) => m.id === l.from.id);
    if (!into || !machine || isWater(into)) continue;
    // In winter a washer draws its antifreeze round.
    if (feedWays(rig, machine.id).some((w) => w.open && w.tank.id === into.id)) continue;
    out.push({ how: 'return', line: l, from: machine, into, what: 'water' });
  }

  for (const mix of rig.mixes) out.push(...byWeight(rig, mix, open, tank, holds, isWater));
  return out;
}

/** Lines that let what may not run into a storm drain out onto the ground (Clean Water Act, 40 CFR 122.26; from memory). */
export const spills = (rig: Rig): readonly { readonly line: Line; readonly tank: Tank }[] =>
  rig.lines.flatMap((line) => {
    const tank = line.role === 'dump' && !line.closed && line.to.at === 'open' ? rig.tanks.find((t) => t.id === line.from.id) : undefined;
    return tank && !holdsWater(rig, tank) ? [{ line, tank }] : [];
  });

/** What runs by its own weight between the branches of a mix, and back through an injector, while nothing draws on it. */
function byWeight(
  rig: Rig,
  mix: Mix,
  open: readonly Line[],
  tank: (id: string | undefined) => Tank | undefined,
  holds: (t: Tank) => string,
  isWater: (t: Tank) => boolean,
): Crossing[] {
  const out: Crossing[] = [];
  const branches = open.flatMap((line) => {
    const from = line.role === 'chemical' && line.to.at === 'mix' && line.to.id === mix.id && line.from.at === 'tank' ? tank(line.from.id) : undefined;
    return from ? [{ line, from, outlet: Math.max(line.from.height ?? from.base, from.base) }] : [];
  });
  for (const s of branches) {
    if (isWater(s.from)) continue;
    for (const w of branches) {
      if (!isWater(w.from)) continue;
      // Back through the water's branch, where nothing in it is of one way.
      if (!oneWay(w.line) && topOf(s.from) > w.outlet) out.push({ how: 'by-weight', line: w.line, from: s.from, into: w.from, what: holds(s.from) });
      if (!oneWay(s.line) && topOf(w.from) > s.outlet) out.push({ how: 'thinned', line: s.line, from: w.from, into: s.from, what: 'water' });
    }
    if (!mix.injector || oneWay(s.line)) continue;
    const washers = rig.machines.filter((m) => pressurePath(rig, m.id, mix.injector!.outlet).length > 0);
    const water = washers.flatMap((m) => feedWays(rig, m.id).flatMap((f) => (f.open && isWater(f.tank) ? [f] : [])));
    const lowest = water.reduce<(typeof water)[number] | undefined>((a, b) => (a && a.outletM <= b.outletM ? a : b), undefined);
    if (lowest && topOf(s.from) > lowest.outletM) out.push({ how: 'by-weight', line: s.line, from: s.from, into: lowest.tank, what: holds(s.from) });
  }
  return out;
}
