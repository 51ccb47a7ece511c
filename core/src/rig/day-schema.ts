import * as v from 'valibot';
import { id, list, name } from './fields.js';
import { quantity } from './quantity-field.js';

/** Kinds of phase, in the order a job usually takes them. */
export const PHASE_KINDS = [
  'drive',
  'refill',
  'connect',
  'fill',
  'pre-wet',
  'pre-treat',
  'mix',
  'dwell',
  'wash',
  'surface-clean',
  'rinse',
  'post-treat',
  'move',
  'dump',
  'break',
] as const;

export const CREW = ['all', '1', '2', '3', '4', '5', '6'] as const;

/** How a time of day is typed. */
const clockPattern = /^([01]?\d|2[0-3]):[0-5]\d$/;

/** A time of day as a clock shows it, "7:30"; its output is seconds after midnight. */
export const clock = v.pipe(
  v.string(),
  v.regex(clockPattern, 'A time of day reads like 7:30 or 14:05.'),
  v.transform((text) => {
    const [h, m] = text.split(':').map(Number);
    return h * 3600 + m * 60;
  }),
);

export const SEASONS = ['spring', 'summer', 'autumn', 'winter'] as const;
export type Season = (typeof SEASONS)[number];

/** Somewhere on the way where tanks are filled: a standpipe, the workshop, a chemical supplier. */
const refillPlace = v.strictObject({
  id,
  name,
  /** The liquid it gives; left out, water. */
  gives: v.optional(id),
  flow: quantity('flow', '0.5 gpm', '2000 gpm'),
});

/** A stretch of work with one thing in hand. */
const phase = v.strictObject({
  id,
  kind: v.picklist(PHASE_KINDS),
  /** How long it takes when nothing holds it up. */
  time: quantity('time', '1 s', '12 h'),
  /** One of the crew, or everybody together: nobody starts before all are there. */
  crew: v.picklist(CREW),
  /** The gun or brush in hand: an outlet or a sprayer. One that the rig lacks stands for the gun that does such work there. */
  gun: v.optional(id),
  /** Share of the time with the trigger pulled. */
  trigger: v.optional(quantity('ratio', '0 %', '100 %')),
  /** Of a refill: the place; left out, a usual one that gives water. */
  place: v.optional(id),
});

const job = v.strictObject({
  id,
  name,
  /** Whether the site has a tap at all. */
  water: v.picklist(['tap', 'none']),
  phases: list(phase, 60),
});

/** The customer's day, and how it varies. */
export const workDay = v.strictObject({
  starts: clock,
  jobs: v.pipe(list(job, 12), v.minLength(1, 'A day has one job at least.')),
  /** Share of days that may run short of water. */
  tolerance: quantity('ratio', '0.1 %', '50 %'),
  /** Flow of the customers' spigots into an open bucket: the poorest, the usual, the best. */
  spigot: v.optional(
    v.strictObject({
      poor: quantity('flow', '0.05 gpm', '200 gpm'),
      usual: quantity('flow', '0.05 gpm', '200 gpm'),
      good: quantity('flow', '0.05 gpm', '200 gpm'),
    }),
  ),
  /** Share of the sites with a tap where it turns out to be off. */
  dry: v.optional(quantity('ratio', '0 %', '100 %')),
  /** The same in winter, where it differs. */
  dryWinter: v.optional(quantity('ratio', '0 %', '100 %')),
  /** When the rig works: one season, or the whole year with a quarter of the days in each. Left out, the water is as the brief says. */
  season: v.optional(v.picklist(['year', ...SEASONS])),
  refills: v.optional(list(refillPlace, 8)),
  /** From the kerb to the far corner of the customers' sites, as the hose lies: the nearest, the usual, the farthest. */
  distance: v.optional(
    v.strictObject({ near: quantity('length', '0 ft', '5000 ft'), usual: quantity('length', '0 ft', '5000 ft'), far: quantity('length', '0 ft', '5000 ft') }),
  ),
  /** Of their work above the kerb: the lowest, the usual, the highest. */
  height: v.optional(
    v.strictObject({ low: quantity('length', '0 ft', '500 ft'), usual: quantity('length', '0 ft', '500 ft'), high: quantity('length', '0 ft', '500 ft') }),
  ),
});

export type WorkDay = v.InferOutput<typeof workDay>;
export type WorkDayDocument = v.InferInput<typeof workDay>;
export type Job = WorkDay['jobs'][number];
export type JobDocument = WorkDayDocument['jobs'][number];
export type Phase = Job['phases'][number];
export type PhaseDocument = JobDocument['phases'][number];
export type RefillPlace = NonNullable<WorkDay['refills']>[number];
export type RefillPlaceDocument = NonNullable<WorkDayDocument['refills']>[number];
export type PhaseKind = (typeof PHASE_KINDS)[number];
