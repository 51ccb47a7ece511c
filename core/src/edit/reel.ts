import { unusedId } from './id.js';
import { type RigDocument } from '../rig/schema.js';

/** A usual reel for a line: on the kerb side, in the lowest free row (supply) or above what is there. */
export function addReel(d: RigDocument, lineId: string): string {
  const reels = (d.reels ??= []);
  const role = d.lines.find((l) => l.id === lineId)?.role;
  const id = unusedId(d, `reel-${lineId}`.slice(0, 34));
  const rows = reels.filter((r) => r.place === 'kerb').map((r) => Number(r.row));
  const free = [1, 2, 3, 4, 5, 6].find((row) => !rows.includes(row)) ?? 1;
  reels.push({
    id,
    name: `Reel ${reels.length + 1}`,
    line: lineId,
    flange: '20 in',
    core: '10 in',
    width: role === 'fill' ? '24 in' : '18 in',
    place: 'kerb',
    row: String(free),
    swivel: 'stainless',
  });
  return id;
}

/** A usual site to start from. */
export function addSite(d: RigDocument): void {
  d.site = { distance: '100 ft', height: '10 ft', corners: '2', spare: '0 ft', traffic: 'right' };
}
