import type {
  Arrangement,
  ArrangeWay,
  Comparison,
  Contender,
  DayChunk,
  DayResult,
  DaySample,
  DayWeight,
  RigDocument,
  Sizing,
  Swing,
  Variant,
  WayCompared,
  WorkDay,
  WorkDayDocument,
} from '@pozzo/core';
import * as v from 'valibot';
import type { RigFile } from '../yard/picked-file';

/** The usual day, worked through, and what it puts on axles and coupling; that undefined without a platform. */
export interface WorkedDay {
  readonly day: DayResult;
  /** As it would be written down; undefined where it is. */
  readonly made: WorkDayDocument | undefined;
  readonly weight: DayWeight | undefined;
}

/** Work too long for the page: what is asked, and what each kind gives. */
export interface HeavyWork {
  readonly read: { readonly ask: { readonly name: string; readonly text: string }; readonly gives: RigFile };
  readonly ways: { readonly ask: { readonly document: RigDocument; readonly mixId: string }; readonly gives: readonly WayCompared[] };
  /** The day a rig is judged on, made up where none is written. */
  readonly plan: { readonly ask: { readonly document: RigDocument }; readonly gives: WorkDay };
  readonly day: { readonly ask: { readonly document: RigDocument }; readonly gives: WorkedDay };
  readonly sample: {
    readonly ask: { readonly document: RigDocument; readonly seed: number; readonly from: number; readonly count: number };
    readonly gives: DayChunk;
  };
  readonly gather: { readonly ask: { readonly document: RigDocument; readonly seed: number; readonly part: DayChunk }; readonly gives: DaySample };
  /** Each size judged by up to `most` days. */
  readonly sizing: { readonly ask: { readonly document: RigDocument; readonly most: number; readonly seed: number }; readonly gives: Sizing | undefined };
  readonly swings: { readonly ask: { readonly document: RigDocument; readonly days: number; readonly seed: number }; readonly gives: readonly Swing[] };
  readonly arrange: {
    readonly ask: { readonly document: RigDocument; readonly way: ArrangeWay; readonly seed: number };
    readonly gives: Arrangement | undefined;
  };
  readonly variants: { readonly ask: { readonly document: RigDocument }; readonly gives: readonly Omit<Variant, 'make'>[] };
  /** The rig as this variant would have it; undefined where it cannot be turned to it. */
  readonly variant: { readonly ask: { readonly document: RigDocument; readonly id: string }; readonly gives: RigDocument | undefined };
  /** Each judged by up to `most` days. */
  readonly compare: { readonly ask: { readonly contenders: readonly Contender[]; readonly most: number; readonly seed: number }; readonly gives: Comparison };
}
export type HeavyKind = keyof HeavyWork;
export type HeavyAsk = { [K in HeavyKind]: { readonly kind: K } & HeavyWork[K]['ask'] }[HeavyKind];

const id = v.pipe(v.number(), v.integer(), v.minValue(1));
const KINDS: Readonly<Record<HeavyKind, true>> = {
  read: true,
  ways: true,
  plan: true,
  day: true,
  sample: true,
  gather: true,
  sizing: true,
  swings: true,
  arrange: true,
  variants: true,
  variant: true,
  compare: true,
};
const ask = v.custom<HeavyAsk>((x) => typeof x === 'object' && x !== null && 'kind' in x && typeof x.kind === 'string' && x.kind in KINDS, 'a kind of work');

/** What the page asks of a worker for long work. */
export const HeavyRequestShape = v.union([v.strictObject({ id, ask }), v.strictObject({ id, cancel: v.literal(true) })]);
export type HeavyRequest = v.InferOutput<typeof HeavyRequestShape>;

/** What it answers. */
export const HeavyAnswerShape = v.variant('state', [
  v.strictObject({ id, state: v.literal('working'), share: v.number() }),
  v.strictObject({ id, state: v.literal('done'), value: v.unknown() }),
  v.strictObject({ id, state: v.literal('cancelled') }),
  v.strictObject({ id, state: v.literal('failed'), message: v.string() }),
]);
export type HeavyAnswer = v.InferOutput<typeof HeavyAnswerShape>;
