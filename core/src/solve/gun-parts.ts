import type { End, Line, Machine, Rig } from '../rig/schema.js';

/** What hangs together behind the pumps: lines and things whose pressures bear on one another. */
export interface GunPart {
  /** The same for a part that has the same first thing. */
  readonly name: string;
  readonly lines: readonly Line[];
  readonly machines: readonly Machine[];
  /** Machines, outlets and manifolds. */
  readonly things: readonly object[];
}

const key = (end: End): string => `${end.at}:${end.id ?? ''}`;
/** Ends that join what meets there; tanks and the open part it. */
const JOINS: ReadonlySet<End['at']> = new Set<End['at']>(['machine', 'manifold', 'outlet']);

/** The parts behind the pumps, by the machines and outlets in them (`machine:a`, `outlet:gun`). Shut lines join like open ones. */
export function gunParts(rig: Rig): ReadonlyMap<string, GunPart> {
  const up = new Map<string, string>();
  const root = (k: string): string => {
    let at = k;
    for (let next = up.get(at); next !== undefined && next !== at; next = up.get(at)) at = next;
    return at;
  };
  const own = rig.lines.filter((l) => l.role === 'pressure' || l.role === 'bypass');
  for (const l of own) for (const end of [l.from, l.to]) if (JOINS.has(end.at)) up.set(root(`line:${l.id}`), root(key(end)));
  const parts = new Map<string, { name: string; lines: Line[]; machines: Machine[]; things: object[] }>();
  const of = (k: string) => {
    const r = root(k);
    let part = parts.get(r);
    if (!part) parts.set(r, (part = { name: k, lines: [], machines: [], things: [] }));
    return part;
  };
  const out = new Map<string, GunPart>();
  for (const [at, list] of [
    ['machine', rig.machines],
    ['outlet', rig.outlets],
    ['manifold', rig.manifolds],
  ] as const)
    for (const x of list) {
      const part = of(`${at}:${x.id}`);
      part.things.push(x);
      out.set(`${at}:${x.id}`, part);
    }
  for (const m of rig.machines) of(`machine:${m.id}`).machines.push(m);
  for (const l of own) of(`line:${l.id}`).lines.push(l);
  return out;
}
