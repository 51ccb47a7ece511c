import { bill } from '../catalogue/bill.js';
import { type Chance, chanceOf } from '../day/chance.js';
import type { DayModel } from '../day/model.js';
import { sampleSteps } from '../day/sample.js';
import { nextSize } from '../edit/length.js';
import { sizeTank, volumeOf } from '../edit/size-tank.js';
import { si } from '../quantity/parse.js';
import type { RigDocument } from '../rig/schema.js';
import { telling } from '../steps.js';
import { type Base, type Bench, changedModel, massOf, refusedBy, type Tried } from './try-days.js';

/** What a day draws on besides water: a tank of stock, soap or mix, a battery, a tank of fuel. */
export type StoreKind = 'stock' | 'battery' | 'fuel';

/** A store at one size: the days on which it runs short itself. */
export interface StoreSize extends Omit<Tried, 'lostS'> {
  /** As typed. */
  readonly text: string;
  readonly now: boolean;
}

export interface StoreSizes {
  readonly kind: StoreKind;
  readonly id: string;
  readonly name: string;
  /** The build as it is, then larger ones where that runs short on more days than are allowed. */
  readonly sizes: readonly StoreSize[];
  /** Text of the smallest that keeps within the tolerance. */
  readonly smallest: string | undefined;
}

/** Days that a store is tried on at each size. */
const DAYS = 400;
const FACTORS = [1.25, 1.5, 2, 3, 4.5, 7, 11, 17] as const;

/** Gives a store another size, as typed: a tank grows wider, a battery holds more. */
export function resizeStore(d: RigDocument, kind: StoreKind, id: string, text: string): void {
  if (kind === 'stock') return sizeTank(d, id, si(text, 'volume'));
  const battery = d.batteries?.find((b) => b.id === id);
  const fuel = d.fuelTanks?.find((t) => t.id === id);
  if (kind === 'battery' && battery) battery.capacity = text;
  if (kind === 'fuel' && fuel) fuel.volume = text;
}

/** Sizes over a store's own, as they are sold; none for what is sized elsewhere, as an engine's own tank. */
function larger(d: RigDocument, kind: StoreKind, id: string): { readonly now: string; readonly texts: readonly string[] } | undefined {
  const ladder = (now: string, own: number, dimension: 'volume' | 'charge', unit: string, step: number) => ({
    now,
    texts: [...new Set(FACTORS.map((f) => nextSize(own * f, dimension, unit, step)))],
  });
  if (kind === 'stock') {
    const tank = d.tanks.find((t) => t.id === id);
    const own = tank && volumeOf(tank.shape);
    return own === undefined ? undefined : ladder(nextSize(own, 'volume', 'gal', 1), own, 'volume', 'gal', 5);
  }
  const now = kind === 'battery' ? d.batteries?.find((b) => b.id === id)?.capacity : d.fuelTanks?.find((t) => t.id === id)?.volume;
  if (now === undefined) return undefined;
  return kind === 'battery' ? ladder(now, si(now, 'charge'), 'charge', 'Ah', 10) : ladder(now, si(now, 'volume'), 'volume', 'gal', 1);
}

/** Days on which a thing runs short, of so many. */
function* shortDays(model: DayModel, seed: number, days: number, short: number): Generator<number, Chance> {
  const chunk = yield* sampleSteps(model, seed, 0, days, false);
  let hits = 0;
  for (let d = 0; d < days; d++) if (Number.isFinite(chunk.firstAt[short * days + d])) hits++;
  return chanceOf(hits, days);
}

/**
 * What runs short besides water, and the size at which it does so on no more days than the brief allows: every tank of
 * chemicals, battery and fuel tank that the day draws on, each over the same days. Each step gives the share done.
 */
export function* storeSizes(bench: Bench, most: number, seed: number, base: Base): Generator<number, readonly StoreSizes[]> {
  const { model, read } = bench;
  const days = Math.min(most, DAYS);
  const { tolerance } = model.day;
  const already = refusedBy(model);
  const stores = model.shorts.flatMap((s, index) =>
    s.cause === 'stock' || s.cause === 'battery' || s.cause === 'fuel' ? [{ kind: s.cause, id: s.id, name: s.name, index }] : [],
  );
  const out: StoreSizes[] = [];
  for (const [i, { index, ...store }] of stores.entries()) {
    const own = larger(read.document, store.kind, store.id);
    if (!own) continue;
    const of = own.texts.length + 1;
    const share = (size: number, step: number): number => (i + (size + step) / of) / stores.length;
    const sizes: StoreSize[] = [
      { text: own.now, now: true, short: yield* told(shortDays(model, seed, days, index), (step) => share(0, step)), price: 0, massKg: 0, refused: already },
    ];
    const within = (s: StoreSize): boolean => s.short.chance <= tolerance && (already !== undefined || s.refused === undefined);
    if (sizes[0].short.chance > tolerance)
      for (const [k, text] of own.texts.entries()) {
        const ready = yield* telling(
          changedModel(bench, (d) => resizeStore(d, store.kind, store.id, text)),
          share(k + 1, 0),
        );
        const at = ready?.shorts.findIndex((s) => s.cause === store.kind && s.id === store.id) ?? -1;
        if (!ready || at < 0) continue;
        const short = yield* told(shortDays(ready, seed, days, at), (step) => share(k + 1, step));
        sizes.push({ text, now: false, short, price: bill(ready.rig).price - base.price, massKg: massOf(ready) - base.massKg, refused: refusedBy(ready) });
        if (within(sizes[sizes.length - 1])) break;
      }
    out.push({ ...store, sizes, smallest: sizes.find(within)?.text });
  }
  return out;
}

function* told<T>(steps: Generator<number, T>, share: (step: number) => number): Generator<number, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield share(step.value);
  }
}
