import type { AssumptionValues } from '../assumption/register.js';
import { type Season, SEASONS, type WorkDay } from '../rig/day-schema.js';

/** What a season brings to a day. */
export interface SeasonSpread {
  /** Undefined where the brief names none. */
  readonly season: Season | undefined;
  /** Water temperature, K: coldest, usual, warmest of the season. */
  readonly water: readonly [number, number, number];
  /** Share of the sites with a tap where it is off. */
  readonly dry: number;
  /** Temperature of a store of chemicals, K; undefined where it is as the liquid itself says. */
  readonly store: number | undefined;
}

/** Share of the way from the coldest to the warmest water of the year: a quarter of a sine wave to each season, its middle and its ends. */
const END = (1 - Math.SQRT1_2) / 2;
const OF_THE_YEAR: Readonly<Record<Season, readonly [number, number, number]>> = {
  winter: [0, END / 3, END],
  spring: [END, 0.5, 1 - END],
  summer: [1 - END, 1 - END / 3, 1],
  autumn: [END, 0.5, 1 - END],
};

/**
 * The seasons that a day may fall in. Water follows a sine wave over the year, from `winter-water` to `summer-water`
 * (a common shape for mains water; compare Burch & Christensen 2007, from memory).
 * Chemicals are kept at `store-summer` and `store-winter` in those, else as each liquid says.
 * @param usualK water as the brief gives it, K: what counts where no season is named
 */
export function seasonsOf(day: WorkDay, values: AssumptionValues, usualK: number): readonly [SeasonSpread, ...SeasonSpread[]] {
  const dry = day.dry ?? 0;
  if (day.season === undefined) return [{ season: undefined, dry, store: undefined, water: [usualK, usualK, Math.max(values['summer-water'], usualK)] }];
  const cold = values['winter-water'];
  const warm = Math.max(values['summer-water'], cold);
  const make = (season: Season): SeasonSpread => {
    const [low, usual, high] = OF_THE_YEAR[season].map((share) => cold + share * (warm - cold));
    const store = season === 'summer' ? values['store-summer'] : season === 'winter' ? values['store-winter'] : undefined;
    return { season, water: [low, usual, high], dry: season === 'winter' ? (day.dryWinter ?? dry) : dry, store };
  };
  if (day.season !== 'year') return [make(day.season)];
  const [first, ...rest] = SEASONS.map(make);
  return [first, ...rest];
}
