import { unusedId } from './id.js';
import { REEL_PLACES, type Reel, type RigDocument } from '../rig/schema.js';

/** A usual reel for a line: in the lowest free row of the kerb side, or of the next place. */
export function addReel(d: RigDocument, lineId: string): string {
  const reels = (d.reels ??= []);
  const role = d.lines.find((l) => l.id === lineId)?.role;
  const id = unusedId(d, `reel-${lineId}`.slice(0, 34));
  const taken = (place: Reel['place'], row: number): boolean => reels.some((r) => r.place === place && Number(r.row) === row);
  const spots = REEL_PLACES.flatMap((place) => [1, 2, 3, 4, 5, 6].map((row) => ({ place, row })));
  const { place, row } = spots.find((s) => !taken(s.place, s.row)) ?? spots[0];
  reels.push({
    id,
    name: `Reel ${reels.length + 1}`,
    line: lineId,
    flange: '20 in',
    core: '10 in',
    width: role === 'fill' ? '24 in' : '18 in',
    place,
    row: String(row),
    swivel: 'stainless',
  });
  return id;
}

/** A usual site to start from. @param distance to the far corner, as typed */
export function addSite(d: RigDocument, distance = '100 ft'): void {
  d.site = { distance, height: '10 ft', corners: '2', spare: '0 ft', traffic: 'right' };
}
