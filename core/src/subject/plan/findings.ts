import type { AssumptionValues } from '../../assumption/register.js';
import { blowsExhaust, type Box, holdsFuel, isStarted, melts, standingOn, type Standing } from '../../deck/index.js';
import type { Platform, Rig } from '../../rig/schema.js';
import { type Message, message } from '../../working/figure.js';
import type { Finding, About } from '../finding.js';
import type { Verdict } from '../verdict.js';
import type { Tell } from './tell.js';
import type { PlanCode } from './kinds.js';
import { type Aisle, aisleOf } from './aisle.js';
import { boltStrength } from '../../structure/restraint.js';
import { leanPull, strapsWanted } from './held.js';
import { closedBody, fuelNear, gasPairs } from './fire.js';
import { breathers, hasLid, overLid } from './hand-points.js';
import type { PlacedThing, PlanResult } from './result.js';
import { before, clearBefore, inwards, openSides, overlapM, REEL_PAYS, solidOf, toEdge, TOUCH } from './room.js';

type Said = Omit<PlanResult, 'verdict' | 'things'> & { readonly things: readonly Omit<PlacedThing, 'verdict'>[] };

const length = (value: number) => ({ value, dimension: 'length' as const, shelf: true });

export const subjectOf = (t: Pick<Standing, 'kind' | 'id'>): About => ({ kind: t.kind, id: t.id });

const SIDE_WORDS = { front: message('front'), rear: message('rear'), kerb: message('‹curb› side'), street: message('street side') } as const;

