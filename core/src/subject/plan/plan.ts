import { tellsOf } from '../told-once.js';
import { type Box, isServed, laidLines, type Standing, standingOn } from '../../deck/index.js';
import { densityOf, enginesOn } from '../../energy/index.js';
import type { Rig } from '../../rig/schema.js';
import { fullMass } from '../../solve/loaded.js';
import type { Stocks } from '../../solve/stock.js';
import { type Verdict, worse, worstOf } from '../verdict.js';
import { bundsOf } from './bunds.js';
import { planFindings } from './findings.js';
import { handPoints } from './hand-points.js';
import { type Deck, servicePoints, startedByCord } from './service-points.js';
import { heldBy, heldWanted } from './held.js';
import type { Access, PlacedThing, PlanResult } from './result.js';
import { clearBefore, roomiestSide, solidOf, toEdge } from './room.js';

/** Full, kg. */
function fullKg(rig: Rig, stocks: Stocks, t: Standing): number {
  const tank = rig.tanks.find((x) => x.id === t.id);
  const fuel = rig.fuelTanks.find((x) => x.id === t.id);
  return t.dryKg + (tank ? fullMass(stocks, tank) : 0) + (fuel ? fuel.volume * densityOf(fuel.fuel, stocks.values) : 0);
}

/** Where a hand takes hold of a thing, of its height: a machine's cord, a tank's valve, a drum's axle. */
const HANDLE: Readonly<Partial<Record<Standing['kind'], number>>> = { machine: 0.6, tank: 0.15, reel: 0.5 };

function accessOf({ rig, platform, boxes, solid, engines, values }: Deck, t: Standing): Access | undefined {
  const { box } = t;
  if (!box) return undefined;
  if (!isServed(rig, t) && !(t.kind === 'tank' && t.place?.service)) return undefined;
  const self = solid.get(t.id);
  const byCord = startedByCord(engines.get(t.id));
  // A fuel tank is served where it is filled.
  const side = (t.kind === 'fuel-tank' ? t.place?.filler : undefined) ?? t.place?.service ?? roomiestSide(box, platform, boxes, self);
  return {
    side,
    stated: t.place?.service !== undefined,
    freeM: clearBefore(box, side, boxes, self),
    wantedM: Math.max(values[t.kind === 'machine' ? 'service-machine' : 'service-other'], byCord ? values['cord-room'] : 0),
    inFromEdgeM: Math.max(toEdge(box, side, platform), 0),
    handleM: platform.height + box.z0 + (HANDLE[t.kind] ?? 0.8) * (box.z1 - box.z0),
  };
}

/** What stands where, how it is got at and held; undefined without a platform. */
export function assessPlan(rig: Rig, stocks: Stocks): PlanResult | undefined {
  const { platform } = rig;
  if (!platform) return undefined;
  const { values } = stocks;
  const things = standingOn(rig);
  const shelves = new Set(rig.gear.flatMap((g) => (g.kind === 'shelf' ? [g.id] : [])));
  const solids = new Map(things.flatMap((t) => (t.box ? [[t.id, solidOf(t, shelves.has(t.id))!] as const] : [])));
  const engines = new Map(enginesOn(rig, values).map((e) => [e.id, e]));
  const standing = things.filter((t): t is Standing & { box: Box } => t.box !== undefined);
  const deck: Deck = { rig, platform, placed: standing, solid: solids, boxes: [...solids.values()], engines, values };
  const placed = things.flatMap((t): Omit<PlacedThing, 'verdict'>[] => {
    if (!t.box) return [];
    const massKg = fullKg(rig, stocks, t);
    const held = t.place?.held && massKg >= values['hold-from'] ? heldBy(t.place.held, values) : undefined;
    return [{ id: t.id, access: accessOf(deck, t), massKg, held, heldWantedN: heldWanted(massKg, t.place?.held?.by) }];
  });
  const boxes = things.flatMap((t) => t.box ?? []);
  const lines = laidLines(rig, things);
  const said = {
    tray: things.flatMap((t) => (t.box ? [] : [t.id])),
    lines,
    bunds: bundsOf(rig, standing, values['bund-depth']),
    hands: [
      ...handPoints(rig, platform, lines, standing, solids, values),
      ...servicePoints(deck, new Map(placed.flatMap((t) => (t.access ? [[t.id, t.access]] : [])))),
    ],
    widthM: Math.max(platform.width, ...boxes.map((b) => b.y1)) - Math.min(0, ...boxes.map((b) => b.y0)),
  };
  const findings = planFindings(rig, { ...said, things: placed }, values, things);
  const verdicts = new Map<string, Verdict>();
  for (const f of findings) for (const { id } of [f.subject, ...(f.also ?? [])]) verdicts.set(id, worse(verdicts.get(id) ?? 'fed', f.verdict));
  return tellsOf(
    {
      ...said,
      things: placed.map((t): PlacedThing => ({
        id: t.id,
        access: t.access,
        massKg: t.massKg,
        held: t.held,
        heldWantedN: t.heldWantedN,
        verdict: verdicts.get(t.id) ?? 'fed',
      })),
      verdict: worstOf(findings.map((f) => f.verdict)),
    },
    rig,
    findings,
  );
}
