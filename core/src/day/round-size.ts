/** Every sample, size and option meets the same days, wherever they are worked. */
export const DAY_SEED = 1;
/** Days of the first round; each next one doubles what is there. */
export const DAY_ROUND = 400;
/** Most days that are sampled unasked. */
export const DAYS_UNASKED = 2000;

/** How many days the next round takes, after so many. */
export const nextRound = (done: number, most: number): number => Math.min(Math.max(DAY_ROUND, done), most - done);
