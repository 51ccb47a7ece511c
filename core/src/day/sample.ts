import { finished } from '../steps.js';
import { type Chance, chanceOf, isEnough } from './chance.js';
import type { DayChunk } from './chunk.js';
import type { DayModel } from './model.js';
import { type FuelLast, fuelLast } from './fuel-last.js';
import { LEVEL_BINS, LevelCounter } from './recorder.js';
import type { Season } from '../rig/day-schema.js';
import { Simulator } from './simulator.js';
import type { ShortKind } from './types.js';

/** Figures kept of every sampled day, in this order. Seconds and m³; strengths are trade shares. */
export const DAY_FIGURES = ['waited', 'undone', 'used', 'filled', 'refilled', 'dumped', 'carried', 'length'] as const;
export type DayFigure = (typeof DAY_FIGURES)[number];

const TIMES = 73;

/** Times at which levels are counted, s: evenly to a good way past the usual end of the day. */
export function countTimes(model: DayModel): number[] {
  const span = Math.ceil((model.usualSeconds * 1.35) / 600) * 600;
  return Array.from({ length: TIMES }, (_, i) => (span * i) / (TIMES - 1));
}

/**
 * Samples days one after another; each step gives the share done, so that a worker may look up or stop.
 * The same seed and day give the same numbers whatever the split.
 * @param counted whether levels are counted, which a sample that is gathered wants
 */
export function* sampleSteps(model: DayModel, seed: number, from: number, count: number, counted = true): Generator<number, DayChunk> {
  const run = new Simulator(model);
  const levels = counted ? new LevelCounter(model, countTimes(model)) : undefined;
  const shorts = model.shorts.length;
  const mixes = model.soft.length;
  const chunk = {
    from,
    count,
    figures: new Float64Array(DAY_FIGURES.length * count),
    firstAt: new Float64Array(shorts * count),
    lost: new Float64Array(shorts * count),
    strength: new Float64Array(mixes * count),
    fuel: new Float64Array(model.energy.stores.length * count),
    levels: levels?.counts ?? new Uint32Array(0),
    season: new Uint8Array(count),
    unsettled: 0,
  };
  for (let d = 0; d < count; d++) {
    run.begin({ seed, day: from + d }, levels);
    while (!run.goOn()) yield d / count;
    const figures: Record<DayFigure, number> = {
      waited: run.waited,
      undone: run.undone,
      used: run.used,
      filled: run.filled,
      refilled: run.refilled,
      dumped: run.dumped,
      carried: run.carriedMost,
      length: run.time,
    };
    DAY_FIGURES.forEach((f, i) => (chunk.figures[i * count + d] = figures[f]));
    for (let s = 0; s < shorts; s++) {
      chunk.firstAt[s * count + d] = run.firstAt[s];
      chunk.lost[s * count + d] = run.lost[s];
    }
    for (let k = 0; k < mixes; k++) chunk.strength[k * count + d] = run.mixUsed[k] > 0 ? run.mixStrength[k] / run.mixUsed[k] : NaN;
    for (let f = 0; f < model.energy.stores.length; f++) chunk.fuel[f * count + d] = run.fuelUsed[f] / model.energy.stores[f].densityKgM3;
    chunk.season[d] = run.season;
    if (!run.settled) chunk.unsettled++;
    yield (d + 1) / count;
  }
  return chunk;
}

/** {@link sampleSteps} in one go. */
export function sampleChunk(model: DayModel, seed: number, from: number, count: number): DayChunk {
  return finished(sampleSteps(model, seed, from, count));
}

export interface Spread595 {
  readonly p5: number;
  readonly p50: number;
  readonly p95: number;
  readonly mean: number;
}

/** Level of a vessel over the day: shares of full, in 5, 50 and 95 days of a hundred at or below. */
export interface LevelBand {
  readonly tankIds: readonly string[];
  readonly name: string;
  readonly water: boolean;
  readonly full: number;
  readonly heel: number;
  readonly p5: readonly number[];
  readonly p50: readonly number[];
  readonly p95: readonly number[];
}

/** What thousands of days come to. */
export interface DaySample {
  readonly seed: number;
  readonly days: number;
  readonly tolerance: number;
  /** Times that share from which the rig is starved, where it is sure. */
  readonly farOver: number;
  /** Days on which a pump went without: a tank drawn to its heel, or an inlet starved. */
  readonly short: Chance;
  /** Each thing that ran short, the likeliest first. */
  readonly causes: readonly (ShortKind & { readonly chance: Chance; readonly lostMeanS: number; readonly firstMedianS: number })[];
  readonly figures: Readonly<Record<DayFigure, Spread595>>;
  /** Of mixes that were sprayed on some day. */
  readonly strengths: readonly { readonly mixId: string; readonly p5: number; readonly p50: number; readonly p95: number; readonly wanted: number }[];
  /** Of fuel tanks that were drawn on. */
  readonly fuels: readonly FuelLast[];
  /** Season by season, where the whole year is worked; else none. */
  readonly seasons: readonly { readonly season: Season; readonly short: Chance }[];
  readonly times: readonly number[];
  readonly bands: readonly LevelBand[];
  /** Enough days to say on which side of the tolerance the chance lies, or to know it closely. */
  readonly enough: boolean;
  readonly unsettled: number;
}

/** Causes that count as a pump going without water. */
export const isThirst = (s: ShortKind): boolean => s.cause === 'water' || s.cause === 'feed';

