import { growTank } from '../edit/grow-tank.js';
import { addPlates, withoutPlate } from '../edit/plate.js';
import { resize } from '../catalogue/items.js';
import type { DayModel } from '../day/model.js';
import { si } from '../quantity/parse.js';
import { together } from '../solve/vessels.js';
import type { RigDocument } from '../rig/schema.js';
import { telling } from '../steps.js';
import { type StoreSizes, storeSizes } from './store-sizes.js';
import { type Base, baseOf, type Bench, benchOf, changedModel, judgeModel, type Trial, type Tried } from './try-days.js';

/** The tank that the day hangs on, at one size. */
export interface TankSize extends Tried {
  /** Of the vessel when full, m³. */
  readonly volumeM3: number;
  /** How much more each of its tanks holds than now. */
  readonly factor: number;
  readonly now: boolean;
}

/** One size of a line. */
export interface LineSize extends Tried {
  readonly bore: string;
  readonly now: boolean;
}

/** The water vessel that most hangs on, in many sizes. */
export interface TankSizing {
  readonly tankIds: readonly string[];
  readonly name: string;
  readonly now: TankSize;
  /** By rising volume. */
  readonly points: readonly TankSize[];
  /** The smallest that keeps within the tolerance; undefined when none of those tried does. */
  readonly smallest: TankSize | undefined;
  /** The smallest with an anti-vortex plate over each outlet; undefined where they have one already, or none does. */
  readonly plated: TankSize | undefined;
  /** Where none does because taps are found shut: the smallest of those tried that would do if none were. */
  readonly withOpenTaps: TankSize | undefined;
}

export interface Sizing {
  readonly tolerance: number;
  /** Most days that a size was put through; each tells how many it took. */
  readonly most: number;
  /** Undefined for a day that draws on no water tank. */
  readonly tank: TankSizing | undefined;
  readonly fills: readonly { readonly lineId: string; readonly name: string; readonly sizes: readonly LineSize[]; readonly smallest: string | undefined }[];
  readonly feeds: readonly { readonly lineId: string; readonly name: string; readonly sizes: readonly LineSize[]; readonly smallest: string | undefined }[];
  /** What else the day draws on: stock, batteries, fuel. */
  readonly stores: readonly StoreSizes[];
}

const FACTORS = [0.15, 0.25, 0.4, 0.6, 0.8, 1, 1.3, 1.7, 2.3, 3.2, 4.5] as const;
const FILL_BORES = ['1/2 in', '5/8 in', '3/4 in', '1 in'] as const;
const FEED_BORES = ['1/2 in', '3/4 in', '1 in', '1 1/4 in', '1 1/2 in', '2 in'] as const;
const CLOSER = 6;

/** The water vessel that most hangs on: drawn in the day, the largest of them. */
export function mainVessel(model: DayModel): number {
  const used = model.vessels.map((v, i) => (v.water && model.shortOf.vessel[i] >= 0 ? v.full : -1));
  const most = Math.max(...used, -1);
  return most < 0 ? -1 : used.indexOf(most);
}

/** Gives a line another bore, off the shelf where there is one: a fill line its hoses, any other all its parts. */
export function resizeLine(d: RigDocument, lineId: string, bore: string): void {
  const line = d.lines.find((l) => l.id === lineId);
  if (line) line.parts = line.parts.map((p) => (line.role === 'fill' && p.kind !== 'hose' ? p : { ...resize(p, bore), id: p.id }));
}

/**
 * The smallest tank, fill line and feed with which the rig goes short on no more days than the brief allows, by the same
 * sampled days for every size. What it calls enough is judged enough once it is built: the days are as many as the rig is
 * judged by. So too the smallest tank of chemicals, battery and fuel tank, where they run short. Undefined for a rig whose day
 * draws on nothing that has a size.
 * @param most most days for a size
 * @param all all of them for each size that is not surely too small
 */
export function* sizingSteps(doc: RigDocument, most: number, seed: number, all = false): Generator<number, Sizing | undefined> {
  const bench = yield* telling(benchOf(doc), 0);
  if (!bench) return undefined;
  const base = baseOf(bench.model);
  const water = yield* part(0, WATER_SHARE, waterSizes(bench, most, seed, base, all));
  const stores = yield* part(WATER_SHARE, 1, storeSizes(bench, most, seed, base));
  if (!water && !stores.length) return undefined;
  return { tolerance: bench.model.day.tolerance, most, tank: water?.tank, fills: water?.fills ?? [], feeds: water?.feeds ?? [], stores };
}

/** How much of the work is in water. */
const WATER_SHARE = 0.85;

/** Work that is a part of a larger one. */
function* part<T>(from: number, to: number, steps: Generator<number, T>): Generator<number, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield from + (to - from) * step.value;
  }
}