/** What does not fit, is out of reach, blows at what it melts, hangs over or is not held. */
export function planFindings(rig: Rig, said: Said, values: AssumptionValues, things: readonly Standing[] = standingOn(rig)): Finding[] {
  const { platform } = rig;
  if (!platform) return [];
  const out: Finding[] = [];
  const tell = (code: PlanCode, verdict: Verdict, t: Standing, m: Message, also?: Standing): void =>
    void out.push({ code, verdict, station: 'plan', subject: subjectOf(t), ...(also ? { also: [subjectOf(also)] } : {}), message: m });
  const placed = things.filter((t): t is Standing & { box: Box } => t.box !== undefined);
  const shelf = (t: Standing): boolean => rig.gear.some((g) => g.id === t.id && g.kind === 'shelf');
  const solid = new Map(placed.map((t) => [t.id, solidOf(t, shelf(t))!]));
  const own = new Map(said.things.map((t) => [t.id, t]));
  const engines = blowsExhaust(rig);

  const boxes = [...solid.values()];
  for (let i = 0; i < placed.length; i++)
    for (let j = i + 1; j < placed.length; j++) {
      const by = overlapM(boxes[i], boxes[j]);
      const [a, b] = [placed[i], placed[j]];
      if (by > TOUCH) tell('overlap', 'starved', a, message('{a} and {b} overlap by {by}.', { a: a.name, b: b.name, by: length(by) }), b);
    }
  const aisle = platform.headroom === undefined ? undefined : aisleOf(platform, boxes, values);
  for (const t of placed) {
    if (aisle && isStarted(t))
      wayIn(
        t,
        said.things.find((x) => x.id === t.id)!,
        aisle,
        values,
        tell,
      );
    edges(platform, t, values, tell);
    access(platform, t, own.get(t.id)!, values, tell);
    if (engines.has(t.id)) exhaust(rig, platform, t, placed, values, tell);
    held(rig, t, own.get(t.id)!, values, tell);
    reel(rig, platform, t, placed, solid, tell);
    const gear = rig.gear.find((g) => g.id === t.id);
    if (gear?.kind === 'ladder-rack' && platform.height + t.box.z0 > values['ladder-high'])
      tell('ladder-high', 'tight', t, message('{t} is {h} up: you’d need a ladder to get ladders down.', { t: t.name, h: length(platform.height + t.box.z0) }));
    if (hasLid(rig, t)) {
      const room = overLid(t, placed, solid, platform);
      if (room < values['lid-room'] - TOUCH)
        tell(
          'lid-blocked',
          'tight',
          t,
          message('{t} has {d} over its lid; it takes {want} to open it and look in.', {
            t: t.name,
            d: length(Math.max(room, 0)),
            want: length(values['lid-room']),
          }),
        );
    }
    const [near] = breathers(rig, t, placed, values);
    if (near)
      tell(
        'fumes-intake',
        'tight',
        t,
        message(
          '{tank} breathes onto the deck {d} from {engine}: people breathe its fumes, and the engine rusts inside. Lead the vent outside, or keep {want} apart.',
          {
            tank: t.name,
            d: length(near.apartM),
            engine: near.engine.name,
            want: length(values['vent-intake']),
          },
        ),
        near.engine,
      );
    if (holdsFuel(rig, t)) fuelNear(rig, t, placed, values, tell);
    closedBody(rig, platform, t, placed, tell);
  }
  gasPairs(rig, placed, values, tell);
  if (platform.gate) {
    const deck: Box = { x0: 0, x1: platform.length, y0: 0, y1: platform.width, z0: 0, z1: 10 };
    const way = inwards(deck, platform.gate, values['gate-room']);
    for (const t of placed)
      if (t.place?.on === undefined && overlapM(way, solid.get(t.id)!) > TOUCH)
        tell(
          'gate-blocked',
          'tight',
          t,
          message('{t} blocks the {side} gate. Leave {want}.', {
            t: t.name,
            side: SIDE_WORDS[platform.gate],
            want: length(values['gate-room']),
          }),
        );
  }
  if (said.widthM > values['width-most'] + TOUCH) {
    const widest = placed.reduce((a, b) => (over(b.box, platform) > over(a.box, platform) ? b : a));
    tell(
      'too-wide',
      'stop',
      widest,
      message('Over all it is {w} wide; {most} is the most on the road.', { w: length(said.widthM), most: length(values['width-most']) }),
    );
  }
  for (const { tankId, box } of said.bunds) {
    const own = placed.find((t) => t.id === tankId)!;
    // What is bolted to the tank's own lid, or hangs over the bund's rim, is not in it.
    const hit = placed.find((o) => o !== own && o.kind !== 'mix' && o.kind !== 'manifold' && overlapM(box, solid.get(o.id)!) > TOUCH);
    const over = Math.max(-box.x0, -box.y0, box.x1 - platform.length, box.y1 - platform.width);
    if (!hit && over <= TOUCH) continue;
    const says = { tank: own.name, l: length(box.x1 - box.x0), w: length(box.y1 - box.y0), d: length(box.z1) };
    tell(
      'bund-room',
      'tight',
      own,
      hit
        ? message('The ‹containment tray› under {tank}, {l} × {w} at {d} deep, runs into {o}. Move one of them, or take a deeper one.', {
            ...says,
            o: hit.name,
          })
        : message('The ‹containment tray› under {tank}, {l} × {w} at {d} deep, hangs over the edge of the deck.', says),
      hit,
    );
  }
  for (const h of said.hands) {
    const own = placed.find((t) => t.id === h.thing)!;
    const before = h.behind === undefined ? undefined : placed.find((t) => t.id === h.behind)!;
    const [t, part, want] = [own.name, h.called ?? '', length(h.room?.wantedM ?? 0)];
    const short = h.room !== undefined && h.room.freeM < h.room.wantedM - TOUCH;
    if (before) tell('hand-blocked', 'tight', own, message('Can’t reach {part} on {t}: it’s behind {o}.', { part, t, o: before.name }), before);
    if (h.what === 'oil-drain' && short)
      tell(
        'drain-blocked',
        'tight',
        own,
        message('The oil of {t} drains to the {side}, where {free} is free; a hand and a pan need {want}.', {
          t,
          side: SIDE_WORDS[h.side!],
          free: length(h.room.freeM),
          want,
        }),
      );
    if (h.what === 'fuel-cap' && short)
      tell(
        'cap-blocked',
        'tight',
        own,
        message('{t} has {free} over its fuel cap; pouring needs {want}.', { t, free: length(Math.max(h.room.freeM, 0)), want }),
      );
    const [low, high] = [values['handle-low'], values['handle-high']];
    const at = h.aboveGroundM;
    // A machine's start is told with its handles; oil runs out low, and a cap is never too low to pour into.
    if (h.what === 'start' || h.what === 'oil-drain' || (at <= high + TOUCH && (h.what === 'fuel-cap' || at >= low - TOUCH))) continue;
    tell(
      'handle-height',
      'tight',
      own,
      h.what === 'fuel-cap'
        ? message('The fuel cap of {t} is {h} above the ground: over {high} it is filled only by climbing on.', { t, h: length(at), high: length(high) })
        : message('{part} at {t} is {h} above the ground; {low} to {high} is what a hand reaches.', {
            part,
            t,
            h: length(at),
            low: length(low),
            high: length(high),
          }),
    );
  }
  for (const l of said.lines) {
    if (!(l.hoseM > 0) || l.hoseM > l.pathM * 0.995) continue;
    const line = rig.lines.find((x) => x.id === l.lineId)!;
    const ends = [line.from.id, line.to.id].map((id) => things.find((t) => t.id === id)?.name ?? rig.reels.find((r) => r.line === line.id)?.name ?? '');
    out.push({
      code: 'hose-short',
      verdict: 'tight',
      station: 'plan',
      subject: { kind: 'line', id: l.lineId },
      message: message('Hose {a} to {b} is {has}; the run is {path}.', {
        a: ends[0],
        b: ends[1],
        has: { value: l.hoseM, dimension: 'length' },
        path: { value: l.pathM, dimension: 'length' },
      }),
    });
  }
  return out;
}

