import { DAYS_UNASKED } from '@pozzo/core/page';
import type { Comparison, DayResult, DaySample, DayWeight, RigDocument, Sizing, Swing, WorkDayDocument } from '@pozzo/core';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import { DocumentActions, openBuild } from './record.feature';

/** A piece of long work: how far it is, and how it ended. What it gave stays until something newer comes. */
export interface Work<T> {
  readonly state: 'idle' | 'working' | 'done' | 'cancelled' | 'failed';
  /** 0 to 1. */
  readonly share: number;
  readonly value: T | null;
  readonly error: string | null;
}

const idle: Work<never> = { state: 'idle', share: 0, value: null, error: null };

/** A day made up for a document in which none is written. */
export interface MadeDay {
  readonly of: RigDocument;
  readonly day: WorkDayDocument;
}

export interface DayState {
  /** The usual day, worked through. */
  readonly usual: DayResult | null;
  /** As it would be written down; null where it is. */
  readonly made: MadeDay | null;
  /** What it puts on axles and coupling; null without a platform. */
  readonly weighed: DayWeight | null;
  /** Looked at, s after the day's start; null for the day as a whole. */
  readonly minute: number | null;
  readonly sample: Work<DaySample>;
  /** Most days that the rig, its sizes and its options are judged by: more once more were asked for. */
  readonly most: number;
  /** The document that is sampled, or was last. */
  readonly sampledOf: RigDocument | null;
  readonly sizing: Work<Sizing>;
  readonly swings: Work<readonly Swing[]>;
  readonly comparison: Work<Comparison>;
}

/** What makes the open build another one. */
export const CHANGES = [DocumentActions.edited, DocumentActions.undo, DocumentActions.redo, DocumentActions.takeTheirs] as const;

const initial: DayState = {
  usual: null,
  made: null,
  weighed: null,
  minute: null,
  most: DAYS_UNASKED,
  sampledOf: null,
  sample: idle,
  sizing: idle,
  swings: idle,
  comparison: idle,
};

export type WorkName = 'sample' | 'sizing' | 'swings' | 'comparison';
type Value = DaySample | Sizing | readonly Swing[] | Comparison;

export const DayActions = createActionGroup({
  source: 'Day',
  events: {
    /** A view that shows the day is open; its figures follow the document from now on. */
    Watch: emptyProps(),
    Leave: emptyProps(),
    Worked: props<{ day: DayResult | null; weight: DayWeight | null; made: MadeDay | null }>(),
    Look: props<{ minute: number | null }>(),
    /** As far as it takes to know. */
    Sample: emptyProps(),
    /** So many, even where fewer would be enough. */
    'Sample More': props<{ days: number }>(),
    Size: emptyProps(),
    Compare: emptyProps(),
    Cancel: props<{ work: WorkName }>(),
    Begun: props<{ work: WorkName }>(),
    /** Sampling of this document begins. */
    Sampling: props<{ of: RigDocument }>(),
    Progress: props<{ work: WorkName; share: number; value: Value | null }>(),
    Done: props<{ work: WorkName; value: Value | null }>(),
    Failed: props<{ work: WorkName; message: string }>(),
  },
});

const set = (s: DayState, work: WorkName, change: Partial<Work<Value>>): DayState => ({ ...s, [work]: { ...s[work], ...change } });

export const dayFeature = createFeature({
  name: 'day',
  reducer: createReducer(
    initial,
    on(DocumentActions.open, DocumentActions.close, (): DayState => initial),
    on(DayActions.leave, (s): DayState => ({ ...s, minute: null })),
    on(DayActions.worked, (s, { day, weight, made }): DayState => ({
      ...s,
      usual: day,
      weighed: weight,
      made,
      minute: s.minute === null || !day ? null : Math.min(s.minute, day.lengthS),
    })),
    // Sizes and swings speak of the rig as it was.
    on(...CHANGES, (s): DayState => ({ ...s, sizing: idle, swings: idle })),
    on(DayActions.look, (s, { minute }): DayState => ({ ...s, minute })),
    on(DayActions.begun, (s, { work }): DayState => set(s, work, { state: 'working', share: 0, error: null })),
    on(DayActions.sampleMore, (s, { days }): DayState => ({ ...s, most: Math.max(s.most, days) })),
    on(DayActions.sampling, (s, { of }): DayState => ({ ...s, sampledOf: of })),
    on(DayActions.progress, (s, { work, share, value }): DayState => set(s, work, value ? { share, value } : { share })),
    on(DayActions.done, (s, { work, value }): DayState => set(s, work, { state: 'done', share: 1, value })),
    on(DayActions.cancel, (s, { work }): DayState => (s[work].state === 'working' ? set(s, work, { state: 'cancelled' }) : s)),
    on(DayActions.failed, (s, { work, message }): DayState => set(s, work, { state: 'failed', error: message })),
  ),
  extraSelectors: ({ selectSampledOf, selectSample }) => ({
    /** Whether the days that were sampled are those of the document as it is now. */
    selectFits: createSelector(
      selectSampledOf,
      selectSample,
      openBuild.selectDocument,
      (of, sample, now) => of !== null && of === now && sample.state === 'done' && sample.value !== null,
    ),
  }),
});
