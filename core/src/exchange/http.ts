import * as v from 'valibot';
import { SCALES, VERDICTS } from '../subject/verdict.js';
import type { Message } from '../working/figure.js';
import { upgrade } from '../rig/upgrade.js';
import type { RigDocument } from '../rig/schema.js';
import { RIG_FORMAT } from '../rig/version.js';

/**
 * Shapes that go over HTTP, parsed on both sides. What a person's file holds is checked by `readRig`; here stands what
 * wraps it.
 */

/** Largest rig document that is stored, bytes of its JSON without spaces. The largest rigs with all options take a third. */
export const MOST_DOCUMENT_BYTES = 1_000_000;

const text = v.pipe(v.string(), v.maxLength(4000));
const count = v.pipe(v.number(), v.integer(), v.minValue(0));
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));

/** Names a build, a request: letters, digits and dashes. */
export const IdText = v.pipe(v.string(), v.regex(/^[A-Za-z0-9-]{1,64}$/, 'An id is up to 64 letters, digits and dashes.'));
const version = v.pipe(v.number(), v.integer('A version is a whole number.'), v.minValue(1, 'A version is at least 1.'));

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

/** A document as far as its frame: enough to know that it is one. `readRig` tells the rest. */
const frame = v.looseObject({ format: v.literal(RIG_FORMAT), version: v.number(), name: v.string(), lines: v.array(v.unknown()) });
const document = v.pipe(
  v.custom<RigDocument>((x) => v.is(frame, x), 'a rig document'),
  // Stored by an older Pozzo: screens and edits know today's version only.
  v.transform((stored): RigDocument => {
    const lifted = upgrade(stored);
    return lifted.ok ? (lifted.document as unknown as RigDocument) : stored;
  }),
);

/** POST /builds. */
export const AddBody = v.strictObject({ id: v.optional(IdText), request: v.optional(IdText), document: v.unknown() });
/** PUT /builds/:id. `request` names this save; `unanswered` the saves before it whose answers never came. */
export const SaveBody = v.strictObject({
  version,
  document: v.unknown(),
  request: v.optional(IdText),
  unanswered: v.optional(v.pipe(v.array(IdText), v.maxLength(50, 'At most 50 saves without an answer.'))),
});

export const StoredBuildShape = v.object({ id: IdText, version, document, updatedAt: text });
export type StoredBuild = v.InferOutput<typeof StoredBuildShape>;

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

/** Versions of a build, newest first; `changed` in words against the one before it that is kept. */
export const RevisionsShape = v.object({
  revisions: v.array(v.object({ version, savedAt: text, changed: v.array(v.string()), more: count })),
  total: count,
});
export type Revisions = v.InferOutput<typeof RevisionsShape>;

export const RevisionShape = v.object({ id: IdText, version, savedAt: text, document });

export const BackupsShape = v.object({
  folder: v.string(),
  backups: v.array(v.object({ name: v.string(), bytes: count, at: text })),
  trouble: v.nullable(text),
});
export type Backups = v.InferOutput<typeof BackupsShape>;

/** Every refusal. */
export const ErrorShape = v.object({ error: v.looseObject({ code: v.string(), path: v.string(), bound: v.string(), message: v.string() }) });
