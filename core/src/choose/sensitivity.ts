import { growTank } from '../edit/grow-tank.js';
import { nextBore } from '../catalogue/hose-sizes.js';
import { type DayModel, type Spread, type WorkedSeason } from '../day/model.js';
import { triangular } from '../day/random.js';
import type { Chance } from '../day/chance.js';
import { formatInches } from '../quantity/format.js';
import type { RigDocument } from '../rig/schema.js';
import { mainVessel, resizeLine } from './sizing.js';
import { telling } from '../steps.js';
import { benchOf, changedModel, type Trial, tryDays } from './try-days.js';

/** One input held at its low and at its high end, everything else as it varies. */
export interface Swing {
  readonly id: string;
  readonly label: string;
  /** Asked of the customer, or chosen by the builder. */
  readonly who: 'ask' | 'build';
  readonly low: { readonly label: string; readonly short: Chance; readonly lostS: number };
  readonly high: { readonly label: string; readonly short: Chance; readonly lostS: number };
  /** Difference of the chances. */
  readonly swing: number;
}

/** Ten and ninety days of a hundred. */
const LOW = 0.1;
const HIGH = 0.9;

const INPUTS: readonly { readonly id: keyof Omit<Spread, 'seasons' | 'distance' | 'height'> | 'water'; readonly label: string }[] = [
  { id: 'spigot', label: 'Flow of the ‹spigot›' },
  { id: 'trigger', label: 'Trigger share' },
  { id: 'time', label: 'How long the work takes' },
  { id: 'stock', label: 'Strength of the stock' },
  { id: 'water', label: 'Warmth of the water' },
];

const pinned = (model: DayModel, id: (typeof INPUTS)[number]['id'], share: number): DayModel => {
  const { spread } = model;
  const at = (x: readonly [number, number, number]): [number, number, number] => {
    const value = triangular(share, x[0], x[1], x[2]);
    return [value, value, value];
  };
  if (id !== 'water') return { ...model, spread: { ...spread, [id]: at(spread[id]) } };
  const [first, ...rest] = spread.seasons;
  const still = (s: WorkedSeason): WorkedSeason => ({ ...s, water: at(s.water) });
  return { ...model, spread: { ...spread, seasons: [still(first), ...rest.map(still)] } };
};
const shutting = (model: DayModel, factor: number): DayModel => {
  const [first, ...rest] = model.spread.seasons.map((s) => ({ ...s, dry: Math.min(factor * s.dry, 1) }));
  return { ...model, spread: { ...model.spread, seasons: [first, ...rest] } };
};
const inSeason = (model: DayModel, season: WorkedSeason): DayModel => ({ ...model, spread: { ...model.spread, seasons: [season] } });

/** Which input moves the chance of a short day most: each in turn at its low and high end, the rest as they vary. The largest first. */
export function* sensitivitySteps(doc: RigDocument, days: number, seed: number): Generator<number, readonly Swing[]> {
  const bench = yield* telling(benchOf(doc), 0);
  if (!bench) return [];
  const { model } = bench;
  const out: Swing[] = [];
  const v = mainVessel(model);
  const tankIds = v < 0 ? [] : model.vessels[v].tied.map((t) => t.id);
  const fill = model.rig.lines.find((l) => l.role === 'fill' && !l.closed && l.to.at === 'tank' && tankIds.includes(l.to.id!));
  const seasons = model.spread.seasons.length > 1 ? model.spread.seasons : [];
  const shut = model.spread.seasons.some((s) => s.dry > 0);
  const total = 2 * (INPUTS.length + (shut ? 1 : 0) + (v < 0 ? 0 : 1) + (fill ? 1 : 0)) + seasons.length;
  let done = 0;
  const made = (change: Trial['change']): Generator<number, DayModel | undefined> => telling(changedModel(bench, change), done / total);
  function* tried(m: DayModel, label: string) {
    const steps = tryDays(m, days, seed);
    for (;;) {
      const step = steps.next();
      if (step.done) {
        done++;
        return { label, ...step.value };
      }
      yield (done + step.value) / total;
    }
  }
  const add = (id: string, label: string, who: Swing['who'], low: Swing['low'], high: Swing['high']): void =>
    void out.push({ id, label, who, low, high, swing: Math.abs(high.short.chance - low.short.chance) });

  for (const i of INPUTS) {
    const low = yield* tried(pinned(model, i.id, LOW), 'one day in ten is lower');
    const high = yield* tried(pinned(model, i.id, HIGH), 'one day in ten is higher');
    add(i.id, i.label, 'ask', low, high);
  }
  if (shut) {
    const low = yield* tried(shutting(model, 0), 'none');
    const high = yield* tried(shutting(model, 2), 'twice as many');
    add('taps', 'Taps found shut', 'ask', low, high);
  }
  if (seasons.length) {
    const tries = [];
    for (const s of seasons) tries.push(yield* tried(inSeason(model, s), `${s.season}`));
    tries.sort((a, b) => a.short.chance - b.short.chance);
    add('season', 'Season', 'ask', tries[0], tries[tries.length - 1]);
  }
  if (v >= 0) {
    const resized =
      (f: number): Trial['change'] =>
      (d) =>
        tankIds.forEach((t) => growTank(d, t, f));
    const small = yield* made(resized(0.75));
    const large = yield* made(resized(1.25));
    if (small && large) {
      const low = yield* tried(small, 'a quarter smaller');
      const high = yield* tried(large, 'a quarter larger');
      add('tank', 'Size of the tank', 'build', low, high);
    }
  }
  if (fill) {
    const bore = Math.max(...fill.parts.map((p) => (p.kind === 'hose' ? p.bore : 0)));
    const up = nextBore(bore);
    const down = [0.0127, 0.015875, 0.01905, 0.0254].filter((b) => b < bore * 0.98).pop();
    const text = (m: number): string => formatInches(m).replace(/\u00a0/g, ' ');
    const low = down === undefined ? model : yield* made((d) => resizeLine(d, fill.id, text(down)));
    const high = up === undefined ? model : yield* made((d) => resizeLine(d, fill.id, text(up)));
    if (low && high) {
      const a = yield* tried(low, down === undefined ? 'as it is' : `${text(down)} hose`);
      const b = yield* tried(high, up === undefined ? 'as it is' : `${text(up)} hose`);
      add('fill', 'Bore of the fill hose', 'build', a, b);
    }
  }
  return out.sort((a, b) => b.swing - a.swing);
}
