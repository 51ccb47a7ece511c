import { inject } from '@angular/core';
import { Actions, createEffect, ofType, ROOT_EFFECTS_INIT } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { concatMap, debounceTime, EMPTY, exhaustMap, filter, from, fromEvent, map, merge, switchMap, timer, withLatestFrom } from 'rxjs';
import { Api, asApiError } from './api';
import { BuildsActions } from './builds.feature';
import { DocumentActions, documentFeature } from './document.feature';
import { type KeptEdit, KeptEdits } from './kept-edits';
import { KeptActions, type KeptLeft, nameOfKept } from './kept.feature';
import { newId } from './new-id';

const AGAIN_MS = 20_000;

/** At the start, when the connection is back, when a build is left: edits of builds that are not open are sent. */
export const whenToSend = createEffect(
  (actions = inject(Actions)) =>
    merge(
      actions.pipe(ofType(ROOT_EFFECTS_INIT, DocumentActions.close, DocumentActions.broughtBack)),
      typeof window === 'undefined' ? EMPTY : fromEvent(window, 'online'),
      timer(AGAIN_MS, AGAIN_MS),
    ).pipe(map(() => KeptActions.send())),
  { functional: true },
);

/** Sends one; what somebody has to decide comes back, what is only away is tried again later. */
async function sendOne(edit: KeptEdit, api: Api, kept: KeptEdits): Promise<KeptLeft | 'away' | 'done'> {
  const { id, tab, at } = edit;
  const left = (why: KeptLeft['why'], message: string): KeptLeft => ({ id, tab, at, name: nameOfKept(edit), why, message });
  try {
    await api.save(id, edit.version, edit.document, { request: edit.request, unanswered: edit.unanswered });
    await kept.forget(id, tab).catch(() => undefined);
    return 'done';
  } catch (error) {
    const e = asApiError(error);
    if (e.passing) return 'away';
    if (e.status === 409) {
      const current = e.body['current'] as { document?: unknown } | undefined;
      if (JSON.stringify(current?.document) !== JSON.stringify(edit.document)) return left('clash', 'It was saved elsewhere since. Open it to choose.');
      await kept.forget(id, tab).catch(() => undefined);
      return 'done';
    }
    return e.status === 404 ? left('deleted', 'The build was deleted since.') : left('refused', e.message);
  }
}

export const sendKept = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), kept = inject(KeptEdits)) =>
    actions.pipe(
      ofType(KeptActions.send),
      debounceTime(50),
      withLatestFrom(store.select(documentFeature.selectId)),
      exhaustMap(([, open]) =>
        from(
          (async () => {
            const out: KeptLeft[] = [];
            let sent = 0;
            for (const edit of await kept.left().catch(() => [])) {
              if (edit.id === open) continue;
              const how = await sendOne(edit, api, kept);
              // No use in asking for the rest while nobody answers.
              if (how === 'away') break;
              if (how === 'done') sent++;
              else out.push(how);
            }
            return { out, sent };
          })(),
        ).pipe(concatMap(({ out, sent }) => [KeptActions.left({ left: out }), ...(sent ? [BuildsActions.lookAgain()] : [])])),
      ),
    ),
  { functional: true },
);

export const settleKept = createEffect(
  (actions = inject(Actions), api = inject(Api), kept = inject(KeptEdits)) =>
    actions.pipe(
      ofType(KeptActions.keepAsNew, KeptActions.forget),
      concatMap(async (action) => {
        const edit = (await kept.left().catch(() => [])).find((e) => e.id === action.id && e.tab === action.tab);
        if (!edit) return true;
        try {
          if (action.type === KeptActions.keepAsNew.type) await api.add(newId(), { ...edit.document, name: `${edit.document.name.slice(0, 70)}, kept` });
          await kept.forget(edit.id, edit.tab);
          return true;
        } catch {
          return false;
        }
      }),
      filter((done) => done),
      switchMap(() => [KeptActions.send(), BuildsActions.lookAgain()]),
    ),
  { functional: true },
);