const quantile = (sorted: readonly number[], q: number): number => {
  if (!sorted.length) return NaN;
  const x = q * (sorted.length - 1);
  const at = Math.floor(x);
  return at + 1 < sorted.length ? sorted[at] + (sorted[at + 1] - sorted[at]) * (x - at) : sorted[at];
};

/** Quantile of a histogram row, share of full: even within its bin. */
function ofBins(levels: Uint32Array, row: number, days: number, q: number): number {
  const wanted = q * days;
  let sum = 0;
  for (let b = 0; b < LEVEL_BINS; b++) {
    const n = levels[row + b];
    if (sum + n >= wanted && n > 0) return (b + Math.min(Math.max((wanted - sum) / n, 0), 1)) / LEVEL_BINS;
    sum += n;
  }
  return 1;
}

/** Column of a figure over all chunks, in the order of the days. */
function column(chunks: readonly DayChunk[], of: (c: DayChunk) => Float64Array, place: number): number[] {
  return chunks.flatMap((c) => Array.from(of(c).subarray(place * c.count, (place + 1) * c.count)));
}

/** Days of a sample on which the tank ran dry or a pump starved. */
export function thirstyDays(model: DayModel, chunks: readonly DayChunk[]): number {
  return countDays(model, chunks, () => true).thirsty;
}

/** Of the days of a kind: how many there are, and on how many a pump went without. */
function countDays(model: DayModel, chunks: readonly DayChunk[], of: (c: DayChunk, d: number) => boolean): { readonly days: number; readonly thirsty: number } {
  const places = model.shorts.flatMap((s, i) => (isThirst(s) ? [i] : []));
  let days = 0;
  let thirsty = 0;
  for (const c of chunks)
    for (let d = 0; d < c.count; d++) {
      if (!of(c, d)) continue;
      days++;
      if (places.some((s) => Number.isFinite(c.firstAt[s * c.count + d]))) thirsty++;
    }
  return { days, thirsty };
}

/** Puts the parts of a sample together; the order in which they came does not matter. */
export function gatherSample(model: DayModel, seed: number, parts: readonly DayChunk[]): DaySample {
  const chunks = [...parts].sort((a, b) => a.from - b.from);
  const days = chunks.reduce((s, c) => s + c.count, 0);
  const times = countTimes(model);
  const levels = new Uint32Array(model.vessels.length * times.length * LEVEL_BINS);
  for (const c of chunks) for (let i = 0; i < levels.length; i++) levels[i] += c.levels[i];
  const spread = (values: number[]): Spread595 => {
    const mean = values.length ? values.reduce((s, x) => s + x, 0) / values.length : NaN;
    values.sort((a, b) => a - b);
    return { p5: quantile(values, 0.05), p50: quantile(values, 0.5), p95: quantile(values, 0.95), mean };
  };
  const short = chanceOf(thirstyDays(model, chunks), days);
  return {
    seed,
    days,
    tolerance: model.day.tolerance,
    farOver: model.values['days-far'],
    short,
    causes: model.shorts
      .map((s, i) => {
        const first = column(chunks, (c) => c.firstAt, i).filter(Number.isFinite);
        const lost = column(chunks, (c) => c.lost, i).reduce((a, b) => a + b, 0);
        first.sort((a, b) => a - b);
        return { ...s, chance: chanceOf(first.length, days), lostMeanS: days ? lost / days : 0, firstMedianS: quantile(first, 0.5) };
      })
      .filter((s) => s.chance.chance > 0)
      .sort((a, b) => b.chance.chance - a.chance.chance),
    figures: Object.fromEntries(DAY_FIGURES.map((f, i) => [f, spread(column(chunks, (c) => c.figures, i))])) as Record<DayFigure, Spread595>,
    strengths: model.soft.flatMap((s, k) => {
      const sprayed = column(chunks, (c) => c.strength, k).filter((x) => !Number.isNaN(x));
      if (!sprayed.length) return [];
      const { p5, p50, p95 } = spread(sprayed);
      return [{ mixId: s.mixId, p5, p50, p95, wanted: s.wanted }];
    }),
    fuels: model.energy.stores.flatMap((_, f) =>
      fuelLast(
        model,
        f,
        column(chunks, (c) => c.fuel, f),
      ),
    ),
    seasons: model.spread.seasons.flatMap(({ season }, i, all) => {
      if (season === undefined || all.length < 2) return [];
      const { days: own, thirsty } = countDays(model, chunks, (c, d) => c.season[d] === i);
      return [{ season, short: chanceOf(thirsty, own) }];
    }),
    times,
    bands: model.vessels.map((v, i) => {
      const at = (q: number): number[] => times.map((_, t) => ofBins(levels, (i * times.length + t) * LEVEL_BINS, days, q));
      return { tankIds: [v.tank.id], name: v.name, water: v.water, full: v.full, heel: v.heel, p5: at(0.05), p50: at(0.5), p95: at(0.95) };
    }),
    enough: isEnough(short, model.day.tolerance),
    unsettled: chunks.reduce((s, c) => s + c.unsettled, 0),
  };
}

/** Samples so many days of a rig in one go. */
export function sampleDays(model: DayModel, days: number, seed: number): DaySample {
  return gatherSample(model, seed, [sampleChunk(model, seed, 0, days)]);
}
