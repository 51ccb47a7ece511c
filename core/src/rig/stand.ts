import type { Engine, Line, Placement, Reel, Rig } from './schema.js';

/** Placements by the thing that stands there. */
export const placesOf = (rig: Pick<Rig, 'placements'>): ReadonlyMap<string, Placement> => new Map(rig.placements.map((p) => [p.thing, p]));

/** Height of the top of what other things may stand on, above its own floor, m: a shelf, or a reel with another stacked on it. */
export function topOf(rig: Pick<Rig, 'gear' | 'reels'>, id: string, place: Placement | undefined): number {
  const own = rig.gear.find((g) => g.id === id);
  return place?.size?.height ?? own?.height ?? rig.reels.find((r) => r.id === id)?.flange ?? 0;
}

/** Height of what a thing stands on, above the deck, m. What stands in a circle counts as on the deck; `wiring` tells it. */
export function floorOf(rig: Pick<Rig, 'gear' | 'reels'>, places: ReadonlyMap<string, Placement>, thing: string): number {
  let floor = 0;
  let place = places.get(thing);
  const seen = new Set<string>([thing]);
  while (place?.on !== undefined && !seen.has(place.on)) {
    seen.add(place.on);
    const under = places.get(place.on);
    floor += topOf(rig, place.on, under);
    place = under;
  }
  return floor;
}

/** The lowest of the stack that a thing stands in: itself where it stands on the deck. */
export function rootOf(places: ReadonlyMap<string, Placement>, thing: string): string {
  const seen = new Set<string>([thing]);
  let root = thing;
  for (let on = places.get(thing)?.on; on !== undefined && !seen.has(on); on = places.get(on)?.on) {
    seen.add(on);
    root = on;
  }
  return root;
}

/** How many things of the same stack a thing stands on. */
export function stackedOn(places: ReadonlyMap<string, Placement>, thing: string): number {
  let depth = 0;
  const seen = new Set<string>([thing]);
  for (let on = places.get(thing)?.on; on !== undefined && !seen.has(on); on = places.get(on)?.on) {
    seen.add(on);
    depth++;
  }
  return depth;
}

/** Bulkheads above what their tank stands on. */
function withBulkheads(rig: Rig): Rig {
  const bases = new Map(rig.tanks.map((t) => [t.id, t.base]));
  const end = (e: Line['from']): Line['from'] => {
    const base = e.at === 'tank' && e.height !== undefined && e.id !== undefined ? bases.get(e.id) : undefined;
    return base ? { ...e, height: e.height! + base } : e;
  };
  const lines = rig.lines.map((l): Line => {
    const [from, to] = [end(l.from), end(l.to)];
    return from === l.from && to === l.to ? l : { ...l, from, to };
  });
  return lines.every((l, i) => l === rig.lines[i]) ? rig : { ...rig, lines };
}

/**
 * A rig with every height above the deck: a document tells a thing's heights above what it stands on, a bulkhead's above its
 * tank's bottom, and once it has a platform, those of taps, guns and work above the ground. What does not change is the very
 * object that was given.
 */
export function standing(given: Rig): Rig {
  const rig = withBulkheads(given);
  if (!rig.placements.length && !rig.platform) return rig;
  const places = placesOf(rig);
  const floors = new Map(rig.placements.map((p) => [p.thing, floorOf(rig, places, p.thing)]));
  const floor = (id: string | undefined): number => (id === undefined ? 0 : (floors.get(id) ?? 0));
  const raised = <T extends { readonly id: string }>(list: T[], field: keyof T): T[] =>
    list.some((t) => floor(t.id) !== 0) ? list.map((t) => (floor(t.id) === 0 ? t : { ...t, [field]: (t[field] as number) + floor(t.id) })) : list;
  /** Carburettors lie inside their engine's data. */
  const engines = <T extends { readonly id: string; readonly engine?: Engine | undefined }>(list: T[]): T[] =>
    list.some((t) => t.engine?.carburettor !== undefined && floor(t.id) !== 0)
      ? list.map((t) =>
          t.engine?.carburettor === undefined || floor(t.id) === 0 ? t : { ...t, engine: { ...t.engine, carburettor: t.engine.carburettor + floor(t.id) } },
        )
      : list;
  const ground = rig.platform?.height ?? 0;
  const fromGround = <T extends { height: number }>(list: T[]): T[] => (ground ? list.map((t) => ({ ...t, height: t.height - ground })) : list);
  const end = (e: Line['from']): Line['from'] => (e.at === 'tank' && e.height !== undefined && floor(e.id) ? { ...e, height: e.height + floor(e.id) } : e);
  const line = (l: Line): Line => {
    const [from, to] = [end(l.from), end(l.to)];
    return from === l.from && to === l.to ? l : { ...l, from, to };
  };
  const reel = (r: Reel): Reel => {
    const own = places.get(r.id);
    if (!own) return r;
    const place = own.service === undefined || own.service === 'front' ? r.place : own.service;
    const row = 1 + stackedOn(places, r.id);
    return place === r.place && row === r.row ? r : { ...r, place, row };
  };
  return {
    ...rig,
    tanks: raised(rig.tanks, 'base'),
    machines: engines(raised(rig.machines, 'inletHeight')),
    softPumps: engines(raised(rig.softPumps, 'height')),
    compressors: engines(rig.compressors),
    gear: engines(rig.gear),
    fuelTanks: raised(rig.fuelTanks, 'base'),
    boosters: raised(rig.boosters, 'height'),
    manifolds: raised(rig.manifolds, 'height'),
    mixes: raised(rig.mixes, 'height'),
    spigots: fromGround(rig.spigots),
    outlets: fromGround(rig.outlets),
    sprayers: fromGround(rig.sprayers),
    lines: rig.lines.map(line),
    reels: rig.reels.map(reel),
  };
}
