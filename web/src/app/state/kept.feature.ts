import type { KindName } from '@pozzo/core';
import { shownOf } from './kinds';
import type { KeptEdit } from './outbox';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';

/** Why edits kept here are not on the server. */
export type KeptWhy = 'clash' | 'deleted' | 'refused';

/** Edits of a record that is not open, kept here, which somebody has to decide about. */
export interface KeptLeft {
  readonly kind: KindName;
  readonly id: string;
  readonly tab: string;
  readonly name: string;
  readonly at: string;
  readonly why: KeptWhy;
  readonly message: string;
}

type KeptKey = Pick<KeptLeft, 'kind' | 'id' | 'tab'>;

export const KeptActions = createActionGroup({
  source: 'Kept',
  events: {
    /** Sends all that is kept of records that are not open. */
    Send: emptyProps(),
    Left: props<{ left: readonly KeptLeft[] }>(),
    'Keep As New': props<KeptKey>(),
    Forget: props<KeptKey>(),
  },
});

/** What an edit is called where it is told of: its record's name as it was edited. */
export const nameOfKept = (e: Pick<KeptEdit, 'kind' | 'document'>): string => shownOf(e.kind).nameOf(e.document);

export const keptFeature = createFeature({
  name: 'kept',
  reducer: createReducer(
    { left: [] as readonly KeptLeft[] },
    on(KeptActions.left, (_s, { left }) => ({ left })),
  ),
});