const over = (b: Box, p: Platform): number => Math.max(-b.y0, b.y1 - p.width, 0);

function edges(platform: Platform, t: Standing & { box: Box }, values: AssumptionValues, tell: Tell): void {
  const { box } = t;
  const out = Math.max(...(['front', 'rear', 'kerb', 'street'] as const).map((s) => -toEdge(box, s, platform)));
  const allowed = t.kind === 'reel' ? values['overhang-reel'] : values['overhang-thing'];
  if (out > allowed + TOUCH)
    tell(
      'overhang',
      out > 4 * allowed && out > 0.3 ? 'starved' : 'tight',
      t,
      message('{t} hangs {by} over the edge of the deck.', { t: t.name, by: length(out) }),
    );
  if (platform.headroom !== undefined && box.z1 > platform.headroom + TOUCH)
    tell('too-high', 'starved', t, message('{t} is {by} too high for the body.', { t: t.name, by: length(box.z1 - platform.headroom) }));
  const w = platform.wheelBoxes;
  if (w)
    for (const y0 of [0, platform.width - w.width])
      if (overlapM(box, { x0: w.from, x1: w.from + w.length, y0, y1: y0 + w.width, z0: 0, z1: w.height }) > TOUCH) {
        tell('wheel-box', 'starved', t, message('{t} is in the ‹wheel well›.', { t: t.name }));
        break;
      }
  for (const z of platform.free ?? [])
    if (overlapM(box, { x0: z.x, x1: z.x + z.length, y0: z.y, y1: z.y + z.width, z0: -1, z1: 99 }) > TOUCH)
      tell('keep-free', 'tight', t, message('{t} is in {zone}, which must stay free.', { t: t.name, zone: z.name }));
}

function access(platform: Platform, t: Standing, own: Said['things'][number], values: AssumptionValues, tell: Tell): void {
  const a = own.access;
  if (!a || t.kind === 'reel') return;
  const side = SIDE_WORDS[a.side];
  const closed = !openSides(platform).includes(a.side);
  const reaches = !Number.isFinite(a.freeM) && !closed;
  const free = Number.isFinite(a.freeM) ? a.freeM : a.inFromEdgeM;
  if (!reaches && free < a.wantedM - TOUCH)
    tell(
      'no-room',
      t.kind === 'machine' ? 'starved' : 'tight',
      t,
      message('{t} has {free} on its service side ({side}); it needs {want}.', { t: t.name, side, free: length(free), want: length(a.wantedM) }),
    );
  // What stands behind others is reached over them.
  else if (isStarted(t) && a.inFromEdgeM > values['reach'] + TOUCH && platform.headroom === undefined)
    tell(
      'out-of-reach',
      'tight',
      t,
      message('{t} is {in} from the edge: you’d climb on to start it. Reach is {reach}.', {
        t: t.name,
        in: length(a.inFromEdgeM),
        reach: length(values['reach']),
      }),
    );
  if (t.kind === 'machine' && (a.handleM > values['handle-high'] + TOUCH || a.handleM < values['handle-low'] - TOUCH))
    tell(
      'handle-height',
      'tight',
      t,
      message('The handles of {t} are {h} above the ground; {low} to {high} is what a hand reaches.', {
        t: t.name,
        h: length(a.handleM),
        low: length(values['handle-low']),
        high: length(values['handle-high']),
      }),
    );
}

/** In a closed body one gets at a thing from a door, or from where one can walk. */
function wayIn(t: Standing & { box: Box }, own: Said['things'][number], aisle: Aisle, values: AssumptionValues, tell: Tell): void {
  const a = own.access;
  if (!a || aisle.gets(t.box, a.side, values['reach'])) return;
  tell(
    'no-way-in',
    t.kind === 'machine' ? 'starved' : 'tight',
    t,
    message('Nobody gets from a door to the {side} of {t}: walking there needs {wide}, or a door within {reach}.', {
      t: t.name,
      side: SIDE_WORDS[a.side],
      wide: length(values['aisle']),
      reach: length(values['reach']),
    }),
  );
}

