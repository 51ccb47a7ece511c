import type { DayModel } from './model.js';
import { type DayChunk, type DaySample, gatherSample, isEnough, joinChunks, sampleChunk } from './sample.js';

/** Every sample, size and option meets the same days, wherever they are worked. */
export const DAY_SEED = 1;
/** Days of the first round; each next one doubles what is there. */
export const DAY_ROUND = 400;
/** Most days that are sampled unasked. */
export const DAYS_UNASKED = 2000;

/** How many days the next round takes, after so many. */
export const nextRound = (done: number, most: number): number => Math.min(Math.max(DAY_ROUND, done), most - done);

/** Days in rounds until enough is known: the same days, and so the same chance, for yard, bench and work day. */
export function sampleUntilEnough(model: DayModel, most = DAYS_UNASKED, seed = DAY_SEED): DaySample {
  let part: DayChunk | undefined;
  for (;;) {
    const from = part?.count ?? 0;
    const chunk = sampleChunk(model, seed, from, nextRound(from, most));
    part = part ? joinChunks([part, chunk]) : chunk;
    const sample = gatherSample(model, seed, [part]);
    if (sample.days >= most || isEnough(sample.short, sample.tolerance)) return sample;
  }
}
