import { USUAL_GEAR, usualGear } from '../catalogue/gear.js';
import { boxOf, laidLines, standingOn } from '../deck/index.js';
import { parseQuantity } from '../quantity/parse.js';
import { readRig } from '../rig/read.js';
import { type GearKind, type PlacementDocument, type PlatformDocument, type RigDocument, TURNS } from '../rig/schema.js';
import { unusedId } from './id.js';
import { like, m } from './length.js';

const INCH = 0.0254;
const inches = (metres: number): string => `${Number((metres / INCH).toFixed(2))} in`;

/** A place on the deck in the unit that stood there, to a hundredth of an inch or a tenth of a millimetre: what touches, touches. */
export function finely(text: string, metres: number): string {
  const read = parseQuantity(text, 'length');
  const unit = read.ok && /^(mm|cm|m)$/.test(read.unit) ? read.unit : 'in';
  const one = { mm: 1e-3, cm: 1e-2, m: 1, in: INCH }[unit as 'mm' | 'cm' | 'm' | 'in'];
  const digits = { mm: 1, cm: 2, m: 4, in: 2 }[unit as 'mm' | 'cm' | 'm' | 'in'];
  return `${Number((metres / one).toFixed(digits))} ${unit}`;
}

export const placeOf = (d: RigDocument, thing: string): PlacementDocument | undefined => d.placements?.find((p) => p.thing === thing);

/** Heights of taps, guns and work, as the document tells them. */
function* heightsOverGround(d: RigDocument): Generator<{ height: string }> {
  yield* d.spigots;
  yield* d.outlets;
  yield* d.sprayers ?? [];
}

const shifted = (text: string, byM: number): string => {
  const read = parseQuantity(text, 'length');
  return read.ok ? like(text, read.si + byM) : text;
};

/**
 * Puts the rig on a platform, or on another. Heights of taps, guns and work are above the ground from then on; they are
 * rewritten so that nothing moves.
 */
export function setPlatform(d: RigDocument, platform: PlatformDocument): void {
  const before = d.platform ? m(d.platform.height) : 0;
  const by = m(platform.height) - before;
  if (by !== 0) for (const x of heightsOverGround(d)) x.height = shifted(x.height, by);
  d.platform = platform;
}

/** Takes the platform away, with every place on it; heights are above the deck again. */
export function dropPlatform(d: RigDocument): void {
  if (!d.platform) return;
  const ground = m(d.platform.height);
  for (const x of heightsOverGround(d)) x.height = shifted(x.height, -ground);
  delete d.platform;
  delete d.placements;
}

/** Gives a thing a place, or another. */
export function placeThing(d: RigDocument, place: PlacementDocument): void {
  const list = (d.placements ??= []);
  const at = list.findIndex((p) => p.thing === place.thing);
  if (at < 0) list.push(place);
  else list[at] = place;
  layHoses(d);
}

/** Back into the tray; what stood on it is let down to the deck. */
export function unplace(d: RigDocument, thing: string): void {
  d.placements = (d.placements ?? []).filter((p) => p.thing !== thing);
  for (const p of d.placements) if (p.on === thing) delete p.on;
}

/** Moves a thing along and across the deck, m; what stands on it goes along. */
export function moveThing(d: RigDocument, thing: string, dx: number, dy: number): void {
  const own = placeOf(d, thing);
  if (!own) return;
  own.x = finely(own.x, m(own.x) + dx);
  own.y = finely(own.y, m(own.y) + dy);
  for (const p of d.placements ?? []) if (p.on === thing) moveThing(d, p.thing, dx, dy);
}

/** Turns a thing by a quarter, clockwise, about its middle. Sides at which it is served and blows turn along. */
export function turnThing(d: RigDocument, thing: string): void {
  const own = placeOf(d, thing);
  const read = readRig(d);
  if (!own || !read.ok) return;
  const standing = standingOn(read.rig).find((t) => t.id === thing);
  if (!standing?.box) return;
  const b = standing.box;
  const next = TURNS[(TURNS.indexOf(own.turned ?? '0') + 1) % TURNS.length];
  const [cx, cy] = [(b.x0 + b.x1) / 2, (b.y0 + b.y1) / 2];
  own.turned = next;
  own.x = finely(own.x, cx - (b.y1 - b.y0) / 2);
  own.y = finely(own.y, cy - (b.x1 - b.x0) / 2);
  const CLOCKWISE = { front: 'street', street: 'rear', rear: 'kerb', kerb: 'front' } as const;
  for (const key of ['service', 'exhaust', 'filler', 'drain'] as const) {
    const side = own[key];
    if (side) own[key] = CLOCKWISE[side];
  }
  layHoses(d);
}

