import { bill } from '../catalogue/bill.js';
import { changed } from '../edit/draft.js';
import { type AssumptionValues, assumptionValues } from '../assumption/register.js';
import { weightPrice } from '../solve/loaded.js';
import { assess } from '../assess/assess.js';
import type { Verdict } from '../subject/verdict.js';
import { dayModelSteps } from '../day/model.js';
import { telling } from '../steps.js';
import type { Chance } from '../day/chance.js';
import { roadFinding, verdictOf } from '../day/judge.js';
import { judgedSteps } from '../day/rounds.js';
import { gatherSample } from '../day/sample.js';
import { simulateSteps } from '../day/simulate-day.js';
import { fuelLastsDays } from '../day/types.js';
import { dayOf } from '../day/usual-day.js';
import { weighDay } from '../day/weigh-day.js';
import { readRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { type Message, message } from '../working/figure.js';
import { massOf } from './try-days.js';
import { withoutOptions } from '../edit/option.js';

/** Something to compare: the build as it is, or an option kept beside it. */
export interface Contender {
  readonly id: string;
  readonly name: string;
  readonly rig: RigDocument;
}

/** What matters to the customer about one way of building, over the same days. SI; money in $. */
export interface OptionRow {
  readonly id: string;
  readonly name: string;
  readonly verdict: Verdict;
  readonly headline: Message;
  /** Its days alone make it so: the headline tells of them. */
  readonly byDays: boolean;
  readonly short: Chance;
  /** Lost in a day by waiting and by what is left undone, mean, s. */
  readonly lostS: number;
  /** Water used in a day, mean, and most carried on a drive, m³. */
  readonly usedM3: number;
  readonly carriedM3: number;
  /** Lowest pressure at a gun on the usual day, Pa; null where none is held. */
  readonly gunPa: number | null;
  /** Strength of the first mix at the wall: 5 and 95 days of a hundred, and what is wanted; null without one. */
  readonly weakest: number | null;
  readonly strongest: number | null;
  readonly wanted: number | null;
  /** All liquids on board and the parts that differ, kg, and price, against the build as it is. */
  readonly massKg: number;
  readonly price: number;
  readonly chemicalsDay: number;
  readonly fuelKg: number;
  /** Of the usable battery after the usual day; null without one. */
  readonly batteryLeft: number | null;
  /** Days that the shortest of its fuel tanks lasts; null where nothing is said of fuel. */
  readonly fuelDays: number | null;
}

export interface Comparison {
  readonly rows: readonly OptionRow[];
  /** Most days that one of them met; each row tells how many it took. */
  readonly most: number;
  readonly seed: number;
  readonly tolerance: number;
  /** The one to build, with its reasons; undefined when there is nothing to choose between. */
  readonly advice: { readonly id: string; readonly reasons: readonly Message[] } | undefined;
}

/**
 * Compares ways of building over the same days of the first one's brief, drawn with the same seed: as many for each as it would be
 * judged by if it were built.
 * @param most most days for each
 * @param all all of them for each
 */
export function* compareOptionsSteps(contenders: readonly Contender[], most: number, seed: number, all = false): Generator<number, Comparison> {
  const rows: OptionRow[] = [];
  const first = contenders[0] && readRig(withoutOptions(contenders[0].rig));
  if (!first?.ok) return { rows, most, seed, tolerance: 0, advice: undefined };
  const day = dayOf(first.rig);
  const brief = contenders[0].rig.brief;
  const base = { price: bill(first.rig).price, mass: massOf(yield* telling(dayModelSteps(first.rig, day), 0)) };
  for (const [i, c] of contenders.entries()) {
    // The customer is the same for all: each is built for the first one's brief.
    const read = readRig(changed(withoutOptions(c.rig), (d) => void (d.brief = brief)));
    if (!read.ok) continue;
    const model = yield* telling(dayModelSteps(read.rig, day), i / contenders.length);
    const steps = judgedSteps(model, most, seed, all);
    let step = steps.next();
    while (!step.done) {
      yield (i + step.value) / contenders.length;
      step = steps.next();
    }
    const sample = gatherSample(model, seed, [step.value]);
    const usual = yield* telling(simulateSteps(model), (i + 1) / contenders.length);
    const a = assess(read.rig);
    const { verdict, headline, by } = verdictOf(a, sample, roadFinding(read.rig, weighDay(read.rig, usual), a));
    const strength = sample.strengths.at(0);
    rows.push({
      id: c.id,
      name: c.name,
      verdict,
      headline,
      byDays: by === 'days',
      short: sample.short,
      lostS: sample.figures.waited.mean + sample.figures.undone.mean,
      usedM3: sample.figures.used.mean,
      carriedM3: sample.figures.carried.p95,
      gunPa: usual.guns.length ? Math.min(...usual.guns.map((g) => g.lowestPa)) : null,
      weakest: strength?.p5 ?? null,
      strongest: strength?.p95 ?? null,
      wanted: strength?.wanted ?? null,
      massKg: massOf(model) - base.mass,
      price: bill(read.rig).price - base.price,
      chemicalsDay: a.chemical.mixes.reduce((s, m) => s + m.costPerJob.value * m.jobsPerDay, 0),
      fuelKg: usual.fuelKg,
      batteryLeft: usual.batteries.length ? Math.min(...usual.batteries.map((b) => (b.usableAs > 0 ? b.leftAs / b.usableAs : 0))) : null,
      fuelDays: usual.fuels.some((f) => f.usedM3 > 0) ? Math.min(...usual.fuels.map(fuelLastsDays)) : null,
    });
  }
  return { rows, most, seed, tolerance: day.tolerance, advice: adviceOn(rows, day.tolerance, assumptionValues(first.rig.assumptions)) };
}

const RANK: Readonly<Record<Verdict, number>> = { fed: 0, tight: 1, starved: 2, stop: 3 };

/** Price with what it costs in trouble: a tight verdict, each minute lost in a day, weight on the road; changing nothing is worth something too. */
const burden = (r: OptionRow, base: OptionRow, v: AssumptionValues): number =>
  r.price +
  (r.verdict === 'tight' ? v['price-tight'] : 0) +
  (v['price-minute'] * r.lostS) / 60 +
  weightPrice(r.massKg, v) -
  (r.id === base.id ? v['price-stay'] : 0);

/**
 * The one to build: never one that is dangerous; of those within the tolerance and not starved the one with the least
 * {@link burden}; if none is within it, the one that goes short least often. None among fewer than two, or where all are dangerous.
 */
export function adviceOn(rows: readonly OptionRow[], tolerance: number, values: AssumptionValues = assumptionValues()): Comparison['advice'] {
  const base = rows[0];
  const safe = rows.filter((r) => r.verdict !== 'stop');
  if (rows.length < 2 || !safe.length) return undefined;
  const good = safe.filter((r) => r.short.chance <= tolerance && r.verdict !== 'starved');
  const order = (a: OptionRow, b: OptionRow): number =>
    good.length
      ? burden(a, base, values) - burden(b, base, values)
      : a.short.chance - b.short.chance || RANK[a.verdict] - RANK[b.verdict] || burden(a, base, values) - burden(b, base, values);
  const fed = safe.filter((r) => r.verdict !== 'starved');
  const best = [...(good.length ? good : fed.length ? fed : safe)].sort(order)[0];
  const share = (value: number) => ({ value, dimension: 'ratio' as const });
  const barred = safe.find((r) => r.short.chance <= tolerance && r.verdict === 'starved');
  const words = { name: best.name, p: share(best.short.chance), t: share(tolerance), ...(barred ? { other: barred.name } : {}) };
  const reasons: Message[] = [
    !good.length
      ? best.short.chance <= tolerance
        ? message('“{name}” keeps within {t} of days, but it is starved.', words)
        : barred
          ? message('“{other}” keeps within {t} of days, but it is starved; of the others “{name}” comes closest, short of water on {p}.', words)
          : message('Nothing here keeps within {t} of days. “{name}” comes closest, short of water on {p}.', words)
      : best.id === base.id
        ? message('Keep the build as it is: it goes short of water on {p} of days, and {t} are allowed.', words)
        : message('Build “{name}”: it goes short of water on {p} of days, and {t} are allowed.', words),
  ];
  if (best.id !== base.id) {
    reasons.push(
      message(best.price >= 0 ? 'It costs {d} more than the build as it is.' : 'It saves {d} against the build as it is.', {
        d: { value: Math.abs(Math.round(best.price)), dimension: 'money' },
      }),
    );
    if (Math.abs(best.massKg) >= 1)
      reasons.push(
        message(best.massKg >= 0 ? 'It weighs {m} more as the day starts.' : 'It weighs {m} less as the day starts.', {
          m: { value: Math.abs(best.massKg), dimension: 'mass' },
        }),
      );
    if (base.lostS - best.lostS > 60) reasons.push(message('It gives the crew {t} a day back.', { t: { value: base.lostS - best.lostS, dimension: 'time' } }));
    if (RANK[base.verdict] > RANK[best.verdict]) reasons.push(message('It fixes what’s tight on the current build.'));
  } else if (good.length > 1) reasons.push(message('The others that keep within it cost more, lose more time, or are tight elsewhere.'));
  const cheaper = rows.filter((r) => r.price < best.price - 1 && !good.includes(r)).sort((a, b) => a.price - b.price)[0];
  if (good.length && cheaper)
    reasons.push(
      cheaper.short.chance > tolerance
        ? message('“{name}” would be cheaper, but goes short on {p} of days.', { name: cheaper.name, p: share(cheaper.short.chance) })
        : message('“{name}” would be cheaper, but it is starved.', { name: cheaper.name }),
    );
  // Where its days are what is wrong, the first line has said so.
  if (best.verdict !== 'fed' && !best.byDays) reasons.push(message(`Look at this first: ${best.headline.template}`, best.headline.values));
  return { id: best.id, reasons };
}
