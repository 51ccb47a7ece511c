import { line, parts } from '../catalogue/build-line.js';
import { addBooster } from './booster.js';
import { unusedId } from './id.js';
import { bottomLike } from './length.js';
import { outletHeight } from './tank.js';
import type { LineDocument, RigDocument } from '../rig/schema.js';

/** Where a feed can come from, as `tank:water`. */
export type Source = `${'tank' | 'spigot' | 'manifold'}:${string}`;

/** Feed lines of a machine in the document, from the source on; the open one where several end at a place. */
export function feedLines(d: RigDocument, machineId: string): LineDocument[] {
  const path: LineDocument[] = [];
  let at: { at: string; id?: string } = { at: 'machine', id: machineId };
  for (;;) {
    const into = d.lines.filter((l) => (l.role === 'feed' || l.role === 'boost') && l.to.at === at.at && l.to.id === at.id && !path.includes(l));
    const next = into.find((l) => !l.closed) ?? into[0];
    if (!next) return path;
    path.unshift(next);
    if (next.from.at === 'tank' || next.from.at === 'spigot') return path;
    at = next.from;
  }
}

/** The last line before the machine that begins at a shared place (tank, spigot or header): its own branch. */
export function branchOf(d: RigDocument, machineId: string): LineDocument | undefined {
  return [...feedLines(d, machineId)].reverse().find((l) => l.from.at !== 'booster');
}

const BRANCH = () => parts('ball-valve-full-1', 'strainer-1', 'barb-1', ['hose-helix-1', { length: '6 ft' }], 'barb-1');

/** Leads a machine's own branch to another source, or gives it a branch if it has none. */
export function feedFrom(d: RigDocument, machineId: string, source: Source): void {
  const [at, id] = source.split(':') as ['tank' | 'spigot' | 'manifold', string];
  const tank = at === 'tank' ? d.tanks.find((t) => t.id === id) : undefined;
  const from: LineDocument['from'] = { at, id, ...(tank ? { height: tank.base } : {}) };
  const own = branchOf(d, machineId);
  if (!own) {
    d.lines.push({
      id: unusedId(d, `feed-${machineId}`),
      role: 'feed',
      from,
      to: { at: 'machine', id: machineId },
      parts: at === 'tank' ? [...parts('bulkhead-1'), ...BRANCH().map((p) => ({ ...p, id: `b${p.id}` }))] : BRANCH(),
    });
    return;
  }
  own.from = from;
  if (own.role === 'boost' && at === 'spigot') own.role = 'feed';
}

/** Lines that end at a machine's inlet, open or shut: what its inlet can be switched between. */
export function inletsOf(d: RigDocument, machineId: string): LineDocument[] {
  return d.lines.filter((l) => (l.role === 'feed' || l.role === 'boost') && l.to.at === 'machine' && l.to.id === machineId);
}

/** Plumbs another tank to a machine's inlet, shut for now. */
export function alsoFrom(d: RigDocument, machineId: string, tankId: string): void {
  const tank = d.tanks.find((t) => t.id === tankId);
  if (!tank) return;
  const id = unusedId(d, `feed-${machineId}-${tankId}`);
  d.lines.push({
    id,
    role: 'feed',
    from: { at: 'tank', id: tankId, height: tank.base },
    to: { at: 'machine', id: machineId },
    closed: true,
    parts: [...parts('bulkhead-1'), ...BRANCH().map((p) => ({ ...p, id: `b${p.id}` }))],
  });
}

/** Opens one of a machine's inlet lines and shuts the others. */
export function switchInlet(d: RigDocument, machineId: string, lineId: string): void {
  for (const l of inletsOf(d, machineId)) {
    if (l.id === lineId) delete l.closed;
    else l.closed = true;
  }
}

/** Puts a 2 in header before a machine's branch, fed from where the branch was; gives the header's id. */
export function newHeader(d: RigDocument, machineId: string): string | undefined {
  const own = branchOf(d, machineId);
  if (!own || own.from.at === 'spigot') return undefined;
  const id = unusedId(d, 'header');
  d.manifolds.push({ id, name: d.manifolds.length ? `Header ${d.manifolds.length + 1}` : 'Header', height: outletHeight(d, own.from) ?? '5 in' });
  const main: LineDocument = {
    id: unusedId(d, `main-${id}`),
    role: 'feed',
    from: own.from,
    to: { at: 'manifold', id },
    parts: parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '2 ft' }]),
  };
  own.from = { at: 'manifold', id };
  own.parts = own.parts.filter((p) => !(p.kind === 'fitting' && p.is.startsWith('bulkhead')));
  d.lines.push(main);
  return id;
}

/** A booster in a machine's own branch. */
export function boost(d: RigDocument, machineId: string): void {
  const own = branchOf(d, machineId);
  const machine = d.machines.findIndex((m) => m.id === machineId);
  if (own && machine >= 0) addBooster(d, [own.id], machine);
}

/** Takes a booster out: the lines before and after it become one again. */
export function removeBooster(d: RigDocument, boosterId: string): void {
  const before = d.lines.find((l) => l.to.at === 'booster' && l.to.id === boosterId);
  const after = d.lines.find((l) => l.from.at === 'booster' && l.from.id === boosterId);
  d.boosters = d.boosters.filter((b) => b.id !== boosterId);
  if (before && after) {
    before.to = after.to;
    before.role = 'feed';
    before.parts = [...before.parts, ...after.parts].map((p, i) => ({ ...p, id: `p${i + 1}` }));
    d.lines = d.lines.filter((l) => l !== after);
  } else d.lines = d.lines.filter((l) => l !== before && l !== after);
}

/** A 2 in tie at the bottom between two tanks. */
export function tie(d: RigDocument, a: string, b: string): void {
  const [first, second] = [d.tanks.find((t) => t.id === a), d.tanks.find((t) => t.id === b)];
  if (!first || !second) return;
  d.lines.push(
    line(
      unusedId(d, 'tie'),
      'tie',
      `tank:${a}@${bottomLike(first.base)}`,
      `tank:${b}@${bottomLike(second.base)}`,
      parts('bulkhead-2', 'ball-valve-full-2', ['pipe-2', { length: '3 ft' }], 'bulkhead-2'),
    ),
  );
}
