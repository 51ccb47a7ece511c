import { fullDepth, startDepth, halfDepth } from '../../rig/tank-shape.js';
import type { Platform, Rig, Tank } from '../../rig/schema.js';
import type { DeckLoad } from '../../solve/deck-load.js';
import { type FuelShare, weighAt, type Weighed } from '../../solve/weigh.js';
import { type Message, message } from '../../working/figure.js';
import type { Limit, WeightState } from './result.js';

/** Fillings of a rig: inside level of each tank, m; fuel by its share of full. */
export interface Filling {
  readonly id: string;
  readonly name: Message;
  readonly levels: readonly number[];
  readonly fuel: FuelShare;
}

/** Full, half, empty, fuel with them, as the day starts, each tank alone full and each alone empty; tied tanks only together. */
export function fillings(rig: Rig): Filling[] {
  const { tanks } = rig;
  const of = (id: string, name: Message, level: (t: Tank) => number, fuel = 1): Filling => ({ id, name, levels: tanks.map(level), fuel: () => fuel });
  const several = tanks.length > 1;
  // Tanks that an open tie joins level out: one of them is never full alone.
  const tied = new Set(rig.lines.flatMap((l) => (l.role === 'tie' && !l.closed ? [l.from.id, l.to.id] : [])));
  const alone = tanks.filter((t) => !tied.has(t.id));
  return [
    of('full', message('With every tank full'), fullDepth),
    of('half', message('With every tank half full'), halfDepth, 0.5),
    of('empty', message('With every tank empty'), () => 0, 0),
    of('start', message('As the day starts'), startDepth),
    ...(several ? alone.map((own) => of(`only:${own.id}`, message('With only {tank} full', { tank: own.name }), (t) => (t === own ? fullDepth(t) : 0))) : []),
    ...(several
      ? alone.map((own) => of(`without:${own.id}`, message('With all full but {tank}', { tank: own.name }), (t) => (t === own ? 0 : fullDepth(t))))
      : []),
  ];
}

export type Rated = Pick<Limit, 'id' | 'name' | 'ratingKg'> & { readonly on: (w: Weighed) => number };

/** Everything of a platform that has a rating, and what of a weighing is on it. */
export function ratedOn(platform: Platform): readonly Rated[] {
  const { axles, tow, coupling } = platform;
  const trailer = platform.kind === 'trailer' && coupling !== undefined;
  const axle = (i: number): string => (!trailer && i === 0 ? 'Front axle' : !trailer && axles.length === 2 ? 'Rear axle' : `Axle ${i + 1}`);
  const tongue = (w: Weighed): number => w.tongueKg!;
  return [
    { id: 'gross', name: trailer ? 'The trailer' : 'The vehicle', ratingKg: platform.gvwr, on: (w) => w.massKg },
    ...axles.map((a, i): Rated => ({ id: `axle-${i + 1}`, name: axle(i), ratingKg: a.rating, on: (w) => w.axles[i] })),
    ...axles.flatMap((a, i): Rated[] =>
      a.tyres === undefined ? [] : [{ id: `tyres-${i + 1}`, name: `‹Tires› of axle ${i + 1}`, ratingKg: a.tyres, on: (w) => w.axles[i] }],
    ),
    ...(trailer ? [{ id: 'coupling', name: 'The ‹coupler›', ratingKg: coupling.rating, on: tongue }] : []),
    ...(trailer && coupling.gross !== undefined
      ? [{ id: 'coupling-whole', name: 'The trailer behind its ‹coupler›', ratingKg: coupling.gross, on: (w: Weighed) => w.massKg }]
      : []),
    ...(trailer && tow
      ? [
          { id: 'tow-hitch', name: `The hitch of ${tow.name}`, ratingKg: tow.hitch, on: tongue },
          { id: 'tow-rear', name: `Rear axle of ${tow.name}`, ratingKg: tow.rearRating, on: (w: Weighed) => w.tow!.rearKg },
          { id: 'tow-gross', name: tow.name, ratingKg: tow.gvwr, on: (w: Weighed) => w.tow!.frontKg + w.tow!.rearKg },
          { id: 'tow-combined', name: `${tow.name} with the trailer`, ratingKg: tow.combined, on: (w: Weighed) => w.tow!.combinedKg },
        ]
      : []),
  ];
}

/** Everything that has a rating, with what is on it. */
const limitsOf = (rated: readonly Rated[], w: Weighed): Limit[] => rated.map(({ id, name, ratingKg, on }) => ({ id, name, loadKg: on(w), ratingKg }));

/** Of nothing there is no share. */
const shareOf = (part: number, whole: number): number | undefined => (whole > 0 ? part / whole : undefined);

/** Loads of one filling with everything that has a rating. */
/** @param rated see {@link ratedOn} */
export function stateOf(platform: Platform, rated: readonly Rated[], load: DeckLoad, { id, name, levels, fuel }: Filling): WeightState {
  const w = weighAt(platform, load, levels, fuel);
  const own = w.tongueKg === undefined ? shareOf(w.axles[0], w.massKg) : w.tow && shareOf(w.tow.frontKg, w.tow.frontKg + w.tow.rearKg);
  return {
    id,
    name,
    massKg: w.massKg,
    axles: w.axles,
    tongueKg: w.tongueKg,
    centre: w.centre,
    streetShare: w.streetShare,
    rolloverG: w.rolloverG,
    tow: w.tow,
    driven: platform.road === 'day' ? id === 'start' || id === 'empty' || id === 'end' || id.startsWith('worst:') : true,
    limits: limitsOf(rated, w),
    payloadLeftKg: platform.gvwr - w.massKg,
    tongueShare: w.tongueKg === undefined ? undefined : shareOf(w.tongueKg, w.massKg),
    steerShare: own,
  };
}
