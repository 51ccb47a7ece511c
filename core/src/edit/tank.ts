import { boxTank } from '../catalogue/usual-things.js';
import { unusedId } from './id.js';
import { like, m } from './length.js';
import { removeTransfer, transfersAt } from './transfer.js';
import { OF_CHEMICALS, type RigDocument, type TankDocument } from '../rig/schema.js';

/** Another shape of about the same size: measures carry over where they mean the same. */
export function changeShape(tank: TankDocument, kind: string): void {
  const s = tank.shape;
  if (s.kind === kind) return;
  const height = s.kind === 'lying-cylinder' ? s.diameter : s.height;
  const length = s.kind === 'upright-cylinder' ? s.diameter : s.length;
  const width = s.kind === 'box' || s.kind === 'elliptical' ? s.width : s.diameter;
  if (kind === 'upright-cylinder') tank.shape = { kind, diameter: width, height };
  else if (kind === 'lying-cylinder') tank.shape = { kind, diameter: height, length };
  else if (kind === 'elliptical' || kind === 'box') tank.shape = { kind, length, width, height };
}

/** Another use of a tank; what only a tank of chemicals has goes with the chemicals. */
export function changeLiquid(tank: TankDocument, liquid: TankDocument['liquid']): void {
  tank.liquid = liquid;
  if (liquid === 'chemical') return;
  for (const field of OF_CHEMICALS) delete tank[field];
}

/** A new 65 gal tank beside the others; gives its id. */
export function addTank(d: RigDocument): string {
  const id = unusedId(d, 'tank');
  d.tanks.push(boxTank(id, `Tank ${d.tanks.length + 1}`, ['36 in', '24 in', '18 in']));
  return id;
}

/** Takes a tank off the rig, with the lines that began or ended at it. */
export function removeTank(d: RigDocument, id: string): void {
  for (const pump of transfersAt(d, id)) removeTransfer(d, pump);
  d.tanks = d.tanks.filter((t) => t.id !== id);
  d.lines = d.lines.filter((l) => !(l.from.at === 'tank' && l.from.id === id) && !(l.to.at === 'tank' && l.to.id === id));
  if (d.reels) d.reels = d.reels.filter((r) => d.lines.some((l) => l.id === r.line));
}

/** Height of a line's end above what its tank stands on, as typed: where something beside the tank takes it over. */
export function outletHeight(d: RigDocument, end: RigDocument['lines'][number]['from']): string | undefined {
  if (end.at !== 'tank' || end.height === undefined || end.id === undefined) return end.height;
  return like(end.height, ownBase(d, end.id) + m(end.height));
}

/** Bottom of a tank above what it stands on, as its document says, m. */
export const ownBase = (d: RigDocument, tankId: string): number => m(d.tanks.find((t) => t.id === tankId)!.base);

/** Lifts tanks; what ends at them goes with them. */
export function raiseTanks(d: RigDocument, tankIds: readonly string[], by: number): void {
  for (const t of d.tanks) if (tankIds.includes(t.id)) t.base = like(t.base, m(t.base) + by);
}
