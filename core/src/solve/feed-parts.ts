import { flatMap } from '../lists.js';
import type { End, Rig } from '../rig/schema.js';

/** What hangs together before the pumps: lines and things whose flows bear on one another. */
export interface FeedPart {
  /** The same for a part that has the same first line or thing. */
  readonly name: string;
  readonly lines: readonly object[];
  readonly things: readonly object[];
  /** Ids of the tanks that it draws on or fills. */
  readonly tankIds: readonly string[];
  /** Of those, whose level bears on it: all but such as are filled from above. */
  readonly deepIds: readonly string[];
}

const ROLES: ReadonlySet<string> = new Set(['fill', 'tie', 'feed', 'boost']);
const key = (end: End): string => `${end.at}:${end.id ?? ''}`;

/** Whether a line ends no lower than its tank is filled: it ends there where nothing else is said. */
function above(rig: Rig, end: End): boolean {
  const tank = rig.tanks.find((t) => t.id === end.id)!;
  return end.height === undefined || end.height >= tank.base + tank.fullLevel;
}

/**
 * The parts before the pumps, by what is in them (`machine:a`, `line:fill`, `tank:b`). A tank that is tied to none parts
 * what lies on both sides of it: its surface stands still in every case. Tied tanks join.
 */
export function feedParts(rig: Rig): ReadonlyMap<string, FeedPart> {
  const up = new Map<string, string>();
  const root = (k: string): string => {
    let at = k;
    while (up.get(at) !== undefined && up.get(at) !== at) at = up.get(at)!;
    return at;
  };
  const join = (a: string, b: string): void => void up.set(root(a), root(b));
  const tied = new Set(flatMap(rig.lines, (l) => (l.role === 'tie' && !l.closed ? [key(l.from), key(l.to)] : [])));
  const own = rig.lines.filter((l) => ROLES.has(l.role));
  for (const l of own) for (const end of [l.from, l.to]) if (end.at !== 'tank' || tied.has(key(end))) join(`line:${l.id}`, key(end));
  const parts = new Map<string, { name: string; lines: object[]; things: object[]; tankIds: string[]; deepIds: string[] }>();
  const of = (k: string) => {
    const r = root(k);
    let p = parts.get(r);
    if (!p) parts.set(r, (p = { name: k, lines: [], things: [], tankIds: [], deepIds: [] }));
    return p;
  };
  for (const l of own) {
    const part = of(`line:${l.id}`);
    part.lines.push(l);
    for (const end of [l.from, l.to]) {
      if (end.at !== 'tank' || end.id === undefined) continue;
      if (!part.tankIds.includes(end.id)) part.tankIds.push(end.id);
      if (!(l.role === 'fill' && end === l.to && above(rig, end)) && !part.deepIds.includes(end.id)) part.deepIds.push(end.id);
    }
  }
  const out = new Map<string, FeedPart>();
  const put = (at: string, list: readonly { readonly id: string }[]): void => {
    for (const x of list) {
      const k = `${at}:${x.id}`;
      if (at !== 'tank' || tied.has(k)) of(k).things.push(x);
      out.set(k, of(k));
    }
  };
  put('spigot', rig.spigots);
  put('manifold', rig.manifolds);
  put('booster', rig.boosters);
  put('machine', rig.machines);
  put('tank', rig.tanks);
  for (const l of own) out.set(`line:${l.id}`, of(`line:${l.id}`));
  return out;
}
