import * as v from 'valibot';
import { SCALES, VERDICTS } from '../subject/verdict.js';
import type { Message } from '../working/figure.js';

/**
 * Shapes that go over HTTP, parsed on both sides. What a record's document holds is checked by what reads its kind; here
 * stands what wraps it.
 */

/** Largest rig document that is stored, bytes of its JSON without spaces. The largest rigs with all options take a third. */
export const MOST_DOCUMENT_BYTES = 1_000_000;

const text = v.pipe(v.string(), v.maxLength(4000));
const count = v.pipe(v.number(), v.integer(), v.minValue(0));
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));

/** Names a record, a request: letters, digits and dashes. */
export const IdText = v.pipe(v.string(), v.regex(/^[A-Za-z0-9-]{1,64}$/, 'An id is up to 64 letters, digits and dashes.'));
const from = (least: number) => v.pipe(v.number(), v.integer('A version is a whole number.'), v.minValue(least, `A version is at least ${least}.`));
const version = from(1);

/** A sentence with its figures, see `working`. */
const message = v.custom<Message>(
  (x) =>
    typeof x === 'object' &&
    x !== null &&
    typeof (x as Message).template === 'string' &&
    typeof (x as Message).values === 'object' &&
    (x as Message).values !== null,
  'a sentence',
);

/** Who did it: a name as typed, until there are people. */
const by = v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80, 'A name has at most 80 characters.')));
const whose = v.nullable(v.string());

/** POST of a new record. */
export const AddBody = v.strictObject({ id: v.optional(IdText), request: v.optional(IdText), by, document: v.unknown() });
/**
 * PUT of a record. `request` names this save; `unanswered` the saves before it whose answers never came.
 * @param least 0 for a record that is always there, whose first save goes over nothing; 1 for any other
 */
export const saveBody = (least: 0 | 1) =>
  v.strictObject({
    version: from(least),
    document: v.unknown(),
    request: v.optional(IdText),
    unanswered: v.optional(v.pipe(v.array(IdText), v.maxLength(50, 'At most 50 saves without an answer.'))),
    by,
  });
/** What else is done with a record: bringing it back. */
export const DeedBody = v.strictObject({ by });

/** A record as it is stored. Version 0: it is one that is always there, and nothing was saved of it yet. */
export const storedShape = <T extends v.GenericSchema>(document: T) => v.object({ id: IdText, version: from(0), document, updatedAt: text });
export interface Stored<D> {
  readonly id: string;
  readonly version: number;
  readonly document: D;
  readonly updatedAt: string;
}

export const SavedShape = v.object({ id: IdText, version, updatedAt: text });
export type Saved = v.InferOutput<typeof SavedShape>;

const chance = v.object({
  short: v.object({ days: count, chance: share, low: share, high: share }),
  tolerance: share,
});
/** What is said of one version of a build; `chance` is null where its days could not be worked. */
export const JudgementShape = v.object({
  verdict: v.picklist(VERDICTS),
  scale: v.picklist(SCALES),
  headline: message,
  chance: v.nullable(chance),
  sampled: v.boolean(),
  /** Heaviest on the road, and what it may weigh, kg; null where that is not judged. */
  weight: v.optional(v.nullable(v.object({ heaviestKg: v.number(), ratingKg: v.number() }))),
});
export type Judgement = v.InferOutput<typeof JudgementShape>;

/** A build's line in the yard. `judged` is null while it is being judged; `damaged` one cannot be read. */
export const BuildSummaryShape = v.object({
  id: IdText,
  version,
  updatedAt: text,
  name: v.string(),
  customer: v.string(),
  machines: count,
  tanks: count,
  damaged: v.boolean(),
  deletedAt: v.nullable(text),
  judged: v.nullable(JudgementShape),
});
export type BuildSummary = v.InferOutput<typeof BuildSummaryShape>;

/** A page of the yard: `total` counts all that match. */
export const BuildPageShape = v.object({ builds: v.array(BuildSummaryShape), from: count, total: count, all: count });
export type BuildPage = v.InferOutput<typeof BuildPageShape>;

/** What was done with a record besides saving it. */
export const DEEDS = ['deleted', 'restored'] as const;
export type Deed = (typeof DEEDS)[number];

/** Versions of a record, newest first, each in words against the one before it that is kept; and what else was done with it. */
export const RevisionsShape = v.object({
  revisions: v.array(v.object({ version, savedAt: text, by: whose, changed: v.array(v.string()), more: count })),
  total: count,
  deeds: v.array(v.object({ what: v.picklist(DEEDS), at: text, by: whose })),
});
export type Revisions = v.InferOutput<typeof RevisionsShape>;

export const revisionShape = <T extends v.GenericSchema>(document: T) => v.object({ id: IdText, version, savedAt: text, document });
export interface Revised<D> {
  readonly id: string;
  readonly version: number;
  readonly savedAt: string;
  readonly document: D;
}

export const BackupsShape = v.object({
  folder: v.string(),
  backups: v.array(v.object({ name: v.string(), bytes: count, at: text })),
  trouble: v.nullable(text),
});
export type Backups = v.InferOutput<typeof BackupsShape>;

/** Every refusal. */
export const ErrorShape = v.object({ error: v.looseObject({ code: v.string(), path: v.string(), bound: v.string(), message: v.string() }) });
