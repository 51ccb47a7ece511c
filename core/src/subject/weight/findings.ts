import type { AssumptionValues } from '../../assumption/register.js';
import type { Platform, Rig } from '../../rig/schema.js';
import { type AsTold, type Message, message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import { percent } from '../message-parts.js';
import { type Verdict } from '../verdict.js';
import type { WeightCode } from './kinds.js';
import type { Limit, WeightResult, WeightState } from './result.js';

const mass = (value: number) => ({ value, dimension: 'mass' as const });

/** The code that a limit's excess is told under. */
export const codeOf = (limit: Pick<Limit, 'id'>): WeightCode =>
  limit.id === 'gross' ? 'over-gross' : limit.id.startsWith('coupling') ? 'over-coupling' : limit.id.startsWith('tow-') ? 'over-tow' : 'over-axle';

/** Least and most share of the trailer's weight that its coupling wants. */
export const tongueBounds = (platform: Platform, values: AssumptionValues): readonly [number, number] =>
  platform.coupling?.kind === 'fifth-wheel' ? [values['king-least'], values['king-most']] : [values['tongue-least'], values['tongue-most']];

type Said = AsTold<Omit<WeightResult, 'verdict'>>;

/** A state's name put before what it does. */
const inState = (s: WeightState, text: string, values: Message['values']): Message => message(`${s.name.template} ${text}`, { ...s.name.values, ...values });

/** What carries, in the middle of a sentence: a vehicle keeps its name. */
const inSentence = ({ id, name }: Limit): Message => message(id === 'tow-gross' || id === 'tow-combined' ? name : name.replace(/^‹?./, (c) => c.toLowerCase()));

/** States in which the rig goes on the road. */
const onTheRoad = (r: Pick<WeightResult, 'states'>): readonly WeightState[] => r.states.filter((s) => s.driven);

/** The worst of a list by a measure that is better small. */
function worst<T>(list: readonly T[], of: (x: T) => number): T | undefined {
  let out: T | undefined;
  for (const x of list) if (out === undefined || of(x) > of(out)) out = x;
  return out;
}

/** A limit in a state of filling. */
interface Loaded {
  readonly s: WeightState;
  readonly l: Limit;
}

/** The most loaded limit of each kind over some states. */
function mostLoaded(states: readonly WeightState[], counts: (l: Limit) => boolean = () => true): ReadonlyMap<WeightCode, Loaded> {
  const out = new Map<WeightCode, Loaded>();
  for (const s of states)
    for (const l of s.limits) {
      if (!counts(l)) continue;
      const code = codeOf(l);
      const now = out.get(code);
      if (!now || l.loadKg / l.ratingKg > now.l.loadKg / now.l.ratingKg) out.set(code, { s, l });
    }
  return out;
}

const RIG = { kind: 'rig', id: 'weight' } as const;

/**
 * What is overloaded, badly balanced or near it. While something has no place, only what is too heavy already is told.
 * @param states to judge; the day's worst minutes may be among them
 */
export function weightFindings(rig: Rig, r: Said, values: AssumptionValues): Finding[] {
  const { platform } = rig;
  if (!platform) return [];
  const out: Finding[] = [];
  const tell = (code: WeightCode, verdict: Verdict, m: Message, subject: Finding['subject'] = RIG): void =>
    void out.push({ code, verdict, station: 'weight', subject, message: m });
  const roads = onTheRoad(r);
  const most = mostLoaded(roads, (l) => r.judged || l.id === 'gross');
  const undriven = platform.road === 'day' && r.judged ? mostLoaded(r.states.filter((s) => !s.driven)) : new Map<WeightCode, Loaded>();
  for (const code of ['over-gross', 'over-axle', 'over-coupling', 'over-tow'] as const) {
    const w = most.get(code);
    if (!w) continue;
    const share = w.l.loadKg / w.l.ratingKg;
    const said = { what: inSentence(w.l), load: mass(w.l.loadKg), rating: mass(w.l.ratingKg) };
    if (share > 1.0005) tell(code, 'stop', inState(w.s, '{what}: {load}, rated {rating}. Overloaded: don’t drive it.', said));
    else if (share > values['rating-near']) tell(code, 'tight', inState(w.s, '{what} carries {load} of {rating}.', said));
    if (share <= 1.0005) {
      const full = undriven.get(code);
      if (full && full.l.loadKg > full.l.ratingKg * 1.0005 && share <= values['rating-near'])
        tell(
          code,
          'tight',
          inState(full.s, '{what} would be {load}, rated {rating}: never drive it like this.', {
            what: inSentence(full.l),
            load: mass(full.l.loadKg),
            rating: mass(full.l.ratingKg),
          }),
        );
    }
  }
  for (const shelf of r.shelves) {
    if (shelf.ratingKg === undefined || !(shelf.loadKg > shelf.ratingKg * 1.0005)) continue;
    const name = rig.gear.find((g) => g.id === shelf.gearId)!.name;
    tell(
      'over-shelf',
      'stop',
      message('{shelf} carries {load}; it is made for {rating}.', { shelf: name, load: mass(shelf.loadKg), rating: mass(shelf.ratingKg) }),
      { kind: 'gear', id: shelf.gearId },
    );
  }
  if (!r.judged) return out;

  const [least, heaviest] = tongueBounds(platform, values);
  const trailers = roads.filter((s) => s.tongueShare !== undefined);
  const light = worst(trailers, (s) => -s.tongueShare!);
  const heavy = worst(trailers, (s) => s.tongueShare!);
  const share = (s: WeightState) => ({ t: mass(s.tongueKg!), p: percent(s.tongueShare!), least: percent(least), most: percent(heaviest) });
  if (light && light.tongueShare! < least - 5e-4)
    tell(
      'tongue-light',
      light.tongueShare! < values['tongue-sway'] ? 'stop' : 'tight',
      light.tongueKg! < 0
        ? inState(light, 'the ‹coupler› is pulled up with {t}: it lifts the hitch, and the trailer tips back. Aim for {least} to {most} of its weight down.', {
            ...share(light),
            t: mass(-light.tongueKg!),
          })
        : inState(light, '‹tongue weight› is {t}, {p} of the trailer: it can sway. Aim for {least} to {most}.', share(light)),
    );
  if (heavy && heavy.tongueShare! > heaviest + 5e-4)
    tell(
      'tongue-heavy',
      'tight',
      inState(heavy, 'the ‹coupler› carries {t}, {p} of the trailer: it lightens the tow vehicle’s front axle. Aim for {least} to {most}.', share(heavy)),
    );
  const steer = worst(
    roads.filter((s) => s.steerShare !== undefined),
    (s) => -s.steerShare!,
  );
  if (steer && steer.steerShare! < values['steer-least'])
    tell(
      'steer-light',
      steer.steerShare! < values['steer-least'] / 2 ? 'stop' : 'tight',
      inState(steer, 'the steering axle carries {p} of the weight; steering and braking need {least}.', {
        p: percent(steer.steerShare!),
        least: percent(values['steer-least']),
      }),
    );
  // Of the load the two sides differ by twice what either is off a half.
  const side = worst(roads, (s) => Math.abs(s.streetShare - 0.5));
  if (side && 2 * Math.abs(side.streetShare - 0.5) > values['side-most'])
    tell(
      'side-heavy',
      2 * Math.abs(side.streetShare - 0.5) > 6 * values['side-most'] ? 'stop' : 'tight',
      inState(
        side,
        side.streetShare > 0.5
          ? 'the street side carries {p} of the weight, the ‹curb› side the rest.'
          : 'the ‹curb› side carries {p} of the weight, the street side the rest.',
        {
          p: percent(Math.max(side.streetShare, 1 - side.streetShare)),
        },
      ),
    );
  const tips = worst(roads, (s) => -s.rolloverG);
  if (tips && tips.rolloverG < values['rollover-least'])
    tell(
      'tips',
      tips.rolloverG < values['rollover-least'] / 2 ? 'stop' : 'tight',
      inState(tips, 'tips at {a} g sideways (‹center› of gravity {h} up). Slow down for turns, or move weight lower.', {
        a: { value: tips.rolloverG, dimension: 'number', digits: 2 },
        h: { value: tips.centre.z, dimension: 'length' },
      }),
    );
  const whole = worst(trailers, (s) => s.massKg);
  // Road rules count what it weighs or what it is rated to weigh, whichever is more.
  if (whole && platform.brakes === 'none') {
    const counted = Math.max(whole.massKg, platform.gvwr);
    const says = { m: mass(counted), from: mass(values['brakes-from']) };
    if (counted > values['brakes-from'])
      tell(
        'no-brakes',
        'tight',
        counted > whole.massKg
          ? message('The trailer is rated {m} and has no brakes of its own; from {from} most road rules want them. Yours decide.', says)
          : inState(whole, 'the trailer weighs {m} and has no brakes of its own; from {from} most road rules want them. Yours decide.', says),
      );
  }
  if (r.slope?.tongueKg !== undefined && r.slope.tongueKg < 0)
    tell(
      'slope-tips',
      'stop',
      message('Unhitched on the sloped site it tips back (tongue lifts with {t}). Support the rear on stands, or leave it hitched.', {
        t: mass(-r.slope.tongueKg),
      }),
    );
  const off = ticketOff(r);
  if (off && off.share > values['ticket-near'])
    tell(
      'ticket-off',
      'tight',
      message('The scale reads {shown} at {where}; we get {reckoned}. Weigh what is on board, or correct masses and places.', {
        shown: mass(off.shown),
        where: message(off.where),
        reckoned: mass(off.reckoned),
      }),
    );
  return out;
}

/** Where a weighbridge ticket differs most from the reckoning of the same filling, by its share of the whole. */
export function ticketOff(
  r: Pick<WeightResult, 'ticket' | 'states'>,
): { readonly where: string; readonly shown: number; readonly reckoned: number; readonly share: number } | undefined {
  const { ticket } = r;
  const s = ticket && r.states.find((x) => x.id === ticket.state);
  if (!ticket || !s) return undefined;
  const rows = [
    ...ticket.axles.map((shown, i) => ({ where: `axle ${i + 1}`, shown, reckoned: s.axles[i] })),
    ...(ticket.tongueKg !== undefined && s.tongueKg !== undefined ? [{ where: 'the ‹coupler›', shown: ticket.tongueKg, reckoned: s.tongueKg }] : []),
  ].map((x) => ({ ...x, share: Math.abs(x.shown - x.reckoned) / s.massKg }));
  return worst(rows, (x) => x.share);
}
