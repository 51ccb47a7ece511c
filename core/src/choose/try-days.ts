import { makeRoomSteps } from '../arrange/make-room.js';
import { bill } from '../catalogue/bill.js';
import { changed } from '../edit/draft.js';
import { type DayModel, dayModelSteps } from '../day/model.js';
import { type Chance, isEnough } from '../day/chance.js';
import type { DayChunk } from '../day/chunk.js';
import { roundSteps, shortOf } from '../day/rounds.js';
import { sampleSteps } from '../day/sample.js';
import { Stocks } from '../solve/stock.js';
import { assessPlan } from '../subject/plan/plan.js';
import { assessWeight } from '../subject/weight/weight.js';
import { loadedMass } from '../solve/deck-load.js';
import { SoftBook } from '../day/soft-states.js';
import { type Read, readRig } from '../rig/read.js';
import { reread } from '../rig/reread.js';
import type { RigDocument } from '../rig/schema.js';

/** What one way of building comes to over the same sampled days. */
export interface Tried {
  readonly short: Chance;
  /** Waited for and left undone in a day, mean, s. */
  readonly lostS: number;
  /** More than the build as it is, $; kg with every tank as it starts the day. */
  readonly price: number;
  readonly massKg: number;
  /** What carries it is overloaded, or it does not fit its deck. */
  readonly refused: 'weight' | 'room' | undefined;
}

/** A change of the rig worth trying over the days. */
export interface Trial {
  readonly label: string;
  readonly change: (draft: RigDocument) => void;
}

/** What a rig weighs as its day starts, kg. */
export const massOf = (model: DayModel): number => loadedMass(model.rig, new Stocks(model.rig, model.values));

/** Why a rig is never recommended: an axle, a coupling or the whole over its rating, or things that do not fit the deck. */
export function refusedBy({ rig, values }: DayModel): Tried['refused'] {
  const stocks = new Stocks(rig, values);
  if (assessWeight(rig, stocks)?.verdict === 'stop') return 'weight';
  const plan = assessPlan(rig, stocks)?.verdict;
  return plan === 'starved' || plan === 'stop' ? 'room' : undefined;
}

const lostMean = (chunk: DayChunk): number => {
  let sum = 0;
  // Figures begin with what was waited for and what was left undone.
  for (let d = 0; d < 2 * chunk.count; d++) sum += chunk.figures[d];
  return chunk.count ? sum / chunk.count : 0;
};

/** A build of which changes are tried: what they leave as it is is read and made ready once. */
export interface Bench {
  readonly read: Read;
  readonly model: DayModel;
  readonly book: SoftBook;
}

/** Undefined for a document that cannot be read. Looks up between its steps. */
export function* benchOf(doc: RigDocument): Generator<void, Bench | undefined> {
  const read = readRig(doc);
  if (!read.ok) return undefined;
  const book = new SoftBook();
  return { read, book, model: yield* dayModelSteps(read.rig, undefined, book) };
}

/** The build changed, with room made for what grows; undefined when the change breaks it. Looks up between its steps. */
export function* changedModel({ read, book }: Bench, change: Trial['change']): Generator<unknown, DayModel | undefined> {
  const grown = changed(read.document, change);
  const room = yield* makeRoomSteps(read.rig, grown);
  const next = reread(room ? changed(grown, (d) => void (d.placements = [...room])) : grown, read);
  return next.ok ? yield* dayModelSteps(next.rig, undefined, book) : undefined;
}

/** The build as it is, which others are put against. */
export interface Base {
  readonly price: number;
  readonly massKg: number;
}
export const baseOf = (model: DayModel): Base => ({ price: bill(model.rig).price, massKg: massOf(model) });

/** Samples so many of a model's days. Each step gives the share done. */
export function* tryDays(model: DayModel, days: number, seed: number): Generator<number, Pick<Tried, 'short' | 'lostS'>> {
  const chunk = yield* sampleSteps(model, seed, 0, days, false);
  return { short: shortOf(model, chunk), lostS: lostMean(chunk) };
}

/**
 * Judges a way of building, and puts it against the build as it is: by the days that the rig would be judged by if it were built
 * so, of which those that are surely over what is allowed need no more. Each step gives the share done.
 * @param all what is not surely over takes all of `most`
 * @param over what is surely over is gone into as far as the rest
 */
export function* judgeModel(model: DayModel, most: number, seed: number, base: Base, all = false, over = false): Generator<number, Tried> {
  const { tolerance } = model.day;
  const chunk = yield* roundSteps(model, most, seed, (short) => (!over && short.low > tolerance) || (!all && isEnough(short, tolerance)), false);
  return {
    short: shortOf(model, chunk),
    lostS: lostMean(chunk),
    price: bill(model.rig).price - base.price,
    massKg: massOf(model) - base.massKg,
    refused: refusedBy(model),
  };
}
