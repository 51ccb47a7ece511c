import { shapeHeight, levelOf, volumeAt } from '../../rig/tank-shape.js';
import type { Platform, Rig, Tank } from '../../rig/schema.js';
import type { DeckLoad } from '../../solve/deck-load.js';
import { type FuelShare, weighAt, type Weighed } from '../../solve/weigh.js';
import { type Message, message } from '../../working/figure.js';
import type { Limit, WeightState } from './result.js';

const top = (t: Tank): number => Math.min(t.fullLevel, shapeHeight(t.shape));
const half = (t: Tank): number => levelOf(t.shape, volumeAt(t.shape, top(t)) / 2);

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
    of('full', message('With every tank full'), top),
    of('half', message('With every tank half full'), half, 0.5),
    of('empty', message('With every tank empty'), () => 0, 0),
    of('start', message('As the day starts'), (t) => Math.min(t.startLevel, top(t))),
    ...(several ? alone.map((own) => of(`only:${own.id}`, message('With only {tank} full', { tank: own.name }), (t) => (t === own ? top(t) : 0))) : []),
    ...(several ? alone.map((own) => of(`without:${own.id}`, message('With all full but {tank}', { tank: own.name }), (t) => (t === own ? 0 : top(t)))) : []),
  ];
}

/** Everything that has a rating, with what is on it. */
export function limitsOf(platform: Platform, w: Weighed): Limit[] {
  const { tow, coupling } = platform;
  const trailer = w.tongueKg !== undefined;
  const axle = (i: number): string => (!trailer && i === 0 ? 'Front axle' : !trailer && platform.axles.length === 2 ? 'Rear axle' : `Axle ${i + 1}`);
  return [
    { id: 'gross', name: trailer ? 'The trailer' : 'The vehicle', loadKg: w.massKg, ratingKg: platform.gvwr },
    ...platform.axles.map((a, i) => ({ id: `axle-${i + 1}`, name: axle(i), loadKg: w.axles[i], ratingKg: a.rating })),
    ...platform.axles.flatMap((a, i) =>
      a.tyres !== undefined ? [{ id: `tyres-${i + 1}`, name: `Tyres of axle ${i + 1}`, loadKg: w.axles[i], ratingKg: a.tyres }] : [],
    ),
    ...(coupling && trailer ? [{ id: 'coupling', name: 'The coupling', loadKg: w.tongueKg, ratingKg: coupling.rating }] : []),
    ...(tow && w.tow && trailer
      ? [
          { id: 'tow-hitch', name: `The hitch of ${tow.name}`, loadKg: w.tongueKg, ratingKg: tow.hitch },
          { id: 'tow-rear', name: `Rear axle of ${tow.name}`, loadKg: w.tow.rearKg, ratingKg: tow.rearRating },
          { id: 'tow-gross', name: tow.name, loadKg: w.tow.frontKg + w.tow.rearKg, ratingKg: tow.gvwr },
          { id: 'tow-combined', name: `${tow.name} with the trailer`, loadKg: w.tow.combinedKg, ratingKg: tow.combined },
        ]
      : []),
  ];
}

/** Loads of one filling with everything that has a rating. */
export function stateOf(platform: Platform, load: DeckLoad, { id, name, levels, fuel }: Filling): WeightState {
  const w = weighAt(platform, load, levels, fuel);
  const own = w.tongueKg === undefined ? w.axles[0] / w.massKg : w.tow ? w.tow.frontKg / (w.tow.frontKg + w.tow.rearKg) : undefined;
  return {
    ...w,
    id,
    name,
    driven: platform.road === 'day' ? id === 'start' || id === 'empty' || id === 'end' || id.startsWith('worst:') : true,
    limits: limitsOf(platform, w),
    payloadLeftKg: platform.gvwr - w.massKg,
    tongueShare: w.tongueKg === undefined ? undefined : w.tongueKg / w.massKg,
    steerShare: own,
  };
}
