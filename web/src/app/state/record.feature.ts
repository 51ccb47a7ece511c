import type { DocumentPatch, Documents, KindName, Stored } from '@pozzo/core';
import { createActionGroup, createFeatureSelector, createReducer, createSelector, emptyProps, type MemoizedSelector, on, props } from '@ngrx/store';
import { applyPatches, enablePatches } from 'immer';

enablePatches();

/** `offline`: it is tried again by itself. `refused`: it waits for a change. `deleted`: the record is gone. */
export type SaveState = 'saved' | 'changed' | 'saving' | 'offline' | 'conflict' | 'refused' | 'deleted';

/** One step of history: how to do it and how to take it back. */
export interface Step {
  readonly label: string;
  readonly patches: readonly DocumentPatch[];
  readonly inverse: readonly DocumentPatch[];
  /** Steps with the same key close together in time count as one. */
  readonly key: string;
  /** One of a movement of the hand that has this key to itself: it counts as one with the last, however long the hand waits. */
  readonly gesture?: boolean;
  /** ms. */
  readonly at: number;
}

/** A record as it is open here. */
export interface RecordState<D> {
  readonly id: string | null;
  /** Of the last acknowledged save. */
  readonly version: number;
  readonly document: D | null;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly save: SaveState;
  readonly savedAt: string | null;
  readonly loading: boolean;
  readonly loadError: string | null;
  readonly saveError: string | null;
  readonly conflict: Stored<D> | null;
  /** Whether this browser keeps what the server has not acknowledged. */
  readonly kept: boolean;
  /** The revision that it kept last. */
  readonly keptRevision: number;
  /** Edits kept here of a record that could not be opened since it is deleted. */
  readonly orphan: D | null;
  /** Refusals since the last change: the first is tried once more. */
  readonly refusals: number;
  /** Counts edits, so that a save knows whether something came after it. */
  readonly revision: number;
}

const initial: RecordState<never> = {
  id: null,
  version: 0,
  document: null,
  past: [],
  future: [],
  save: 'saved',
  savedAt: null,
  loading: false,
  loadError: null,
  saveError: null,
  conflict: null,
  kept: true,
  keptRevision: 0,
  orphan: null,
  refusals: 0,
  revision: 0,
};

const actionsOf = <D>(kind: KindName) =>
  createActionGroup({
    source: `Open ${kind}` as const,
    events: {
      Open: props<{ id: string }>(),
      /** `pending` are edits kept here from before, newer than what the server holds; `away` when they are all there is. */
      Opened: props<{ stored: Stored<D>; pending: D | null; clash: boolean; away?: boolean }>(),
      'Open Failed': props<{ id: string; message: string; orphan: D | null }>(),
      Close: emptyProps(),
      Edited: props<{ step: Step }>(),
      Undo: emptyProps(),
      Redo: emptyProps(),
      Saving: emptyProps(),
      Saved: props<{ id: string; version: number; at: string; revision: number }>(),
      /** It is tried again; `message` where the server says why. */
      'Save Offline': props<{ id: string; message: string | null }>(),
      'Save Refused': props<{ id: string; message: string }>(),
      'Save Conflict': props<{ id: string; current: Stored<D> }>(),
      'Save Deleted': props<{ id: string }>(),
      'Bring Back': emptyProps(),
      'Brought Back': props<{ id: string; version: number }>(),
      'Keep As New': emptyProps(),
      'Keeping Failed': emptyProps(),
      'Keeping Works': props<{ id: string; revision: number }>(),
      'Keep Mine': emptyProps(),
      'Take Theirs': emptyProps(),
    },
  });

const COALESCE_MS = 1500;
const MOST_STEPS = 500;

/** Adds a step to history, joining it to the last one when both come from the same field in quick succession, or from one movement of the hand. */
export function remember(past: readonly Step[], step: Step): readonly Step[] {
  const last = past[past.length - 1];
  if (last && step.key !== '' && last.key === step.key && (step.gesture || step.at - last.at < COALESCE_MS))
    return [...past.slice(0, -1), { ...step, patches: [...last.patches, ...step.patches], inverse: [...step.inverse, ...last.inverse] }];
  return [...past, step].slice(-MOST_STEPS);
}

const edited = <D>(s: RecordState<D>, document: D, change: Partial<RecordState<D>>): RecordState<D> => ({
  ...s,
  ...change,
  document,
  revision: s.revision + 1,
  refusals: 0,
  save: s.save === 'conflict' || s.save === 'offline' || s.save === 'deleted' ? s.save : 'changed',
});

