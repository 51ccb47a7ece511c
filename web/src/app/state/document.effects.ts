import { inject } from '@angular/core';
import { Router } from '@angular/router';
import type { StoredBuild } from '@pozzo/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { type Action, Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  delay,
  EMPTY,
  exhaustMap,
  filter,
  from,
  fromEvent,
  map,
  merge,
  type Observable,
  of,
  pairwise,
  switchMap,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import { Api, ApiError, asApiError } from './api';
import { DocumentActions, documentFeature, type DocumentState } from './document.feature';
import { type KeptEdit, KeptEdits } from './kept-edits';
import { newId } from './new-id';
import { Requests } from './requests';

const SAVE_AFTER_MS = 500;
const RETRY_MS = 4000;

const changes = [DocumentActions.edited, DocumentActions.undo, DocumentActions.redo, DocumentActions.keepMine] as const;
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** This tab's edits of a build, or the newest of tabs that are gone; what does not keep has none. */
async function keptOf(kept: KeptEdits, id: string): Promise<KeptEdit | undefined> {
  const left = (await kept.left().catch(() => [])).filter((e) => e.id === id);
  return left.find((e) => e.tab === kept.tab) ?? left.at(-1);
}

/** The build as it opens: the server's, with the edits that were kept here over it. */
async function opening(id: string, revision: number, api: Api, kept: KeptEdits, requests: Requests): Promise<Action> {
  const [build, edit] = await Promise.all([api.get(id).catch((e: unknown) => asApiError(e)), keptOf(kept, id)]);
  if (build instanceof ApiError) {
    if (edit && build.status === 404) return DocumentActions.openFailed({ id, message: build.message, orphan: edit.document });
    if (!edit || !build.passing) return DocumentActions.openFailed({ id, message: build.message, orphan: null });
    // The server is away, but what was being worked on is here.
    await kept.adopt(edit).catch(() => undefined);
    requests.name(id, revision + 1, edit.request, edit.unanswered);
    const last: StoredBuild = { id, version: edit.version, document: edit.document, updatedAt: '' };
    return DocumentActions.opened({ build: last, pending: edit.document, clash: false, away: true });
  }
  if (edit && same(edit.document, build.document)) await kept.forget(id, edit.tab).catch(() => undefined);
  else if (edit) {
    await kept.adopt(edit).catch(() => undefined);
    // Saves of one's own that landed unheard are no clash.
    requests.name(id, revision + 1, edit.request, edit.unanswered);
    const own = edit.version === build.version || edit.unanswered.length > 0;
    return DocumentActions.opened({ build: own ? { ...build, version: edit.version } : build, pending: edit.document, clash: !own });
  }
  return DocumentActions.opened({ build, pending: null, clash: false });
}

export const openDocument = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), kept = inject(KeptEdits), requests = inject(Requests)) =>
    actions.pipe(
      ofType(DocumentActions.open),
      withLatestFrom(store.select(documentFeature.selectRevision)),
      switchMap(([{ id }, revision]) => opening(id, revision, api, kept, requests)),
    ),
  { functional: true },
);

/** Every edit is kept in this browser at once, so that closing the page loses nothing; that it is not kept is told. */
export const keepEdits = createEffect(
  (actions = inject(Actions), store = inject(Store), kept = inject(KeptEdits), requests = inject(Requests)) =>
    merge(actions.pipe(ofType(...changes)), kept.usable).pipe(
      withLatestFrom(store.select(documentFeature.selectDocumentState)),
      concatMap(([, s]) => {
        const { id, revision } = s;
        if (!id || !s.document || s.save === 'saved') return EMPTY;
        const request = requests.of(id, revision);
        return from(kept.keep({ id, version: s.version, document: s.document, request, unanswered: [...requests.unanswered(id, request)] })).pipe(
          map(() => DocumentActions.keepingWorks({ id, revision })),
          catchError(() => of(DocumentActions.keepingFailed())),
        );
      }),
    ),
  { functional: true },
);

