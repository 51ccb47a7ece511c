import {
  assess,
  type Assessment,
  type ChangeLine,
  changeLines,
  doSum,
  findSum,
  judgeRig,
  type Documents,
  type Judgement,
  type KindName,
  message,
  MOST_DOCUMENT_BYTES,
  parseRig,
  readRig,
  rigInp,
  withoutOptions,
  type RigDocument,
} from '@pozzo/core';
import { backup, type Made } from '../keep/backup.js';
import { KEPT, type ReadRecord } from '../store/kinds.js';

/** What is worked off the main thread: what is asked, and what each gives. Plain data both ways. */
export interface Jobs {
  readonly sum: { readonly ask: { readonly name: string; readonly typed: Record<string, unknown> }; readonly gives: ReturnType<typeof doSum> };
  readonly read: { readonly ask: { readonly kind: KindName; readonly document: unknown }; readonly gives: ReadRecord<Documents[KindName]> };
  readonly inp: { readonly ask: { readonly document: RigDocument }; readonly gives: string };
  readonly judge: { readonly ask: { readonly document: string }; readonly gives: Judgement };
  readonly sample: { readonly ask: { readonly document: string }; readonly gives: Judgement };
  readonly backup: { readonly ask: { readonly dataFolder: string; readonly zipFile: string; readonly at: string }; readonly gives: Made };
  readonly changes: { readonly ask: { readonly documents: readonly string[]; readonly most: number }; readonly gives: readonly ChangeLine[] };
}
export type JobName = keyof Jobs;

type Worked = { readonly [K in JobName]: (ask: Jobs[K]['ask']) => Jobs[K]['gives'] | Promise<Jobs[K]['gives']> };

/** The filling that weighs most on the road, and what may be weighed; null while something has no place. */
function heaviest({ weight }: Pick<Assessment, 'weight'>): NonNullable<Judgement['weight']> | null {
  if (!weight?.judged) return null;
  const gross = weight.states.find((s) => s.id === weight.heaviest)?.limits.find((l) => l.id === 'gross');
  return gross ? { heaviestKg: gross.loadKg, ratingKg: gross.ratingKg } : null;
}

function judge(text: string, sampled: boolean): Judgement {
  const stop = (template: string): Judgement => ({ verdict: 'stop', scale: 'feeding', headline: message(template), chance: null, sampled: true });
  let document: unknown;
  try {
    document = text.length > 2 * MOST_DOCUMENT_BYTES ? undefined : JSON.parse(text);
  } catch {
    document = undefined;
  }
  if (document === undefined) return stop('The record of this build is damaged. Take an earlier version back from its history.');
  const read = readRig(document);
  if (!read.ok) return stop(read.problems[0].message.replace(/[{}]/g, ''));
  const rig = parseRig(withoutOptions(read.document));
  const assessment = assess(rig);
  const weight = heaviest(assessment);
  if (!sampled) {
    const { verdict, scale, headline } = assessment;
    return { verdict, scale, headline, weight, chance: null, sampled: false };
  }
  const { verdict, scale, headline, sample } = judgeRig(rig, assessment);
  return { verdict, scale, headline, weight, chance: sample ? { short: sample.short, tolerance: sample.tolerance } : null, sampled: true };
}

export const JOBS: Worked = {
  sum: ({ name, typed }) => doSum(findSum(name)!, typed),
  read: ({ kind, document }) => KEPT[kind].read(document),
  inp: ({ document }) => rigInp(parseRig(document)),
  judge: ({ document }) => judge(document, false),
  sample: ({ document }) => judge(document, true),
  backup: ({ dataFolder, zipFile, at }) => backup(dataFolder, zipFile, new Date(at)),
  changes: ({ documents, most }) => changeLines(documents, most),
};
