import type { Assessment } from '../assess/assessment.js';
import { type Message, message } from '../working/figure.js';
import type { Verdict } from '../subject/verdict.js';
import type { Chance } from './chance.js';

/** Whether anything draws on the rig that a day could use up: where nothing does, no day is judged. */
export const hasDays = (a: Pick<Assessment, 'feeds' | 'chemical'>): boolean => a.feeds.length + a.chemical.mixes.length > 0;

/** Times the allowed share of short days from which a rig is starved, where that is sure. */
const FAR_OVER = 5;

/** Days against what is allowed: tight over the tolerance, starved where it is sure to be over five times that (common practice). */
export function daysVerdict(short: Chance, tolerance: number): Verdict {
  if (short.chance <= tolerance) return 'fed';
  return short.low > FAR_OVER * tolerance ? 'starved' : 'tight';
}

/** How many days go short of water, beside what is allowed. The certainty is that of the sample. */
export function daysMessage(short: Chance, tolerance: number): Message {
  const t = { value: tolerance, dimension: 'ratio' as const };
  if (short.chance === 0) return message('No day in {days} goes short of water; {t} allowed.', { days: String(short.days), t });
  return message('{p} of days go short of water; {t} allowed.', { p: { value: short.chance, dimension: 'ratio', digits: 2 }, t });
}
