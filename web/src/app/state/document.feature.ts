import type { DocumentPatch, RigDocument } from '@pozzo/core';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import { applyPatches, enablePatches } from 'immer';

enablePatches();

export type SaveState = 'saved' | 'changed' | 'saving' | 'offline' | 'conflict' | 'refused';

export interface StoredBuild {
  readonly id: string;
  readonly version: number;
  readonly document: RigDocument;
  readonly updatedAt: string;
}

/** One step of history: how to do it and how to take it back. */
export interface Step {
  readonly label: string;
  readonly patches: readonly DocumentPatch[];
  readonly inverse: readonly DocumentPatch[];
  /** Steps with the same key close together in time count as one. */
  readonly key: string;
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
  revision: 0,
};

export const DocumentActions = createActionGroup({
  source: 'Document',
  events: {
    Open: props<{ id: string }>(),
    /** `pending` are edits kept here from before, newer than what the server holds. */
    Opened: props<{ build: StoredBuild; pending: RigDocument | null; clash: boolean }>(),
    'Open Failed': props<{ message: string }>(),
    Close: emptyProps(),
    Edited: props<{ step: Step }>(),
    Undo: emptyProps(),
    Redo: emptyProps(),
    Saving: emptyProps(),
    Saved: props<{ id: string; version: number; at: string; revision: number }>(),
    'Save Offline': emptyProps(),
    'Save Refused': props<{ message: string }>(),
    'Save Conflict': props<{ current: StoredBuild }>(),
    'Keep Mine': emptyProps(),
    'Take Theirs': emptyProps(),
  },
});

const COALESCE_MS = 1500;
const MOST_STEPS = 500;

/** Adds a step to history, joining it to the last one when both come from the same field in quick succession. */
export function remember(past: readonly Step[], step: Step): readonly Step[] {
  const last = past[past.length - 1];
  if (last && step.key !== '' && last.key === step.key && step.at - last.at < COALESCE_MS)
    return [...past.slice(0, -1), { ...step, patches: [...last.patches, ...step.patches], inverse: [...step.inverse, ...last.inverse] }];
  return [...past, step].slice(-MOST_STEPS);
}

const edited = (s: DocumentState, document: RigDocument, change: Partial<DocumentState>): DocumentState => ({
  ...s,
  ...change,
  document,
  revision: s.revision + 1,
  save: s.save === 'conflict' ? 'conflict' : s.save === 'offline' ? 'offline' : 'changed',
});

export const documentFeature = createFeature({
  name: 'document',
  reducer: createReducer(
    initial,
    on(DocumentActions.open, (_s, { id }): DocumentState => ({ ...initial, id, loading: true })),
    on(DocumentActions.opened, (s, { build, pending, clash }): DocumentState => ({
      ...s,
      id: build.id,
      version: build.version,
      document: pending ?? build.document,
      savedAt: build.updatedAt,
      loading: false,
      loadError: null,
      past: [],
      future: [],
      save: clash ? 'conflict' : pending ? 'changed' : 'saved',
      conflict: clash ? build : null,
      revision: s.revision + (pending ? 1 : 0),
    })),
    on(DocumentActions.openFailed, (s, { message }): DocumentState => ({ ...s, loading: false, loadError: message })),
    on(DocumentActions.close, (): DocumentState => initial),
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
      id === s.id ? { ...s, version, savedAt: at, save: revision === s.revision ? 'saved' : 'changed', saveError: null } : s,
    ),
    on(DocumentActions.saveOffline, (s): DocumentState => ({ ...s, save: 'offline' })),
    on(DocumentActions.saveRefused, (s, { message }): DocumentState => ({ ...s, save: 'refused', saveError: message })),
    on(DocumentActions.saveConflict, (s, { current }): DocumentState => ({ ...s, save: 'conflict', conflict: current })),
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
