import { line, parts } from '../catalogue/build-line.js';
import { gun, pressureRun, washer } from '../catalogue/usual-things.js';
import { mendInjectors } from './gun.js';
import { unusedId } from './id.js';
import type { RigDocument } from '../rig/schema.js';

const fedAlready = (d: RigDocument, id: string): boolean => d.lines.some((l) => l.role === 'feed' && l.to.at === 'machine' && l.to.id === id);

/** Feeds a machine that nothing feeds yet: from the first tank of water, with its return, or straight from the first spigot. */
export function plumbMachine(d: RigDocument, id: string): void {
  if (fedAlready(d, id)) return;
  const tank = d.tanks.find((t) => t.liquid === 'water');
  const spigot = d.spigots[0];
  if (tank) {
    d.lines.push(
      line(
        unusedId(d, `feed-${id}`),
        'feed',
        `tank:${tank.id}@1 in`,
        `machine:${id}`,
        parts('bulkhead-1', 'ball-valve-full-1', 'strainer-1', 'barb-1', ['hose-helix-1', { length: '6 ft' }], 'barb-1'),
      ),
      line(
        unusedId(d, `return-${id}`),
        'bypass',
        `machine:${id}`,
        `tank:${tank.id}@${tank.fullLevel}~36 in`,
        parts('barb-34', ['hose-helix-34', { length: '6 ft' }]),
      ),
    );
  } else if (spigot)
    d.lines.push(
      line(unusedId(d, `feed-${id}`), 'feed', `spigot:${spigot.id}`, `machine:${id}`, parts(['hose-garden-34', { length: '50 ft' }], 'inlet-valve-34')),
    );
}

/** A machine like the first rig's, with its feed, hose, gun and return, so that it can be judged at once. */
export function addMachine(d: RigDocument): string {
  const id = unusedId(d, 'washer');
  const gunId = unusedId(d, 'gun');
  d.machines.push(washer(id, `Washer ${d.machines.length + 1}`, '4 gpm', '3500 psi', '13 hp'));
  d.outlets.push(gun(gunId, `Gun ${d.outlets.length + 1}`, '4.5', '2900 psi'));
  plumbMachine(d, id);
  d.lines.push(line(unusedId(d, `hose-${id}`), 'pressure', `machine:${id}`, `outlet:${gunId}`, pressureRun('38', '150 ft')));
  return id;
}

/** Takes a machine off with its own lines, and with the guns that nothing else feeds. */
export function removeMachine(d: RigDocument, id: string): void {
  d.machines = d.machines.filter((m) => m.id !== id);
  const touches = (l: RigDocument['lines'][number]): boolean => (l.from.at === 'machine' && l.from.id === id) || (l.to.at === 'machine' && l.to.id === id);
  const fed = new Set(d.lines.filter((l) => touches(l) && l.to.at === 'outlet').map((l) => l.to.id));
  d.lines = d.lines.filter((l) => !touches(l));
  if (d.reels) d.reels = d.reels.filter((r) => d.lines.some((l) => l.id === r.line));
  d.outlets = d.outlets.filter((o) => !fed.has(o.id) || d.lines.some((l) => l.to.at === 'outlet' && l.to.id === o.id));
  mendInjectors(d);
}

/** Joins a machine's flow into another machine's hose: both push into one line to its gun; the machine's own guns go. */
export function joinInto(d: RigDocument, machineId: string, outletId: string): void {
  const hose = d.lines.find((l) => l.role === 'pressure' && l.to.at === 'outlet' && l.to.id === outletId);
  if (!hose || hose.from.at !== 'machine' || hose.from.id === machineId) return;
  const other = hose.from.id!;
  const id = unusedId(d, 'join');
  const own = d.lines.filter((l) => l.role === 'pressure' && l.from.at === 'machine' && l.from.id === machineId);
  const guns = own.filter((l) => l.to.at === 'outlet').map((l) => l.to.id);
  d.lines = d.lines.filter((l) => !own.includes(l));
  d.outlets = d.outlets.filter((o) => !guns.includes(o.id));
  mendInjectors(d);
  d.reels = d.reels?.filter((r) => d.lines.some((l) => l.id === r.line));
  d.manifolds.push({ id, name: 'Joined', height: '20 in' });
  const kept = d.lines.find((l) => l.id === hose.id)!;
  kept.from = { at: 'manifold', id };
  for (const m of [other, machineId])
    d.lines.push(
      line(
        unusedId(d, `whip-${m}`),
        'pressure',
        `machine:${m}`,
        `manifold:${id}`,
        parts(['hose-pressure-38', { length: '4 ft', name: 'Whip line', use: 'whip' }]),
      ),
    );
}
