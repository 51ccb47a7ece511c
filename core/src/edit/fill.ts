import { spell } from '../locale/spell.js';
import { line } from '../catalogue/build-line.js';
import { gardenFill, spigot } from '../catalogue/usual-things.js';
import { unusedId } from './id.js';
import type { RigDocument } from '../rig/schema.js';

/** A fill line from a spigot (made if there is none) to a tank. Gives the line's id. */
export function addFill(d: RigDocument, tankId: string): string | undefined {
  const tank = d.tanks.find((t) => t.id === tankId);
  if (!tank) return undefined;
  if (d.spigots.length === 0) d.spigots.push(spigot(unusedId(d, 'spigot'), spell('‹Spigot›'), '5 gpm'));
  const id = unusedId(d, 'fill');
  d.lines.push(line(id, 'fill', `spigot:${d.spigots[0].id}`, `tank:${tankId}@${tank.fullLevel}`, gardenFill('58', '100 ft')));
  return id;
}

/** Takes a fill line off, and its spigot when nothing else uses it. */
export function removeFill(d: RigDocument, lineId: string): void {
  const own = d.lines.find((l) => l.id === lineId);
  d.lines = d.lines.filter((l) => l.id !== lineId);
  if (own?.from.at === 'spigot' && !d.lines.some((l) => l.from.at === 'spigot' && l.from.id === own.from.id))
    d.spigots = d.spigots.filter((s) => s.id !== own.from.id);
  if (d.reels) d.reels = d.reels.filter((r) => d.lines.some((l) => l.id === r.line));
}
