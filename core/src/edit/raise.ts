import { POUND } from '../quantity/dimension.js';
import { usualGear } from '../catalogue/gear.js';
import { standingOn } from '../deck/index.js';
import { typeableQuantity } from '../quantity/format.js';
import { readRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { unusedId } from './id.js';
import { like, m } from './length.js';
import { layHoses, placeOf } from './place.js';

/** What a stand weighs by its top and by its legs: a workshop’s estimate. */
const [SHEET_KG_M2, LEGS_KG_M3] = [10, 45];
/** A stand carries what is on it with this to spare. */
const SPARE = 1.5;

/** Stands a thing so much higher, m: its shelf is made taller, on the deck a stand of its own size is put under it; a tank on its own feet. */
export function raiseThing(d: RigDocument, thing: string, byM: number): void {
  const tank = d.tanks.find((t) => t.id === thing);
  if (tank) return void (tank.base = like(tank.base, m(tank.base) + byM));
  const own = placeOf(d, thing);
  const read = readRig(d);
  if (!own || !read.ok) return;
  const shelf = d.gear?.find((g) => g.id === own.on && g.kind === 'shelf');
  if (shelf?.height !== undefined) shelf.height = like(shelf.height, m(shelf.height) + byM);
  else if (own.on === undefined) {
    const things = standingOn(read.rig);
    const standing = things.find((t) => t.id === thing);
    if (!standing) return;
    const stack = (id: string): number => things.reduce((s, t) => s + (t.place?.on === id ? t.dryKg + stack(t.id) : 0), 0);
    const id = unusedId(d, 'stand');
    const [length, width] = standing.size;
    const inches = (v: number): string => typeableQuantity(v, 'length', 'in', 4);
    const carries = `${Math.max(Math.ceil(((standing.dryKg + stack(thing)) * SPARE) / POUND / 50) * 50, 100)} lb`;
    (d.gear ??= []).push(
      usualGear('shelf', id, {
        name: `Stand under ${standing.name}`.slice(0, 80),
        length: inches(length),
        width: inches(width),
        height: inches(byM),
        mass: `${Math.ceil((length * width * (SHEET_KG_M2 + LEGS_KG_M3 * byM)) / POUND)} lb`,
        carries,
      }),
    );
    d.placements!.push({ thing: id, x: own.x, y: own.y, ...(own.turned ? { turned: own.turned } : {}) });
    own.on = id;
  }
  layHoses(d);
}
