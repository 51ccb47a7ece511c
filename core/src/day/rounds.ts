import { finished } from '../steps.js';
import type { DayModel } from './model.js';
import { DAY_SEED, DAYS_UNASKED, nextRound } from './round-size.js';
import { type Chance, chanceOf, isEnough } from './chance.js';
import { type DayChunk, joinChunks } from './chunk.js';
import { type DaySample, gatherSample, sampleSteps, thirstyDays } from './sample.js';

/**
 * Days in rounds until they are enough, at most `most`; each step gives the share done. The same seed gives the same days,
 * and the same rounds, for yard, bench, sizes and options: what is enough for one is enough for all.
 * @param counted see {@link sampleSteps}
 */
export function* roundSteps(model: DayModel, most: number, seed: number, enough: (short: Chance) => boolean, counted = true): Generator<number, DayChunk> {
  let part: DayChunk | undefined;
  for (;;) {
    const from: number = part?.count ?? 0;
    const count = nextRound(from, most);
    const steps = sampleSteps(model, seed, from, count, counted);
    let step = steps.next();
    while (!step.done) {
      yield (from + step.value * count) / most;
      step = steps.next();
    }
    part = part ? joinChunks([part, step.value]) : step.value;
    if (part.count >= most || enough(shortOf(model, part))) return part;
  }
}

/** Share of days on which a pump goes without. */
export const shortOf = (model: DayModel, days: DayChunk): Chance => chanceOf(thirstyDays(model, [days]), days.count);

/** As many days as tell on which side of what is allowed a rig is, or all of `most`. */
export const judgedSteps = (model: DayModel, most: number, seed: number, all = false): Generator<number, DayChunk> =>
  roundSteps(model, most, seed, (short) => !all && isEnough(short, model.day.tolerance));

/** Days in rounds until enough is known, gathered. */
export function sampleUntilEnough(model: DayModel, most = DAYS_UNASKED, seed = DAY_SEED): DaySample {
  return gatherSample(model, seed, [finished(judgedSteps(model, most, seed))]);
}