/** After an answer: what was sent is forgotten here, what came after it stands on the new version. Own edits only. */
async function settle(kept: KeptEdits, id: string, sent: unknown, version: number): Promise<void> {
  const left = await kept.mine(id);
  if (!left) return;
  if (same(left.document, sent)) await kept.forget(id);
  else await kept.keep({ ...left, version, unanswered: [] });
}

/** Sends a state of a build, and says in an action how it went. */
async function send(s: DocumentState, api: Api, kept: KeptEdits, requests: Requests): Promise<Action> {
  const id = s.id!;
  const request = requests.of(id, s.revision);
  const unanswered = requests.unanswered(id, request);
  requests.sending(id, request);
  try {
    const done = await api.save(id, s.version, s.document!, { request, unanswered });
    requests.answered(id);
    await settle(kept, id, s.document, done.version).catch(() => undefined);
    return DocumentActions.saved({ id, version: done.version, at: done.updatedAt, revision: s.revision });
  } catch (error) {
    const e = asApiError(error);
    if (e.passing) return DocumentActions.saveOffline({ id, message: e.told ? e.message : null });
    requests.answered(id);
    if (e.status === 409 && e.body['current']) return DocumentActions.saveConflict({ id, current: e.body['current'] as StoredBuild });
    if (e.status === 404) return DocumentActions.saveDeleted({ id });
    return DocumentActions.saveRefused({ id, message: e.message });
  }
}

/**
 * Saves a moment after the last edit; while the server is away tries again every few seconds and when the network
 * returns. What is refused is tried once more: the refusal may have been somebody else's.
 */
export const saveDocument = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), kept = inject(KeptEdits), requests = inject(Requests)) =>
    merge(
      actions.pipe(ofType(...changes, DocumentActions.opened, DocumentActions.broughtBack), debounceTime(SAVE_AFTER_MS)),
      actions.pipe(
        ofType(DocumentActions.saveOffline, DocumentActions.saveRefused),
        switchMap(() => timer(RETRY_MS)),
      ),
      // What was edited while a save was under way goes next: once that save has wholly ended, as this takes one at a time.
      actions.pipe(ofType(DocumentActions.saved), delay(0)),
      typeof window === 'undefined' ? EMPTY : fromEvent(window, 'online'),
    ).pipe(
      withLatestFrom(store.select(documentFeature.selectDocumentState)),
      filter(([, s]) => s.id !== null && s.document !== null && (s.save === 'changed' || s.save === 'offline' || (s.save === 'refused' && s.refusals === 1))),
      exhaustMap(([, s]) => {
        if (s.save === 'changed') store.dispatch(DocumentActions.saving());
        return from(send(s, api, kept, requests));
      }),
    ),
  { functional: true },
);

/** Leaving a build sends what was not sent yet; what does not go through stays kept and is sent later. */
export const sendOnLeaving = createEffect(
  (store = inject(Store), api = inject(Api), kept = inject(KeptEdits), requests = inject(Requests)) =>
    store.select(documentFeature.selectDocumentState).pipe(
      pairwise(),
      filter(([was, is]) => was.id !== null && was.id !== is.id && was.document !== null && (was.save === 'changed' || was.save === 'saving')),
      concatMap(([was]) => from(send(was, api, kept, requests))),
    ),
  { functional: true },
);

/** A page that goes away sends what it can; a page whose edits are not kept anywhere asks before it goes. */
export const guardLeaving = createEffect(
  (store = inject(Store), requests = inject(Requests)) => {
    if (typeof window === 'undefined') return EMPTY;
    const latest = <T>(events: Observable<T>) => events.pipe(withLatestFrom(store.select(documentFeature.selectDocumentState)));
    return merge(
      latest(fromEvent<BeforeUnloadEvent>(window, 'beforeunload')).pipe(
        tap(([event, s]) => {
          if (!s.kept && s.document && s.save !== 'saved') event.preventDefault();
        }),
      ),
      latest(fromEvent(window, 'pagehide')).pipe(tap(([, s]) => sendInPassing(s, requests))),
    );
  },
  { functional: true, dispatch: false },
);