const reducerOf = <D extends object>(A: ReturnType<typeof actionsOf<D>>) =>
  createReducer(
    initial as RecordState<D>,
    on(A.open, (s, { id }): RecordState<D> => ({ ...initial, kept: s.kept, id, loading: true })),
    on(A.opened, (s, { stored, pending, clash, away }): RecordState<D> => ({
      ...s,
      id: stored.id,
      version: stored.version,
      document: pending ?? stored.document,
      savedAt: stored.updatedAt || null,
      loading: false,
      loadError: null,
      past: [],
      future: [],
      save: clash ? 'conflict' : away ? 'offline' : pending ? 'changed' : 'saved',
      conflict: clash ? stored : null,
      revision: s.revision + (pending ? 1 : 0),
      // What is pending comes from what is kept.
      keptRevision: s.revision + (pending ? 1 : 0),
    })),
    on(A.openFailed, (s, { id, message, orphan }): RecordState<D> => (id === s.id ? { ...s, loading: false, loadError: message, orphan } : s)),
    on(A.close, (s): RecordState<D> => ({ ...initial, kept: s.kept })),
    on(A.edited, (s, { step }): RecordState<D> =>
      s.document ? edited(s, applyPatches(s.document, [...step.patches]), { past: remember(s.past, step), future: [] }) : s,
    ),
    on(A.undo, (s): RecordState<D> => {
      const step = s.past[s.past.length - 1];
      if (!step || !s.document) return s;
      return edited(s, applyPatches(s.document, [...step.inverse]), { past: s.past.slice(0, -1), future: [step, ...s.future] });
    }),
    on(A.redo, (s): RecordState<D> => {
      const [step, ...rest] = s.future;
      if (!step || !s.document) return s;
      return edited(s, applyPatches(s.document, [...step.patches]), { past: [...s.past, { ...step, key: '' }], future: rest });
    }),
    on(A.saving, (s): RecordState<D> => ({ ...s, save: 'saving', saveError: null })),
    on(A.saved, (s, { id, version, at, revision }): RecordState<D> =>
      id === s.id ? { ...s, version, savedAt: at, save: revision === s.revision ? 'saved' : 'changed', saveError: null, refusals: 0 } : s,
    ),
    on(A.saveOffline, (s, { id, message }): RecordState<D> => (id === s.id ? { ...s, save: 'offline', saveError: message } : s)),
    on(A.saveRefused, (s, { id, message }): RecordState<D> => (id === s.id ? { ...s, save: 'refused', saveError: message, refusals: s.refusals + 1 } : s)),
    on(A.saveConflict, (s, { id, current }): RecordState<D> => (id === s.id ? { ...s, save: 'conflict', saveError: null, conflict: current } : s)),
    on(A.saveDeleted, (s, { id }): RecordState<D> => (id === s.id ? { ...s, save: 'deleted', saveError: null } : s)),
    on(A.broughtBack, (s, { id, version }): RecordState<D> =>
      id === s.id && s.save === 'deleted' ? { ...s, version, save: 'changed', revision: s.revision + 1 } : s,
    ),
    on(A.keepingFailed, (s): RecordState<D> => (s.kept ? { ...s, kept: false } : s)),
    on(A.keepingWorks, (s, { id, revision }): RecordState<D> => ({ ...s, kept: true, keptRevision: id === s.id ? revision : s.keptRevision })),
    on(A.keepMine, (s): RecordState<D> => (s.conflict ? { ...s, version: s.conflict.version, conflict: null, save: 'changed', revision: s.revision + 1 } : s)),
    on(A.takeTheirs, (s): RecordState<D> =>
      s.conflict
        ? {
            ...s,
            version: s.conflict.version,
            document: s.conflict.document,
            savedAt: s.conflict.updatedAt,
            conflict: null,
            save: 'saved',
            past: [],
            future: [],
            revision: s.revision + 1,
          }
        : s,
    ),
  );

/** The open record of a kind: one at a time in a tab. */
export interface RecordOf<K extends KindName> {
  readonly kind: K;
  /** Of its slice of the store. */
  readonly name: string;
  readonly actions: ReturnType<typeof actionsOf<Documents[K]>>;
  readonly reducer: ReturnType<typeof reducerOf<Documents[K]>>;
  readonly selectState: MemoizedSelector<object, RecordState<Documents[K]>>;
  readonly selectDocument: MemoizedSelector<object, Documents[K] | null>;
  readonly selectId: MemoizedSelector<object, string | null>;
}

function recordOf<K extends KindName>(kind: K): RecordOf<K> {
  const name = `open-${kind}`;
  const actions = actionsOf<Documents[K]>(kind);
  const selectState = createFeatureSelector<RecordState<Documents[K]>>(name);
  return {
    kind,
    name,
    actions,
    reducer: reducerOf(actions),
    selectState,
    selectDocument: createSelector(selectState, (s) => s.document),
    selectId: createSelector(selectState, (s) => s.id),
  };
}

export const openBuild = recordOf('build');
export const openWorkshop = recordOf('workshop');
/** What is done with the open build. */
export const DocumentActions = openBuild.actions;
export type BuildState = RecordState<Documents['build']>;
