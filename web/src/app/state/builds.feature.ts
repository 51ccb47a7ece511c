import type { Message, RigDocument, Verdict } from '@pozzo/core';
import { createEntityAdapter, type EntityState } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';

/** A build's line in the yard. */
export interface BuildSummary {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly name: string;
  readonly customer: string;
  readonly verdict: Verdict;
  readonly headline: Message;
  readonly machines: number;
  readonly tanks: number;
}

export type LoadState = 'idle' | 'loading' | 'loaded' | 'failed';

export interface BuildsState extends EntityState<BuildSummary> {
  readonly load: LoadState;
  readonly error: string | null;
}

const adapter = createEntityAdapter<BuildSummary>();
const initial: BuildsState = { ...adapter.getInitialState(), load: 'idle', error: null };

export const BuildsActions = createActionGroup({
  source: 'Builds',
  events: {
    Load: emptyProps(),
    Loaded: props<{ builds: BuildSummary[] }>(),
    Failed: props<{ message: string }>(),
    Add: props<{ document: RigDocument; open: boolean }>(),
    Rename: props<{ id: string; name: string; customer: string }>(),
    Duplicate: props<{ id: string }>(),
    Remove: props<{ id: string; name: string }>(),
    Removed: props<{ id: string; name: string }>(),
    Restore: props<{ id: string }>(),
  },
});

export const buildsFeature = createFeature({
  name: 'builds',
  reducer: createReducer(
    initial,
    on(BuildsActions.load, (s): BuildsState => ({ ...s, load: s.load === 'loaded' ? 'loaded' : 'loading', error: null })),
    on(BuildsActions.loaded, (s, { builds }): BuildsState => adapter.setAll(builds, { ...s, load: 'loaded', error: null })),
    on(BuildsActions.failed, (s, { message }): BuildsState => ({ ...s, load: s.load === 'loaded' ? 'loaded' : 'failed', error: message })),
    on(BuildsActions.removed, (s, { id }): BuildsState => adapter.removeOne(id, s)),
  ),
  extraSelectors: ({ selectBuildsState }) => ({ selectAll: adapter.getSelectors(selectBuildsState).selectAll }),
});