function exhaust(
  rig: Rig,
  platform: Platform,
  t: Standing & { box: Box },
  placed: readonly (Standing & { box: Box })[],
  values: AssumptionValues,
  tell: Tell,
): void {
  const side = t.place?.exhaust;
  if (!side) return;
  // A body with a single door leaves no choice.
  if (side === t.place?.service && openSides(platform).length > 1)
    tell(
      'exhaust-people',
      'tight',
      t,
      message('{t} blows its exhaust to the {side}, where one stands to start and serve it. Turn one of them.', { t: t.name, side: SIDE_WORDS[side] }),
    );
  const depth = values['exhaust-clear'];
  const cone = before(t.box, side, depth, values['exhaust-spread']);
  const hit = placed
    .filter((o) => o !== t && melts(rig, o) && overlapM(cone, o.box) > TOUCH)
    .map((o) => ({ o, d: clearBefore(t.box, side, [o.box]) }))
    .sort((a, b) => a.d - b.d)[0];
  if (hit)
    tell(
      'exhaust-near',
      hit.d < depth / 2 || !Number.isFinite(hit.d) ? 'stop' : 'tight',
      t,
      message('{t}’s exhaust will melt {o}. Turn it, or leave {want}.', { t: t.name, o: hit.o.name, want: length(depth) }),
      hit.o,
    );
}

function held(rig: Rig, t: Standing & { readonly box: Box }, own: Said['things'][number], values: AssumptionValues, tell: Tell): void {
  if (own.massKg < values['hold-from'] || t.kind === 'manifold' || t.kind === 'mix') return;
  const mass = { value: own.massKg, dimension: 'mass' as const };
  if (t.place?.loose && !t.place.held)
    tell('not-held', 'stop', t, message('Nothing holds {t} ({m} full): hard braking throws it. Tie it down.', { t: t.name, m: mass }));
  else if (!own.held) tell('not-held', 'tight', t, message('No ‹tie-down› set for {t} ({m} full).', { t: t.name, m: mass }));
  else if (own.held.value < own.heldWantedN * 0.999)
    tell(
      'held-weak',
      'stop',
      t,
      message('{t}’s ‹tie-downs› hold {has}; hard braking needs {want} ({m}).', {
        t: t.name,
        has: { value: own.held.value, dimension: 'force' },
        want: { value: own.heldWantedN, dimension: 'force' },
        m: mass,
      }),
    );
  const held = t.place?.held;
  const [along, across] = [t.box.x1 - t.box.x0, t.box.y1 - t.box.y0];
  if (held?.by === 'straps') {
    const want = strapsWanted(along, own.massKg);
    if (held.count < want - 1e-9)
      tell(
        'ties-few',
        'starved',
        t,
        message('{t} has {n} straps; {l} long and {m}, it takes {want}: with fewer it turns under them.', {
          t: t.name,
          n: String(held.count),
          want: String(want),
          l: length(along),
          m: mass,
        }),
      );
    return;
  }
  const tank = t.kind === 'tank' ? rig.tanks.find((x) => x.id === t.id) : undefined;
  // Hoops and bars go over a tank and keep it down; its feet's bolts have to pull.
  if (!tank || held?.by === 'hoops' || held?.by === 'welded') return;
  const pull = leanPull(own.massKg, along, t.box.z1 - t.box.z0);
  const holds = held ? (held.count / 2) * (boltStrength(held.bolt ?? '3/8-16').tensionN / values['hold-safety']) : 0;
  if (pull > holds)
    tell(
      'tall-tips',
      'tight',
      t,
      message('{t} is tall for its base ({h} on {l} by {w}): hard braking tips it. Hoop it over the top.', {
        t: t.name,
        h: length(t.box.z1 - t.box.z0),
        l: length(along),
        w: length(across),
      }),
    );
}

function reel(
  rig: Rig,
  platform: Platform,
  t: Standing & { box: Box },
  placed: readonly (Standing & { box: Box })[],
  solid: ReadonlyMap<string, Box>,
  tell: Tell,
): void {
  const own = rig.reels.find((r) => r.id === t.id);
  if (!own) return;
  if (own.parked === 'nothing') tell('reel-unparked', 'tight', t, message('{t}’s hose end isn’t clipped: it will drag on the road.', { t: t.name }));
  const side = t.place?.service;
  if (!side) return;
  const others = placed.filter((o) => o !== t && t.place?.on !== o.id && o.place?.on !== t.id).map((o) => solid.get(o.id)!);
  const free = clearBefore(t.box, side, others);
  if (Number.isFinite(free))
    tell(
      'reel-blocked',
      'tight',
      t,
      message('{t} pays out to the {side}, and something is in the way {free} off.', { t: t.name, side: SIDE_WORDS[side], free: length(free) }),
    );
  const rail = platform.rail ?? 0;
  if (side !== 'rear' && side !== 'front' && rail > 0 && t.box.z0 + REEL_PAYS * (t.box.z1 - t.box.z0) < rail - TOUCH)
    tell('reel-low', 'tight', t, message('{t} pays out below the rail: lift it until the hose runs over.', { t: t.name }));
}
