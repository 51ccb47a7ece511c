import { tellsOf } from '../told-once.js';
import { standingOn, type Standing } from '../../deck/index.js';
import { deckLoad, type DeckLoad } from '../../solve/deck-load.js';
import { fullMass } from '../../solve/loaded.js';
import type { Stocks } from '../../solve/stock.js';
import { supportsOf, weighAt } from '../../solve/weigh.js';
import { fullDepth, startDepth, levelOf, volumeAt } from '../../rig/tank-shape.js';
import { placesOf } from '../../rig/stand.js';
import type { Platform, Rig } from '../../rig/schema.js';
import { slosh } from '../../structure/slosh.js';
import { type Figure, figure, input } from '../../working/figure.js';
import { fillings, ratedOn, stateOf } from './states.js';
import type { TankSlosh, WeightResult, WeightState } from './result.js';
import { worstOf } from '../verdict.js';
import { weightFindings } from './findings.js';

const CURVE = 21;

/** Loads of a rig on its platform in every filling. Undefined without a platform. */
export function assessWeight(rig: Rig, stocks: Stocks): WeightResult | undefined {
  const { platform } = rig;
  if (!platform) return undefined;
  const things = standingOn(rig);
  const load = deckLoad(rig, stocks, things)!;
  const rated = ratedOn(platform);
  const states = fillings(rig).map((f) => stateOf(platform, rated, load, f));
  const driven = states.filter((s) => s.driven);
  const heaviest = driven.reduce((a, b) => (b.massKg > a.massKg ? b : a));
  const result: Omit<WeightResult, 'verdict'> = {
    judged: load.unplaced.length === 0,
    unplaced: load.unplaced,
    unplacedKg: load.unplacedKg,
    states,
    heaviest: heaviest.id,
    ...figuresOf(platform, heaviest),
    slosh: sloshOf(load),
    curve: curveOf(rig, platform, load),
    shelves: shelvesOf(rig, things, stocks),
    ticket: platform.ticket && { state: platform.ticket.filled, axles: platform.ticket.axles, tongueKg: platform.ticket.tongue },
    slope: slopeOf(platform, states),
  };
  const findings = weightFindings(rig, result, stocks.values);
  return tellsOf({ ...result, verdict: worstOf(findings.map((f) => f.verdict)) }, rig, findings);
}

function figuresOf(platform: Platform, s: WeightState): Pick<WeightResult, 'gross' | 'axles' | 'tongue' | 'payload' | 'street' | 'rollover'> {
  const { front, rear, group } = supportsOf(platform);
  const trailer = s.tongueKg !== undefined;
  const whole = input('M', 'whole', s.massKg, 'mass');
  const lever = [
    whole,
    input('x', 'its ‹center›, from the deck’s front', s.centre.x, 'length'),
    input(trailer ? 'x_c' : 'x_f', trailer ? 'coupling' : 'front axle', front, 'length'),
    input(trailer ? 'x_a' : 'x_r', trailer ? 'middle of the axles' : 'rear axles', rear, 'length'),
  ];
  const track = platform.axles.reduce((t, a) => t + a.track, 0) / platform.axles.length;
  return {
    gross: figure(s.massKg, 'mass', 'gross-mass', [whole]),
    axles: s.axles.map((a, i): Figure => figure(a, 'mass', 'axle-load', [...lever, input('n', 'axles that share', !trailer && i === 0 ? 1 : group, 'number')])),
    tongue: s.tongueKg === undefined ? undefined : figure(s.tongueKg, 'mass', 'tongue-load', lever),
    payload: figure(s.payloadLeftKg, 'mass', 'payload-left', [input('', 'gross rating', platform.gvwr, 'mass'), whole]),
    street: figure(s.streetShare, 'ratio', 'side-share', [
      input('y', '‹center›, from the ‹curb› side', s.centre.y, 'length'),
      input('w', 'width of the deck', platform.width, 'length'),
      whole,
      input(
        'M_a',
        'on the axles',
        s.axles.reduce((sum, a) => sum + a, 0),
        'mass',
      ),
      input('t', 'track', track, 'length'),
    ]),
    rollover: figure(s.rolloverG, 'number', 'rollover', [input('t', 'track', track, 'length'), input('h', 'height of the ‹center›', s.centre.z, 'length')]),
  };
}

/** Where half full tanks move most. */
function sloshOf(load: DeckLoad): TankSlosh[] {
  return load.tanks.flatMap((t) => {
    if (!t) return [];
    const full = fullDepth(t.tank);
    const depthM = levelOf(t.tank.shape, volumeAt(t.tank.shape, full) / 2);
    return [{ tankId: t.tank.id, depthM, along: slosh(t.along, depthM), across: slosh(t.across, depthM), halved: slosh(t.across / 2, depthM) }];
  });
}

/** Loads with every tank of water at the same share, the others as the day starts. */
function curveOf(rig: Rig, platform: Platform, load: DeckLoad): WeightResult['curve'] {
  const share = Array.from({ length: CURVE }, (_, i) => i / (CURVE - 1));
  const weighed = share.map((s) =>
    weighAt(
      platform,
      load,
      rig.tanks.map((t) => {
        const full = fullDepth(t);
        return t.liquid === 'water' ? levelOf(t.shape, s * volumeAt(t.shape, full)) : startDepth(t);
      }),
      () => 1,
    ),
  );
  return { share, axles: platform.axles.map((_, i) => weighed.map((w) => w.axles[i])), tongue: weighed.map((w) => w.tongueKg ?? 0) };
}

/** What stands on each shelf, with what is in it when full. */
function shelvesOf(rig: Rig, things: readonly Standing[], stocks: Stocks): WeightResult['shelves'] {
  const places = placesOf(rig);
  const wet = (id: string): number => {
    const t = rig.tanks.find((x) => x.id === id);
    return t ? fullMass(stocks, t) : 0;
  };
  const on = (shelf: string): number => things.reduce((s, t) => s + (places.get(t.id)?.on === shelf ? t.dryKg + wet(t.id) + on(t.id) : 0), 0);
  return rig.gear.flatMap((g) => (g.kind === 'shelf' && places.has(g.id) ? [{ gearId: g.id, loadKg: on(g.id), ratingKg: g.carries }] : []));
}

/** On a slope the centre shifts by height times slope. */
function slopeOf(platform: Platform, states: readonly WeightState[]): WeightResult['slope'] {
  const { slope } = platform;
  if (!slope) return undefined;
  const { front, rear } = supportsOf(platform);
  // Unhitched, nose up is what takes weight off the coupling: the worse of how it may stand.
  const least = Math.min(
    ...states.flatMap((s) =>
      s.tongueKg === undefined ? [] : [-1, 1].map((way) => s.tongueKg! - (way * Math.abs(slope.nose) * s.centre.z * s.massKg) / (rear - front)),
    ),
  );
  return {
    tongueKg: Number.isFinite(least) ? least : undefined,
  };
}
