import type { LiquidKind } from '../../chemistry/compatibility.js';
import type { AssumptionValues } from '../../assumption/register.js';
import { calledPart } from '../../catalogue/items.js';
import { blowsExhaust, type Box, type LaidLine, type Standing } from '../../deck/index.js';
import type { Line, Part, Platform, Rig } from '../../rig/schema.js';
import type { HandPoint } from './result.js';
import { apartM, openSides, TOUCH } from './room.js';

/** How far in front of a fitting a hand closes on it, m. */
export const HAND = 0.08;

type Placed = Standing & { readonly box: Box };

/** Liquids whose fumes an engine must not breathe. */
export const FUMES: ReadonlySet<string> = new Set<LiquidKind>(['hypochlorite', 'acid', 'ammonia']);

export const isValve = (p: Part): boolean => p.kind === 'valve' || (p.kind === 'fitting' && /valve/.test(p.is) && p.is !== 'check-valve');

const inside = (box: Box, x: number, y: number, z: number): boolean =>
  x > box.x0 - TOUCH && x < box.x1 + TOUCH && y > box.y0 - TOUCH && y < box.y1 + TOUCH && z > box.z0 - TOUCH && z < box.z1 + TOUCH;

/** From a point to the nearest edge of the deck from which a person works, m. */
export const inFrom = (p: Platform, x: number, y: number): number =>
  Math.max(Math.min(...openSides(p).map((s) => (s === 'front' ? x : s === 'rear' ? p.length - x : s === 'kerb' ? y : p.width - y)), Infinity), 0);

/** Valves at the tanks and strainers before the pumps, where the deck's lines put them, and what stands in the hand's way. */
export function handPoints(
  rig: Rig,
  platform: Platform,
  lines: readonly LaidLine[],
  placed: readonly Placed[],
  solid: ReadonlyMap<string, Box>,
  values: AssumptionValues,
): HandPoint[] {
  const stands = new Set(placed.map((t) => t.id));
  const at = (line: Line, laid: LaidLine, end: 'from' | 'to', what: HandPoint['what'], part: Part): HandPoint | undefined => {
    const points = end === 'from' ? laid.points : [...laid.points].reverse();
    const [p, q] = points;
    const own = line[end].id;
    if (!p || !q || own === undefined || !stands.has(own)) return undefined;
    const far = Math.hypot(q.x - p.x, q.y - p.y);
    const [x, y] = far > TOUCH ? [p.x + ((q.x - p.x) * HAND) / far, p.y + ((q.y - p.y) * HAND) / far] : [p.x, p.y];
    const others = [line.from.id, line.to.id];
    const blocker = placed.find((t) => !others.includes(t.id) && inside(solid.get(t.id)!, x, y, p.z));
    const [aboveGroundM, inFromEdgeM] = [platform.height + p.z, inFrom(platform, x, y)];
    return {
      what,
      lineId: line.id,
      part: part.name,
      called: calledPart(part),
      side: undefined,
      room: undefined,
      thing: own,
      x,
      y,
      aboveGroundM,
      inFromEdgeM,
      fromGround: inFromEdgeM <= values['reach'] && aboveGroundM <= values['handle-high'],
      behind: blocker?.id,
    };
  };
  return lines.flatMap((laid) => {
    const line = rig.lines.find((l) => l.id === laid.lineId);
    if (!line || line.from.at !== 'tank') return [];
    const valve = line.parts.find(isValve);
    const bowl = line.parts.find((p) => p.kind === 'strainer');
    return [valve && at(line, laid, 'from', 'valve', valve), bowl && at(line, laid, 'to', 'strainer', bowl)].filter((x): x is HandPoint => x !== undefined);
  });
}

/** Room over a lid that is opened upwards, m: to what stands over it, or to the roof. Infinity in the open. */
export function overLid(t: Placed, placed: readonly Placed[], solid: ReadonlyMap<string, Box>, platform: Platform): number {
  let room = platform.headroom === undefined ? Infinity : platform.headroom - t.box.z1;
  for (const o of placed) {
    const b = solid.get(o.id)!;
    if (o === t || b.z0 < t.box.z1 - TOUCH) continue;
    if (Math.min(b.x1, t.box.x1) - Math.max(b.x0, t.box.x0) <= TOUCH || Math.min(b.y1, t.box.y1) - Math.max(b.y0, t.box.y0) <= TOUCH) continue;
    room = Math.min(room, b.z0 - t.box.z1);
  }
  return room;
}

/** Whether a thing has a lid that is lifted to fill it or to get at what is in it. */
export const hasLid = (rig: Rig, t: Standing): boolean =>
  t.kind === 'tank' || (t.kind === 'gear' && rig.gear.some((g) => g.id === t.id && (g.kind === 'box' || g.kind === 'bin')));

/** Engines that breathe what a tank's vent lets out onto the deck, the nearest first. */
export function breathers(
  rig: Rig,
  t: Placed,
  placed: readonly Placed[],
  values: AssumptionValues,
): readonly { readonly engine: Placed; readonly apartM: number }[] {
  const tank = t.kind === 'tank' ? rig.tanks.find((x) => x.id === t.id) : undefined;
  const kind = rig.liquids.find((l) => l.id === tank?.holds)?.kind;
  if (!tank || tank.ventTo === 'outside' || kind === undefined || !FUMES.has(kind)) return [];
  const engines = blowsExhaust(rig);
  return placed
    .filter((o) => engines.has(o.id))
    .map((engine) => ({ engine, apartM: apartM(t.box, engine.box) }))
    .filter((x) => x.apartM < values['vent-intake'])
    .sort((a, b) => a.apartM - b.apartM);
}