/** Two things change places, middle for middle. */
export function swapThings(d: RigDocument, a: string, b: string): void {
  const read = readRig(d);
  if (!read.ok) return;
  const things = standingOn(read.rig);
  const [one, two] = [things.find((t) => t.id === a)?.box, things.find((t) => t.id === b)?.box];
  const [pa, pb] = [placeOf(d, a), placeOf(d, b)];
  if (!one || !two || !pa || !pb) return;
  const [ax, ay, bx, by] = [(one.x0 + one.x1) / 2, (one.y0 + one.y1) / 2, (two.x0 + two.x1) / 2, (two.y0 + two.y1) / 2];
  moveThing(d, a, bx - ax, by - ay);
  moveThing(d, b, ax - bx, ay - by);
  layHoses(d);
}

/** A usual piece of gear, in the tray; gives its id. */
export function addGear(d: RigDocument, kind: GearKind): string {
  const list = (d.gear ??= []);
  const id = unusedId(d, kind);
  list.push(usualGear(kind, id, list.some((g) => g.name === USUAL_GEAR[kind].word) ? { name: `${USUAL_GEAR[kind].word} ${list.length + 1}` } : {}));
  return id;
}

export function removeGear(d: RigDocument, id: string): void {
  unplace(d, id);
  d.gear = (d.gear ?? []).filter((g) => g.id !== id);
}

/** Slack left in a hose that is cut to how the deck lies, of its path. */
export const LAID_SLACK = 0.1;

/** Cuts every hose that follows the deck to its path and the slack: the longest hose of its line takes what the rest leaves. */
export function layHoses(d: RigDocument): void {
  if (!d.lines.some((l) => l.parts.some((p) => p.kind === 'hose' && p.asLaid))) return;
  const read = readRig(d);
  if (!read.ok) return;
  for (const laid of laidLines(read.rig, standingOn(read.rig))) {
    const line = d.lines.find((l) => l.id === laid.lineId)!;
    const own = line.parts.find((p) => p.kind === 'hose' && p.asLaid);
    if (own?.kind !== 'hose') continue;
    const wound = read.rig.reels.some((r) => r.line === line.id);
    const rest = line.parts.reduce((s, p) => s + (p.kind === 'hose' && p !== own && (!wound || p.use === 'whip') ? m(p.length) : 0), 0);
    const length = Math.max(laid.pathM * (1 + LAID_SLACK) - rest, INCH);
    if (Math.abs(length - m(own.length)) > 1e-4) own.length = like(own.length, length);
  }
}

/** Lets a line's hose follow the deck: its longest that is not wound up. */
export function layLine(d: RigDocument, lineId: string): void {
  const line = d.lines.find((l) => l.id === lineId);
  const hoses = (line?.parts ?? []).filter((p) => p.kind === 'hose');
  const wound = (d.reels ?? []).some((r) => r.line === lineId);
  const own = hoses.filter((p) => !wound || p.use === 'whip').sort((a, b) => m(b.length) - m(a.length))[0];
  if (own) own.asLaid = true;
  layHoses(d);
}

/**
 * A place for what has none: the first free spot of the deck by rows from the front, kerb side first; on the deck's front
 * corner where there is none.
 */
export function placeAnywhere(d: RigDocument, thing: string): void {
  const read = readRig(d);
  if (!read.ok || !read.rig.platform) return;
  const { length, width } = read.rig.platform;
  const things = standingOn(read.rig);
  const own = things.find((t) => t.id === thing);
  if (!own) return;
  const others = things.flatMap((t) => (t.box && t.id !== thing ? [t.box] : []));
  const step = 2 * INCH;
  for (let x = 0; x + own.size[0] <= length + 1e-9; x += step)
    for (let y = 0; y + own.size[1] <= width + 1e-9; y += step) {
      const box = boxOf(own.size, { x, y, turned: undefined }, own.bottomM);
      // Nothing is put over or under another unasked.
      if (others.every((o) => box.x1 <= o.x0 + 1e-6 || box.x0 >= o.x1 - 1e-6 || box.y1 <= o.y0 + 1e-6 || box.y0 >= o.y1 - 1e-6)) {
        placeThing(d, { thing, x: inches(x), y: inches(y) });
        return;
      }
    }
  placeThing(d, { thing, x: '0 in', y: '0 in' });
}
