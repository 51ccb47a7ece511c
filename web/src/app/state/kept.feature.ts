import type { KeptEdit } from './kept-edits';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';

/** Why edits kept here are not on the server. */
export type KeptWhy = 'clash' | 'deleted' | 'refused';

/** Edits of a build that is not open, kept here, which somebody has to decide about. */
export interface KeptLeft {
  readonly id: string;
  readonly tab: string;
  readonly name: string;
  readonly at: string;
  readonly why: KeptWhy;
  readonly message: string;
}

export const KeptActions = createActionGroup({
  source: 'Kept',
  events: {
    /** Sends all that is kept of builds that are not open. */
    Send: emptyProps(),
    Left: props<{ left: readonly KeptLeft[] }>(),
    'Keep As New': props<{ id: string; tab: string }>(),
    Forget: props<{ id: string; tab: string }>(),
  },
});

/** What an edit is called where it is told of: its build's name as it was edited. */
export const nameOfKept = (e: Pick<KeptEdit, 'document'>): string => e.document.name;

export const keptFeature = createFeature({
  name: 'kept',
  reducer: createReducer(
    { left: [] as readonly KeptLeft[] },
    on(KeptActions.left, (_s, { left }) => ({ left })),
  ),
});
