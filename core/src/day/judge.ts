import type { Assessment } from '../assess/assessment.js';
import { type Message, message } from '../working/figure.js';
import type { Verdict } from '../subject/verdict.js';
import type { Chance } from './chance.js';

/** Whether anything draws on the rig that a day could use up: where nothing does, no day is judged. */
export const hasDays = (a: Pick<Assessment, 'feeds' | 'chemical'>): boolean => a.feeds.length + a.chemical.mixes.length > 0;

/** Days of a sample, what is allowed of them, and from how many times that a rig is starved. */
export interface JudgedDays {
  readonly short: Chance;
  readonly tolerance: number;
  readonly farOver: number;
}

/** Days against what is allowed: tight over the tolerance, starved where it is sure to be many times that. */
export function daysVerdict({ short, tolerance, farOver }: JudgedDays): Verdict {
  if (short.chance <= tolerance) return 'fed';
  return short.low > farOver * tolerance ? 'starved' : 'tight';
}

/** How many days go short of water, beside what is allowed. The certainty is that of the sample. */
export function daysMessage(short: Chance, tolerance: number): Message {
  const t = { value: tolerance, dimension: 'ratio' as const };
  if (short.chance === 0) return message('No day in {days} goes short of water; {t} allowed.', { days: String(short.days), t });
  return message('{p} of days go short of water; {t} allowed.', { p: { value: short.chance, dimension: 'ratio', digits: 2 }, t });
}
