import { cableSize, chooseCable, fuseFor, INSULATIONS, peukertCurrent } from '../electrics/index.js';
import { GRAVITY } from '../fluid/air.js';
import { waterAt } from '../fluid/water.js';
import { runHeadLoss } from '../hydraulics/friction.js';
import { NOZZLE_SIZES, nozzlePressure, shelfSize } from '../hydraulics/nozzle.js';
import type { UnitSystem } from '../quantity/dimension.js';
import { hoseSize, TRADE_BORES } from '../quantity/nominal.js';
import { si } from '../quantity/parse.js';
import { type Message, message, type MessageQuantity } from '../working/figure.js';
import type { Values } from './shared-lines.js';

const q = (value: number, dimension: MessageQuantity['dimension']): MessageQuantity => ({ value, dimension });
const next = (value: number, step: number): number => Math.ceil(value / step - 1e-9) * step;
const AH = 3600;

/** The largest and smallest nozzle in a shop are no answer to a size far beyond them. */
const onShelf = (size: number): boolean => size > NOZZLE_SIZES[0] / 1.2 && size < NOZZLE_SIZES[NOZZLE_SIZES.length - 1] * 1.2;

function nozzle(size: number, flowM3s: number): Message | undefined {
  const sold = shelfSize(size);
  if (!onShelf(size)) return undefined;
  return message('Number {n}: it makes {p} at {q}.', { n: String(sold), p: q(nozzlePressure(sold, flowM3s), 'pressure'), q: q(flowM3s, 'flow') });
}

function battery(capacityAs: number, x: Values, currentA: number): Message {
  const capacity = next(capacityAs, 10 * AH);
  // A gentle draw takes no less than itself.
  const seconds = (x['usable'] * capacity) / Math.max(currentA, peukertCurrent(capacity, currentA, x['exponent']));
  return message('{c}: it then runs {t} a day.', { c: q(capacity, 'charge'), t: q(seconds, 'time') });
}

/** The next engine of whole horsepower, or of half a one where it is small. */
const engine = (powerW: number): number => next(powerW, si(powerW < si('10 hp', 'power') ? '0.5 hp' : '1 hp', 'power'));

type Sold = (x: Values, o: Values, system: UnitSystem) => Message | undefined;

/** What is sold of the size that a sum comes to (steps of batteries, engines, tanks and generators: common practice), and what it gives then; by the name of the sum. */
const SOLD: Readonly<Record<string, Sold>> = {
  'nozzle-size': (x, o) => nozzle(o['size'], x['flow']),
  'hose-reach': (x, o) => (o['length'] > 0 ? nozzle(o['size'], x['flow']) : undefined),
  'nozzle-wear': (_x, o) => (onShelf(o['now']) ? message('The nearest new one is number {n}.', { n: String(shelfSize(o['now'])) }) : undefined),
  'hose-bore': (x, o, system) => {
    const bore = TRADE_BORES.find((b) => b >= o['bore'] * (1 - 1e-9));
    if (bore === undefined) return undefined;
    const water = waterAt(x['temperature']);
    const head = runHeadLoss({ boreM: bore, lengthM: x['length'], roughnessM: x['roughness'] }, x['flow'], water.kinematicViscosityM2S);
    return message('{d} hose: it loses {p}.', { d: hoseSize(bore, system), p: q(head * water.densityKgM3 * GRAVITY, 'pressure') });
  },
  'engine-power': (x, o) => {
    const rated = engine(o['rated']);
    return message('An engine of {p}, which drives {q} up there.', {
      p: q(rated, 'power'),
      q: q((x['flow'] * rated) / o['rated'], 'flow'),
    });
  },
  'battery-day': (x, o) => battery(o['battery'], x, o['current']),
  'battery-size': (x, o) => battery(o['capacity'], x, x['current']),
  'fuel-tank': (x, o, system) => {
    const volume = next(o['volume'], si(system === 'us' ? '1 gal' : '5 L', 'volume'));
    return message('{v}: it lasts {n} days.', { v: q(volume, 'volume'), n: q((x['days'] * volume) / o['volume'], 'number') });
  },
  generator: (x, o) =>
    message('{p} starting: it starts a motor of {m}.', {
      p: q(next(o['starting'], 500), 'power'),
      m: q((x['power'] * next(o['starting'], 500)) / o['starting'], 'power'),
    }),
  cable: (x, _o, system) => {
    const c = chooseCable(
      x['current'],
      x['length'],
      x['voltage'],
      x['most'],
      fuseFor(x['current']),
      INSULATIONS[x['insulation']],
      x['air'] - 273.15,
      system === 'us' ? 'awg' : 'mm2',
    );
    return c && message('{g}: it loses {d}.', { g: cableSize(c.gauge), d: q(c.dropV, 'voltage') });
  },
};

/** What is sold of the size that a sum comes to, with what it gives then; undefined for a sum of no size, or one that nobody sells. */
export const soldAs = (sum: string, x: Values, o: Values, system: UnitSystem): Message | undefined =>
  Object.hasOwn(SOLD, sum) ? SOLD[sum](x, o, system) : undefined;

/** Sums that come to a size. */
export const SIZING_SUMS: readonly string[] = Object.keys(SOLD);
