import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, concatMap, debounceTime, EMPTY, exhaustMap, filter, from, fromEvent, merge, of, switchMap, tap, timer, withLatestFrom } from 'rxjs';
import { Api, ApiError } from './api';
import { DocumentActions, documentFeature, type StoredBuild } from './document.feature';
import { KeptEdits } from './kept-edits';

const SAVE_AFTER_MS = 500;
const RETRY_MS = 4000;

const changes = [DocumentActions.edited, DocumentActions.undo, DocumentActions.redo, DocumentActions.keepMine] as const;

export const openDocument = createEffect(
  (actions = inject(Actions), api = inject(Api), kept = inject(KeptEdits)) =>
    actions.pipe(
      ofType(DocumentActions.open),
      switchMap(({ id }) =>
        from(Promise.all([api.get(id), kept.get(id).catch(() => undefined)])).pipe(
          concatMap(([build, edit]) => {
            const same = edit && JSON.stringify(edit.document) === JSON.stringify(build.document);
            if (!edit || same) return of(DocumentActions.opened({ build, pending: null, clash: false }));
            return of(DocumentActions.opened({ build, pending: edit.document, clash: edit.version !== build.version }));
          }),
          catchError((error: unknown) => of(DocumentActions.openFailed({ message: error instanceof Error ? error.message : 'It could not be opened.' }))),
        ),
      ),
    ),
  { functional: true },
);

/** Every edit is kept in this browser at once, so that closing the page loses nothing. */
export const keepEdits = createEffect(
  (actions = inject(Actions), store = inject(Store), kept = inject(KeptEdits)) =>
    actions.pipe(
      ofType(...changes),
      withLatestFrom(store.select(documentFeature.selectDocumentState)),
      concatMap(([, s]) => (s.id && s.document ? from(kept.keep({ id: s.id, version: s.version, document: s.document }).catch(() => undefined)) : EMPTY)),
    ),
  { functional: true, dispatch: false },
);

/** Saves a moment after the last edit; while the server is away tries again every few seconds and when the network returns. */
export const saveDocument = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), kept = inject(KeptEdits)) =>
    merge(
      actions.pipe(ofType(...changes, DocumentActions.opened), debounceTime(SAVE_AFTER_MS)),
      actions.pipe(
        ofType(DocumentActions.saveOffline),
        switchMap(() => timer(RETRY_MS)),
      ),
      actions.pipe(ofType(DocumentActions.saved)),
      typeof window === 'undefined' ? EMPTY : fromEvent(window, 'online'),
    ).pipe(
      withLatestFrom(store.select(documentFeature.selectDocumentState)),
      filter(([, s]) => s.id !== null && s.document !== null && (s.save === 'changed' || s.save === 'offline')),
      exhaustMap(([, s]) => {
        const { id, version, document, revision, save } = s;
        if (save !== 'offline') store.dispatch(DocumentActions.saving());
        return from(api.save(id!, version, document!)).pipe(
          concatMap(async (done) => {
            const left = await kept.get(id!).catch(() => undefined);
            if (left && JSON.stringify(left.document) === JSON.stringify(document)) await kept.forget(id!).catch(() => undefined);
            else if (left) await kept.keep({ ...left, version: done.version }).catch(() => undefined);
            return DocumentActions.saved({ id: id!, version: done.version, at: done.updatedAt, revision });
          }),
          catchError((error: unknown) => {
            if (error instanceof ApiError && error.status === 409 && error.body['current'])
              return of(DocumentActions.saveConflict({ current: error.body['current'] as StoredBuild }));
            if (error instanceof ApiError && !error.offline) return of(DocumentActions.saveRefused({ message: error.message }));
            return of(DocumentActions.saveOffline());
          }),
        );
      }),
    ),
  { functional: true },
);

export const forgetOnTheirs = createEffect(
  (actions = inject(Actions), store = inject(Store), kept = inject(KeptEdits)) =>
    actions.pipe(
      ofType(DocumentActions.takeTheirs),
      withLatestFrom(store.select(documentFeature.selectId)),
      tap(([, id]) => void (id && kept.forget(id).catch(() => undefined))),
    ),
  { functional: true, dispatch: false },
);
