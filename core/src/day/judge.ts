import type { Assessment } from '../subject/assessment.js';
import type { Rig } from '../rig/schema.js';
import type { Finding } from '../subject/finding.js';
import { FINDING_KINDS } from '../subject/index.js';
import { type AsTold, type Message, message } from '../working/figure.js';
import { type Scale, type Verdict, VERDICTS, worse } from '../subject/verdict.js';
import type { Chance } from './chance.js';
import type { Cause, ShortKind } from './types.js';
import { type DayWeight, dayWeightFindings } from './weigh-day.js';

/** Whether anything draws on the rig that a day could use up: where nothing does, no day is judged. */
export const hasDays = (a: AsTold<Pick<Assessment, 'feeds' | 'chemical'>>): boolean => a.feeds.length + a.chemical.mixes.length > 0;

/** Days of a sample, what is allowed of them, and from how many times that a rig is starved. */
export interface JudgedDays {
  readonly short: Chance;
  readonly tolerance: number;
  readonly farOver: number;
  /** What else ran short besides water, where it is known. */
  readonly causes?: readonly (ShortKind & { readonly chance: Chance })[];
}

/** Days against what is allowed: tight over the tolerance, starved where it is sure to be many times that. */
export function daysVerdict({ short, tolerance, farOver }: Pick<JudgedDays, 'short' | 'tolerance' | 'farOver'>): Verdict {
  if (short.chance <= tolerance) return 'fed';
  return short.low > farOver * tolerance ? 'starved' : 'tight';
}

/** How many days go short of water, beside what is allowed. The certainty is that of the sample. */
export function daysMessage(short: Chance, tolerance: number): Message {
  const t = { value: tolerance, dimension: 'ratio' as const };
  if (short.chance === 0) return message('No day in {days} goes short of water; {t} allowed.', { days: String(short.days), t });
  return message('{p} of days go short of water; {t} allowed.', { p: { value: short.chance, dimension: 'ratio', digits: 2 }, t });
}

/** What is said of whatever else a day runs short of. */
const RAN_SHORT: Readonly<Record<Exclude<Cause, 'water' | 'feed'>, string>> = {
  stock: '{name} runs out on {p} of days; {t} allowed.',
  battery: '{name} runs flat on {p} of days; {t} allowed.',
  fuel: '{name} runs dry of fuel on {p} of days; {t} allowed.',
  air: '{name} is short of air on {p} of days; {t} allowed.',
  heat: 'The water in {name} gets too hot on {p} of days; {t} allowed.',
  reach: '{name} doesn’t reach its work on {p} of days; {t} allowed.',
};

/** What the days say of one thing that may run short. */
export interface DayJudged {
  readonly cause: Cause;
  /** Of what runs short; undefined for water, which is told for the whole rig. */
  readonly id: string | undefined;
  readonly verdict: Verdict;
  readonly message: Message;
}

/** All that the days say: water first, then whatever else they run short of, each held to the same share of days. */
export function daysSay(sample: JudgedDays): readonly DayJudged[] {
  const { short, tolerance, farOver } = sample;
  return [
    { cause: 'water', id: undefined, verdict: daysVerdict(sample), message: daysMessage(short, tolerance) },
    ...(sample.causes ?? []).flatMap((c): DayJudged[] =>
      c.cause === 'water' || c.cause === 'feed'
        ? []
        : [
            {
              cause: c.cause,
              id: c.id,
              verdict: daysVerdict({ short: c.chance, tolerance, farOver }),
              message: message(RAN_SHORT[c.cause], {
                name: c.name,
                p: { value: c.chance.chance, dimension: 'ratio', digits: 2 },
                t: { value: tolerance, dimension: 'ratio' },
              }),
            },
          ],
    ),
  ];
}

/** The worst of all that the days say. */
export const daysJudged = (sample: JudgedDays): DayJudged => daysSay(sample).reduce((a, b) => (worse(a.verdict, b.verdict) === a.verdict ? a : b));

/**
 * The worst that a worked day puts on axles and coupling, where it is worse than what the rig's own fillings say: a minute of
 * driving between them. Undefined where the day adds nothing.
 */
export function roadFinding(rig: Rig, day: DayWeight | undefined, a: AsTold<Pick<Assessment, 'weight' | 'findings'>>): Finding | undefined {
  if (!day || !a.weight) return undefined;
  const rank = (v: Verdict): number => VERDICTS.indexOf(v);
  const known = new Map<string, number>();
  for (const f of a.findings) if (f.station === 'weight') known.set(f.code, Math.max(known.get(f.code) ?? 0, rank(f.verdict)));
  return dayWeightFindings(rig, a.weight, day)
    .filter((f) => f.verdict !== 'fed' && rank(f.verdict) > (known.get(f.code) ?? 0))
    .reduce<Finding | undefined>((worst, f) => (worst && rank(worst.verdict) >= rank(f.verdict) ? worst : f), undefined);
}

/** What is said of a rig over all: by itself, by its days, or by what a day puts on the road. */
export interface Said {
  readonly verdict: Verdict;
  /** What the severity is about. */
  readonly scale: Scale;
  readonly headline: Message;
  /** What the headline tells of. */
  readonly by: 'rig' | 'days' | 'road';
  /** Of its days, where any were judged. */
  readonly days: { readonly verdict: Verdict; readonly message: Message } | undefined;
}

/**
 * The one verdict on a rig, for bench, yard, options and command line: a build whose days go short too often is not fed, nor is one
 * whose day puts more on an axle, some minute of driving, than any of its fillings.
 * @param sample its days, where they are known
 * @param road see {@link roadFinding}
 */
export function verdictOf(
  a: AsTold<Pick<Assessment, 'verdict' | 'scale' | 'headline' | 'feeds' | 'chemical'>>,
  sample: JudgedDays | undefined,
  road: Finding | undefined,
): Said {
  const days = sample && hasDays(a) ? daysJudged(sample) : undefined;
  const isWorse = (v: Verdict): boolean => worse(a.verdict, v) !== a.verdict;
  if (road && isWorse(road.verdict) && worse(road.verdict, days?.verdict ?? 'fed') === road.verdict)
    return { verdict: road.verdict, scale: FINDING_KINDS[road.code].scale, headline: road.message, by: 'road', days };
  if (days && isWorse(days.verdict)) return { verdict: days.verdict, scale: 'feeding', headline: days.message, by: 'days', days };
  return { verdict: a.verdict, scale: a.scale, headline: a.headline, by: 'rig', days };
}
