import type { DocumentPatch, RigDocument, StoredBuild } from '@pozzo/core';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import { applyPatches, enablePatches } from 'immer';

enablePatches();

export type { StoredBuild } from '@pozzo/core';

/** `offline`: it is tried again by itself. `refused`: it waits for a change. `deleted`: the build is gone from the yard. */
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

export interface DocumentState {
  readonly id: string | null;
  /** Of the last acknowledged save. */
  readonly version: number;
  readonly document: RigDocument | null;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly save: SaveState;
  readonly savedAt: string | null;
  readonly loading: boolean;
  readonly loadError: string | null;
  readonly saveError: string | null;
  readonly conflict: StoredBuild | null;
  /** Whether this browser keeps what the server has not acknowledged. */
  readonly kept: boolean;
  /** The revision that it kept last. */
  readonly keptRevision: number;
  /** Edits kept here of a build that could not be opened since it is deleted. */
  readonly orphan: RigDocument | null;
  /** Refusals since the last change: the first is tried once more. */
  readonly refusals: number;
  /** Counts edits, so that a save knows whether something came after it. */
  readonly revision: number;
}

const initial: DocumentState = {
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

export const DocumentActions = createActionGroup({
  source: 'Document',
  events: {
    Open: props<{ id: string }>(),
    /** `pending` are edits kept here from before, newer than what the server holds; `away` when they are all there is. */
    Opened: props<{ build: StoredBuild; pending: RigDocument | null; clash: boolean; away?: boolean }>(),
    'Open Failed': props<{ id: string; message: string; orphan: RigDocument | null }>(),
    Close: emptyProps(),
    Edited: props<{ step: Step }>(),
    Undo: emptyProps(),
    Redo: emptyProps(),
    Saving: emptyProps(),
    Saved: props<{ id: string; version: number; at: string; revision: number }>(),
    /** It is tried again; `message` where the server says why. */
    'Save Offline': props<{ id: string; message: string | null }>(),
    'Save Refused': props<{ id: string; message: string }>(),
    'Save Conflict': props<{ id: string; current: StoredBuild }>(),
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

const edited = (s: DocumentState, document: RigDocument, change: Partial<DocumentState>): DocumentState => ({
  ...s,
  ...change,
  document,
  revision: s.revision + 1,
  refusals: 0,
  save: s.save === 'conflict' || s.save === 'offline' || s.save === 'deleted' ? s.save : 'changed',
});

export const documentFeature = createFeature({
  name: 'document',
  reducer: createReducer(
    initial,
    on(DocumentActions.open, (s, { id }): DocumentState => ({ ...initial, kept: s.kept, id, loading: true })),
    on(DocumentActions.opened, (s, { build, pending, clash, away }): DocumentState => ({
      ...s,
      id: build.id,
      version: build.version,
      document: pending ?? build.document,
      savedAt: build.updatedAt || null,
      loading: false,
      loadError: null,
      past: [],
      future: [],
      save: clash ? 'conflict' : away ? 'offline' : pending ? 'changed' : 'saved',
      conflict: clash ? build : null,
      revision: s.revision + (pending ? 1 : 0),
      // What is pending comes from what is kept.
      keptRevision: s.revision + (pending ? 1 : 0),
    })),
    on(DocumentActions.openFailed, (s, { id, message, orphan }): DocumentState => (id === s.id ? { ...s, loading: false, loadError: message, orphan } : s)),
    on(DocumentActions.close, (s): DocumentState => ({ ...initial, kept: s.kept })),
    on(DocumentActions.edited, (s, { step }): DocumentState =>
      s.document ? edited(s, applyPatches(s.document, [...step.patches]), { past: remember(s.past, step), future: [] }) : s,
    ),
    on(DocumentActions.undo, (s): DocumentState => {
      const step = s.past[s.past.length - 1];
      if (!step || !s.document) return s;
      return edited(s, applyPatches(s.document, [...step.inverse]), { past: s.past.slice(0, -1), future: [step, ...s.future] });
    }),
    on(DocumentActions.redo, (s): DocumentState => {
      const [step, ...rest] = s.future;
      if (!step || !s.document) return s;
      return edited(s, applyPatches(s.document, [...step.patches]), { past: [...s.past, { ...step, key: '' }], future: rest });
    }),
    on(DocumentActions.saving, (s): DocumentState => ({ ...s, save: 'saving', saveError: null })),
    on(DocumentActions.saved, (s, { id, version, at, revision }): DocumentState =>
      id === s.id ? { ...s, version, savedAt: at, save: revision === s.revision ? 'saved' : 'changed', saveError: null, refusals: 0 } : s,
    ),
    on(DocumentActions.saveOffline, (s, { id, message }): DocumentState => (id === s.id ? { ...s, save: 'offline', saveError: message } : s)),
    on(DocumentActions.saveRefused, (s, { id, message }): DocumentState =>
      id === s.id ? { ...s, save: 'refused', saveError: message, refusals: s.refusals + 1 } : s,
    ),
    on(DocumentActions.saveConflict, (s, { id, current }): DocumentState => (id === s.id ? { ...s, save: 'conflict', saveError: null, conflict: current } : s)),
    on(DocumentActions.saveDeleted, (s, { id }): DocumentState => (id === s.id ? { ...s, save: 'deleted', saveError: null } : s)),
    on(DocumentActions.broughtBack, (s, { id, version }): DocumentState =>
      id === s.id && s.save === 'deleted' ? { ...s, version, save: 'changed', revision: s.revision + 1 } : s,
    ),
    on(DocumentActions.keepingFailed, (s): DocumentState => (s.kept ? { ...s, kept: false } : s)),
    on(DocumentActions.keepingWorks, (s, { id, revision }): DocumentState => ({ ...s, kept: true, keptRevision: id === s.id ? revision : s.keptRevision })),
    on(DocumentActions.keepMine, (s): DocumentState =>
      s.conflict ? { ...s, version: s.conflict.version, conflict: null, save: 'changed', revision: s.revision + 1 } : s,
    ),
    on(DocumentActions.takeTheirs, (s): DocumentState =>
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
  ),
});
