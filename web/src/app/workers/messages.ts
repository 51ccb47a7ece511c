import type { Figure, Fix, Problem } from '@pozzo/core';
import * as v from 'valibot';
import type { AssessmentPart } from './assessment-part';

const sequence = v.pipe(v.number(), v.integer(), v.minValue(1));
/** A figure's tree from a worker of ours: its frame is looked at, its leaves are what the worker reckoned. */
const tree = <T>(looks: (x: object) => boolean, what: string) => v.custom<T>((x) => typeof x === 'object' && x !== null && looks(x), what);
const list = <T>(what: string) => v.custom<readonly T[]>(Array.isArray, what);

/** What the page asks of the worker that assesses: a document, see `document-part`, or how a figure of the last one came about. */
export const AssessRequestShape = v.variant('kind', [
  v.strictObject({
    sequence,
    kind: v.literal('assess'),
    part: v.strictObject({
      keys: v.array(v.string()),
      values: v.record(v.string(), v.unknown()),
      lists: v.record(v.string(), v.array(v.union([v.pipe(v.number(), v.integer(), v.minValue(0)), v.strictObject({ entry: v.unknown() })]))),
    }),
  }),
  v.strictObject({ sequence, kind: v.literal('explain'), at: v.string() }),
]);
export type AssessRequest = v.InferOutput<typeof AssessRequestShape>;

/** What it answers; of an assessment, what is not as it was in the answer before. */
export const AssessAnswerShape = v.variant('kind', [
  v.strictObject({
    sequence,
    kind: v.literal('assessed'),
    part: tree<AssessmentPart>((x) => 'findings' in x && 'verdict' in x && 'chemical' in x, 'an assessment'),
  }),
  v.strictObject({
    sequence,
    kind: v.literal('explained'),
    at: v.string(),
    figure: v.nullable(tree<Figure>((x) => 'value' in x && 'working' in x, 'a figure')),
  }),
  v.strictObject({ sequence, kind: v.literal('refused'), problems: list<Problem>('problems') }),
  v.strictObject({ sequence, kind: v.literal('advised'), fixes: list<Fix>('fixes') }),
  v.strictObject({ sequence, kind: v.literal('failed'), message: v.string() }),
]);
export type AssessMessage = v.InferOutput<typeof AssessAnswerShape>;