/** Most that a browser lets a page send while it goes. */
const PASSING_BYTES = 60_000;

function sendInPassing(s: DocumentState, requests: Requests): void {
  if (!s.id || !s.document || s.save !== 'changed') return;
  const request = requests.of(s.id, s.revision);
  const body = JSON.stringify({ version: s.version, document: s.document, request, unanswered: requests.unanswered(s.id, request) });
  if (body.length > PASSING_BYTES) return;
  void fetch(`/api/v1/builds/${encodeURIComponent(s.id)}`, { method: 'PUT', keepalive: true, headers: { 'content-type': 'application/json' }, body }).catch(
    () => undefined,
  );
}

/** The other version was taken: this tab's edits go. Were there more, of tabs that are gone, the next ones are asked about. */
export const forgetOnTheirs = createEffect(
  (actions = inject(Actions), store = inject(Store), kept = inject(KeptEdits)) =>
    actions.pipe(
      ofType(DocumentActions.takeTheirs),
      withLatestFrom(store.select(documentFeature.selectId)),
      concatMap(([, id]) => (id ? from(kept.forget(id).catch(() => undefined)) : EMPTY)),
    ),
  { functional: true, dispatch: false },
);

/** When all is saved, edits of the same build that other tabs left behind are brought up: they are asked about, not lost. */
export const bringUpOthers = createEffect(
  (actions = inject(Actions), store = inject(Store), kept = inject(KeptEdits), requests = inject(Requests)) =>
    actions.pipe(
      ofType(DocumentActions.saved, DocumentActions.takeTheirs),
      debounceTime(SAVE_AFTER_MS),
      withLatestFrom(store.select(documentFeature.selectDocumentState)),
      filter(([, s]) => s.id !== null && s.document !== null && s.save === 'saved'),
      switchMap(async ([, s]) => {
        const edit = (await kept.left().catch(() => [])).find((e) => e.id === s.id && e.tab !== kept.tab);
        if (!edit) return null;
        if (same(edit.document, s.document)) {
          await kept.forget(edit.id, edit.tab).catch(() => undefined);
          return null;
        }
        await kept.adopt(edit).catch(() => undefined);
        requests.name(edit.id, s.revision + 1, edit.request, []);
        const build: StoredBuild = { id: s.id!, version: s.version, document: s.document!, updatedAt: s.savedAt ?? '' };
        return DocumentActions.opened({ build, pending: edit.document, clash: true });
      }),
      filter((a) => a !== null),
    ),
  { functional: true },
);

/** A build deleted elsewhere is brought back to the yard, and what is here saved over it. */
export const bringBack = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api)) =>
    actions.pipe(
      ofType(DocumentActions.bringBack),
      withLatestFrom(store.select(documentFeature.selectId)),
      switchMap(([, id]) =>
        id === null
          ? EMPTY
          : from(api.restore(id)).pipe(
              map((build) => DocumentActions.broughtBack({ id, version: build.version })),
              catchError((e: unknown) => of(DocumentActions.saveRefused({ id, message: asApiError(e).message }))),
            ),
      ),
    ),
  { functional: true },
);

/** What is here becomes a build of its own, and that one is opened. */
export const keepAsNew = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), kept = inject(KeptEdits), router = inject(Router)) =>
    actions.pipe(
      ofType(DocumentActions.keepAsNew),
      withLatestFrom(store.select(documentFeature.selectDocumentState)),
      concatMap(([, s]) => {
        const document = s.document ?? s.orphan;
        if (!s.id || !document) return EMPTY;
        const id = s.id;
        return from(
          (async () => {
            const made = await api.add(newId(), document);
            for (const e of (await kept.left().catch(() => [])).filter((x) => x.id === id)) await kept.forget(id, e.tab).catch(() => undefined);
            await router.navigate(['/rig', made.id]);
          })(),
        ).pipe(
          concatMap(() => EMPTY),
          catchError((e: unknown) => of(DocumentActions.saveRefused({ id, message: asApiError(e).message }))),
        );
      }),
    ),
  { functional: true },
);
