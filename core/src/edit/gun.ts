import { structuredCopy } from './draft.js';
import { line, parts } from '../catalogue/build-line.js';
import { nozzleFlow, nozzleSize, shelfSize } from '../hydraulics/nozzle.js';
import { gun, pressureRun } from '../catalogue/usual-things.js';
import { unusedId } from './id.js';
import { si } from '../quantity/parse.js';
import type { RigDocument } from '../rig/schema.js';

/** Size off the shelf that passes a share of what a size passes at the same pressure. */
function sizeFor(size: string, share: number): string {
  const pressure = si('3000 psi', 'pressure');
  return String(shelfSize(nozzleSize(nozzleFlow(Number(size), pressure) * share, pressure)));
}

/** Splits a gun's line to a second gun like it: ball valves where the whip ends, half-size nozzles on both. */
export function splitGun(d: RigDocument, outletId: string): string | undefined {
  const first = d.outlets.find((o) => o.id === outletId);
  const own = d.lines.find((l) => l.role === 'pressure' && l.to.at === 'outlet' && l.to.id === outletId);
  if (!first || !own) return undefined;
  const id = unusedId(d, 'gun');
  const half = sizeFor(first.nozzle.size, 0.5);
  d.outlets.push(gun(id, `Gun ${d.outlets.length + 1}`, half, first.wantedPressure, { height: first.height }));
  if (own.from.at === 'manifold') {
    d.lines.push({ ...structuredCopy(own), id: unusedId(d, `hose-${id}`), to: { at: 'outlet', id } });
    return id;
  }
  first.nozzle.size = half;
  const split = unusedId(d, 'split');
  d.manifolds.push({ id: split, name: 'Ball valves', height: '20 in' });
  d.lines.push(
    line(
      unusedId(d, `whip-${split}`),
      'pressure',
      `machine:${own.from.id!}`,
      `manifold:${split}`,
      parts(['hose-pressure-38', { length: '4 ft', name: 'Whip line', use: 'whip' }]),
    ),
  );
  own.from = { at: 'manifold', id: split };
  d.lines.push(line(unusedId(d, `hose-${id}`), 'pressure', `manifold:${split}`, `outlet:${id}`, pressureRun('38', '100 ft', '30 ft')));
  return id;
}

/** After guns are gone: an injector that drew at one draws at another, or its mix goes with its draw line where none is left. */
export function mendInjectors(d: RigDocument): void {
  const [other] = d.outlets;
  for (const m of [...(d.mixes ?? [])]) {
    if (!m.injector || d.outlets.some((o) => o.id === m.injector!.outlet) || d.sprayers?.some((x) => x.id === m.injector!.outlet)) continue;
    if (other) m.injector.outlet = other.id;
    else {
      d.mixes = d.mixes!.filter((x) => x !== m);
      d.lines = d.lines.filter((l) => !(l.to.at === 'mix' && l.to.id === m.id));
    }
  }
}

/** Takes a gun off with its line; a split that is left with one branch is left as it is. */
export function removeGun(d: RigDocument, outletId: string): void {
  d.outlets = d.outlets.filter((o) => o.id !== outletId);
  d.lines = d.lines.filter((l) => !(l.to.at === 'outlet' && l.to.id === outletId));
  if (d.reels) d.reels = d.reels.filter((r) => d.lines.some((l) => l.id === r.line));
  mendInjectors(d);
}

/** Takes the second of two guns off and gives the first a nozzle for the flow of both. */
export function joinGuns(d: RigDocument, keep: string, gone: string): void {
  const first = d.outlets.find((o) => o.id === keep);
  if (!first) return;
  removeGun(d, gone);
  first.nozzle.size = sizeFor(first.nozzle.size, 2);
}

/** A gun of its own for a machine that has none. */
export function addGun(d: RigDocument, machineId: string): string {
  const id = unusedId(d, 'gun');
  const machine = d.machines.find((m) => m.id === machineId)!;
  const pressure = si(machine.ratedPressure, 'pressure') * 0.85;
  d.outlets.push(gun(id, `Gun ${d.outlets.length + 1}`, String(shelfSize(nozzleSize(si(machine.flow, 'flow'), pressure))), machine.ratedPressure));
  d.lines.push(line(unusedId(d, `hose-${id}`), 'pressure', `machine:${machineId}`, `outlet:${id}`, pressureRun('38', '100 ft', '30 ft')));
  return id;
}
