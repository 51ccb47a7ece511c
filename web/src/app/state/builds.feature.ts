import type { BuildPage, BuildSummary, RigDocument } from '@pozzo/core';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';

export type { BuildSummary } from '@pozzo/core';
export type LoadState = 'idle' | 'loading' | 'loaded' | 'failed';

/** Rows fetched at once. */
export const PAGE = 100;

export interface BuildsState {
  /** A row a build that matches, in order; null where it has not been fetched. */
  readonly rows: readonly (BuildSummary | null)[];
  /** Builds in the yard, whatever is looked for. */
  readonly all: number;
  readonly find: string;
  /** Rows on the screen. */
  readonly from: number;
  readonly to: number;
  readonly load: LoadState;
  readonly error: string | null;
}

const initial: BuildsState = { rows: [], all: 0, find: '', from: 0, to: 0, load: 'idle', error: null };

export const BuildsActions = createActionGroup({
  source: 'Builds',
  events: {
    Load: emptyProps(),
    Find: props<{ find: string }>(),
    /** These rows came onto the screen. */
    Show: props<{ from: number; to: number }>(),
    /** What is on the screen may have changed. */
    'Look Again': emptyProps(),
    /** The yard is left: what still runs for it stops. */
    Leave: emptyProps(),
    Loaded: props<{ find: string; page: BuildPage }>(),
    Failed: props<{ message: string }>(),
    Add: props<{ document: RigDocument; open: boolean }>(),
    Rename: props<{ id: string; name: string; customer: string }>(),
    Duplicate: props<{ id: string }>(),
    Remove: props<{ id: string; name: string }>(),
    Removed: props<{ id: string; name: string }>(),
    Restore: props<{ id: string }>(),
  },
});

/** Rows with a page laid into them: as many as match, what was fetched before kept where the page says nothing. */
function laid(s: BuildsState, page: BuildPage): readonly (BuildSummary | null)[] {
  const rows = Array.from({ length: page.total }, (_, i) => s.rows[i] ?? null);
  page.builds.forEach((b, i) => {
    if (page.from + i < rows.length) rows[page.from + i] = b;
  });
  // Rows moved when the number did: those not of this page are fetched anew.
  if (s.rows.length !== page.total) for (let i = 0; i < rows.length; i++) if (i < page.from || i >= page.from + page.builds.length) rows[i] = null;
  return rows;
}

export const buildsFeature = createFeature({
  name: 'builds',
  reducer: createReducer(
    initial,
    on(BuildsActions.load, (s): BuildsState => ({ ...s, load: s.load === 'loaded' ? 'loaded' : 'loading', error: null })),
    on(BuildsActions.find, (s, { find }): BuildsState => ({ ...s, find, from: 0, to: 0 })),
    on(BuildsActions.show, (s, { from, to }): BuildsState => ({ ...s, from, to })),
    on(BuildsActions.loaded, (s, { find, page }): BuildsState =>
      find === s.find ? { ...s, rows: laid(s, page), all: page.all, load: 'loaded', error: null } : s,
    ),
    on(BuildsActions.failed, (s, { message }): BuildsState => ({ ...s, load: s.load === 'loaded' ? 'loaded' : 'failed', error: message })),
    on(BuildsActions.removed, (s, { id }): BuildsState => ({ ...s, rows: s.rows.filter((r) => r?.id !== id), all: Math.max(0, s.all - 1) })),
  ),
  extraSelectors: ({ selectRows, selectFrom, selectTo }) => ({
    /** Whether something on the screen is still being judged. */
    selectJudging: createSelector(selectRows, selectFrom, selectTo, (rows, from, to) => rows.slice(from, to + 1).some((r) => r !== null && !r.judged?.sampled)),
  }),
});
