import type { Assessment, AsTold } from '@pozzo/core';
import { asTold } from '@pozzo/core/page';

/** An assessment as the page has it: figures without their workings, which are asked for one by one. */
export type ToldAssessment = AsTold<Assessment>;

/**
 * What of an assessment is not the very object that was sent before. Answers that an edit has not touched are the same
 * objects (see `reassess`), and need not cross to the page once more.
 */
export type AssessmentPart = Pick<ToldAssessment, 'verdict' | 'findings'> &
  Partial<Omit<ToldAssessment, 'chemical'>> & { readonly chemical: Partial<ToldAssessment['chemical']> };

const changed = <T extends object>(now: T, sent: T | undefined): Partial<T> => {
  if (!sent) return now;
  const out: Partial<T> = {};
  for (const key of Object.keys(now) as (keyof T)[]) if (!Object.is(now[key], sent[key])) out[key] = now[key];
  return out;
};

/** @param sent what the page has; left out, everything goes */
export function partOf(now: Assessment, sent: Assessment | undefined): AssessmentPart {
  const { chemical, ...rest } = now;
  const { chemical: before, ...had } = sent ?? { chemical: undefined };
  const part = { ...changed(rest, sent && (had as typeof rest)), verdict: now.verdict, chemical: changed(chemical, before) };
  return { ...asTold(part), findings: now.findings };
}

/** The whole again: what came, over what was there. Throws where a part comes before any whole. */
export function wholeOf(part: AssessmentPart, had: ToldAssessment | undefined): ToldAssessment {
  if (!had && !('fills' in part)) throw new Error('A part of an assessment came before the whole.');
  return { ...had, ...part, chemical: { ...had?.chemical, ...part.chemical } } as ToldAssessment;
}