function* waterSizes(
  bench: Bench,
  most: number,
  seed: number,
  base: Base,
  all: boolean,
): Generator<number, (Pick<Sizing, 'fills' | 'feeds'> & { readonly tank: TankSizing }) | undefined> {
  const { model } = bench;
  const { rig } = model;
  const v = mainVessel(model);
  if (v < 0) return undefined;
  const judge = (m: DayModel): Generator<number, Tried> => whole(judgeModel(m, most, seed, base, all));
  const { tolerance } = model.day;
  const tankIds = model.vessels[v].tied.map((t) => t.id);
  const fills = rig.lines.filter((l) => l.role === 'fill' && !l.closed && l.from.at === 'spigot' && l.to.at === 'tank' && tankIds.includes(l.to.id!));
  const feeds = rig.lines.filter((l) => l.role === 'feed' && !l.closed && l.to.at === 'machine');
  const total = FACTORS.length + CLOSER + fills.length * FILL_BORES.length + feeds.length * FEED_BORES.length;
  let done = 0;

  const made = (change: Trial['change']): Generator<number, DayModel | undefined> => telling(changedModel(bench, change), Math.min(done / total, 1));
  function* grown(factor: number): Generator<number, DayModel | undefined> {
    return factor === 1 ? model : yield* made((d) => tankIds.forEach((t) => growTank(d, t, factor)));
  }
  let own: Tried | undefined;
  /** The build as it is comes up in every list, and is worked through once, to the end: its figure is told elsewhere too. */
  function* asItIs(): Generator<number, Tried> {
    if (own) done++;
    else own = yield* whole(judgeModel(model, most, seed, base, all, true));
    return own;
  }

  function* tank(factor: number): Generator<number, TankSize | undefined> {
    const ready = yield* grown(factor);
    if (!ready) return undefined;
    const tried = factor === 1 ? yield* asItIs() : yield* judge(ready);
    return { ...tried, factor, now: factor === 1, volumeM3: together(ready.vessels, v, (x) => x.full) };
  }
  function* whole<T>(steps: Generator<number, T>): Generator<number, T> {
    for (;;) {
      const step = steps.next();
      if (step.done) {
        done++;
        return step.value;
      }
      // What is tried besides, where shut taps may be the cause, is not in the count.
      yield Math.min((done + step.value) / total, 1);
    }
  }

  const points: TankSize[] = [];
  for (const f of FACTORS) {
    const p = yield* tank(f);
    if (p && !points.some((x) => Math.abs(x.volumeM3 - p.volumeM3) < 1e-6)) points.push(p);
  }
  points.sort((a, b) => a.volumeM3 - b.volumeM3);
  // A rig that is refused as it stands is sized all the same; else nothing is recommended that would be.
  const already = points.find((p) => p.now)?.refused !== undefined;
  const within = (p: Tried): boolean => p.short.chance <= tolerance && (already || p.refused === undefined);
  let at = points.findIndex(within);
  if (at > 0) {
    let [low, high] = [points[at - 1], points[at]];
    for (let i = 0; i < CLOSER; i++) {
      const p = yield* tank(Math.sqrt(low.factor * high.factor));
      if (!p || p.volumeM3 >= high.volumeM3 - 1e-6 || p.volumeM3 <= low.volumeM3 + 1e-6) break;
      points.push(p);
      if (within(p)) high = p;
      else low = p;
    }
    points.sort((a, b) => a.volumeM3 - b.volumeM3);
    at = points.indexOf(high);
  }

  // Shut taps may be what no tank makes up for: then that is the cause, and not the fill.
  let withOpenTaps: TankSize | undefined;
  if (at < 0 && model.spread.seasons.some((s) => s.dry > 0))
    for (const p of points) {
      const ready = yield* grown(p.factor);
      if (!ready) continue;
      const [first, ...rest] = ready.spread.seasons.map((s) => ({ ...s, dry: 0 }));
      const tried = yield* judge({ ...ready, spread: { ...ready.spread, seasons: [first, ...rest] } });
      if (!within(tried)) continue;
      withOpenTaps = { ...tried, factor: p.factor, now: false, volumeM3: p.volumeM3 };
      break;
    }

  // An outlet with a plate draws lower: a smaller tank may do. From what does without one, down to what does no more.
  let plated: TankSize | undefined;
  if (withoutPlate(bench.read.document, tankIds).length)
    for (const p of points.slice(0, at < 0 ? undefined : at + 1).reverse()) {
      const ready = yield* made((d) => {
        if (p.factor !== 1) tankIds.forEach((t) => growTank(d, t, p.factor));
        addPlates(d, tankIds);
      });
      if (!ready) break;
      const tried = yield* judge(ready);
      if (!within(tried)) break;
      plated = { ...tried, factor: p.factor, now: false, volumeM3: p.volumeM3 };
    }

  function* ladder(lineId: string, name: string, bores: readonly string[]) {
    const line = rig.lines.find((l) => l.id === lineId)!;
    const own = line.parts.filter((p) => p.kind === 'hose').map((p) => p.bore);
    const widest = Math.max(...own, 0);
    const sizes: LineSize[] = [];
    for (const bore of bores) {
      const now = Math.abs(si(bore, 'length') - widest) < 2e-4;
      if (now) {
        sizes.push({ bore, now, ...(yield* asItIs()) });
        continue;
      }
      const ready = yield* made((d) => resizeLine(d, lineId, bore));
      if (ready) sizes.push({ bore, now, ...(yield* judge(ready)) });
    }
    return { lineId, name, sizes, smallest: sizes.find(within)?.bore };
  }
  const name = (id: string): string => rig.lines.find((l) => l.id === id)?.name ?? '';
  const fillLadders = [];
  for (const f of fills) fillLadders.push(yield* ladder(f.id, name(f.id) || 'Fill line', FILL_BORES));
  const feedLadders = [];
  for (const f of feeds) {
    const machine = rig.machines.find((m) => m.id === f.to.id)!.name;
    feedLadders.push(yield* ladder(f.id, name(f.id) || `Feed of ${machine}`, FEED_BORES));
  }
  return {
    tank: {
      tankIds,
      name: model.vessels[v].tied.map((t) => t.name).join(' and '),
      now: points.find((p) => p.now)!,
      points,
      smallest: points[at],
      plated,
      withOpenTaps,
    },
    fills: fillLadders,
    feeds: feedLadders,
  };
}
