import type { DayModel } from './model.js';
import { DAY_SEED, DAYS_UNASKED, nextRound } from './round-size.js';
import { isEnough } from './chance.js';
import { type DayChunk, joinChunks } from './chunk.js';
import { type DaySample, gatherSample, sampleChunk } from './sample.js';

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
