import type { Box, Standing } from '../../deck/index.js';
import type { Rig } from '../../rig/schema.js';

/** Box of a bund that holds a volume, m³, under a footprint: as much wider to every side, so deep. */
export function bundBox(under: Box, volumeM3: number, depthM: number): Box {
  const [l, w] = [under.x1 - under.x0, under.y1 - under.y0];
  // (l + 2e)(w + 2e) = V / depth; no smaller than what stands in it.
  const area = Math.max(volumeM3 / depthM, l * w);
  const e = (Math.sqrt((l + w) ** 2 - 4 * (l * w - area)) - (l + w)) / 4;
  return { x0: under.x0 - e, x1: under.x1 + e, y0: under.y0 - e, y1: under.y1 + e, z0: 0, z1: depthM };
}

/** Bunds under tanks of chemicals that have a place, by the tank. */
export const bundsOf = (
  rig: Rig,
  placed: readonly (Standing & { readonly box: Box })[],
  depthM: number,
): readonly { readonly tankId: string; readonly box: Box }[] =>
  placed.flatMap((t) => {
    const bund = t.kind === 'tank' ? rig.tanks.find((x) => x.id === t.id)?.bund : undefined;
    return bund !== undefined && bund > 0 ? [{ tankId: t.id, box: bundBox(t.box, bund, depthM) }] : [];
  });
