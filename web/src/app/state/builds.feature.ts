import type { Chance, Message, RigDocument, Verdict } from '@pozzo/core';
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

/** Chance of a short day of one version of a build, and what its customer allows. */
export interface BuildChance {
  readonly version: number;
  readonly short: Chance;
  readonly tolerance: number;
}

export type LoadState = 'idle' | 'loading' | 'loaded' | 'failed';

export interface BuildsState extends EntityState<BuildSummary> {
  readonly load: LoadState;
  readonly error: string | null;
  /** By build, as far as they are known. */
  readonly chances: Readonly<Record<string, BuildChance>>;
}

const adapter = createEntityAdapter<BuildSummary>();
const initial: BuildsState = { ...adapter.getInitialState(), load: 'idle', error: null, chances: {} };

export const BuildsActions = createActionGroup({
  source: 'Builds',
  events: {
    Load: emptyProps(),
    /** The yard is left: what still runs for it stops. */
    Leave: emptyProps(),
    Chance: props<{ id: string; chance: BuildChance }>(),
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
    on(BuildsActions.chance, (s, { id, chance }): BuildsState => ({ ...s, chances: { ...s.chances, [id]: chance } })),
    on(BuildsActions.removed, (s, { id }): BuildsState => adapter.removeOne(id, s)),
  ),
  extraSelectors: ({ selectBuildsState }) => ({ selectAll: adapter.getSelectors(selectBuildsState).selectAll }),
});
