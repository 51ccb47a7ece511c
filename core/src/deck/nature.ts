import { burnsFuel } from '../rig/energy-wiring.js';
import type { Rig } from '../rig/schema.js';
import type { Standing, StandingKind } from './outline.js';

type Thing = Pick<Standing, 'id' | 'kind'>;

/** Kinds that are served: started, opened, filled, wound. */
const SERVED: ReadonlySet<StandingKind> = new Set(['machine', 'soft-pump', 'battery', 'panel', 'compressor', 'receiver', 'burner', 'fuel-tank', 'reel', 'mix']);
const SERVED_GEAR: ReadonlySet<string> = new Set(['box', 'bin', 'generator', 'fuel-can', 'extinguisher', 'first-aid']);

/** What a hand has to get at. A tank of water is filled from above, and got at from a side only where one is said. */
export const isServed = (rig: Pick<Rig, 'gear'>, t: Thing): boolean => {
  const gear = t.kind === 'gear' ? rig.gear.find((g) => g.id === t.id) : undefined;
  return gear ? SERVED_GEAR.has(gear.kind) : SERVED.has(t.kind);
};

/** Kinds that are started by hand: out of reach they are climbed for. */
export const isStarted = (t: Thing): boolean => t.kind === 'machine' || t.kind === 'battery' || t.kind === 'compressor';

/** What blows an exhaust. */
export const blowsExhaust = (rig: Pick<Rig, 'machines' | 'softPumps' | 'compressors' | 'gear' | 'burners'>): ReadonlySet<string> => new Set(burnsFuel(rig));

const MELTING: ReadonlySet<StandingKind> = new Set(['tank', 'reel', 'battery', 'fuel-tank']);
const MELTING_GEAR: ReadonlySet<string> = new Set(['fuel-can', 'spare-hose', 'protective']);

/** What an exhaust melts, or sets on fire. */
export const melts = (rig: Pick<Rig, 'gear'>, t: Thing): boolean =>
  t.kind === 'gear' ? MELTING_GEAR.has(rig.gear.find((g) => g.id === t.id)?.kind ?? '') : MELTING.has(t.kind);

/** What holds fuel and is filled with it. */
export const holdsFuel = (rig: Pick<Rig, 'gear'>, t: Thing): boolean =>
  t.kind === 'fuel-tank' || (t.kind === 'gear' && rig.gear.find((g) => g.id === t.id)?.kind === 'fuel-can');
