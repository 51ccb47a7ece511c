import { inject } from '@angular/core';
import { Actions, createEffect, ofType, ROOT_EFFECTS_INIT } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { concatMap, debounceTime, EMPTY, exhaustMap, filter, from, fromEvent, map, merge, switchMap, timer, withLatestFrom } from 'rxjs';
import { Api, asApiError } from './api';
import { BuildsActions } from './builds.feature';
import { KeptActions, type KeptLeft, nameOfKept } from './kept.feature';
import { shownOf } from './kinds';
import { newId } from './new-id';
import { type KeptEdit, Outbox } from './outbox';
import { openBuild, openWorkshop } from './record.feature';

const AGAIN_MS = 20_000;

/** The open record of each kind. */
const OPEN = [openBuild, openWorkshop] as const;

/** At the start, when the connection is back, when a record is left: edits of records that are not open are sent. */
export const whenToSend = createEffect(
  (actions = inject(Actions)) =>
    merge(
      actions.pipe(ofType(ROOT_EFFECTS_INIT, ...OPEN.flatMap(({ actions: a }) => [a.close, a.broughtBack]))),
      typeof window === 'undefined' ? EMPTY : fromEvent(window, 'online'),
      timer(AGAIN_MS, AGAIN_MS),
    ).pipe(map(() => KeptActions.send())),
  { functional: true },
);

/** Sends one; what somebody has to decide comes back, what is only away is tried again later. */
async function sendOne(edit: KeptEdit, api: Api, outbox: Outbox): Promise<KeptLeft | 'away' | 'done'> {
  const { kind, id, tab, at, by } = edit;
  const left = (why: KeptLeft['why'], message: string): KeptLeft => ({ kind, id, tab, at, name: nameOfKept(edit), why, message });
  try {
    await api.save(kind, id, edit.version, edit.document, { request: edit.request, unanswered: edit.unanswered, by });
    await outbox.forget(edit, tab).catch(() => undefined);
    return 'done';
  } catch (error) {
    const e = asApiError(error);
    if (e.passing) return 'away';
    if (e.status === 409) {
      const current = e.body['current'] as { document?: unknown } | undefined;
      if (JSON.stringify(current?.document) !== JSON.stringify(edit.document)) return left('clash', 'It was saved elsewhere since. Open it to choose.');
      await outbox.forget(edit, tab).catch(() => undefined);
      return 'done';
    }
    return e.status === 404 ? left('deleted', `The ${shownOf(kind).word} was deleted since.`) : left('refused', e.message);
  }
}

export const sendKept = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), outbox = inject(Outbox)) =>
    actions.pipe(
      ofType(KeptActions.send),
      debounceTime(50),
      withLatestFrom(...OPEN.map((o) => store.select(o.selectId))),
      exhaustMap(([, ...open]) =>
        from(
          (async () => {
            const out: KeptLeft[] = [];
            let sent = 0;
            for (const edit of await outbox.left().catch(() => [])) {
              if (OPEN.some((o, i) => o.kind === edit.kind && open[i] === edit.id)) continue;
              const how = await sendOne(edit, api, outbox);
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
  (actions = inject(Actions), api = inject(Api), outbox = inject(Outbox)) =>
    actions.pipe(
      ofType(KeptActions.keepAsNew, KeptActions.forget),
      concatMap(async (action) => {
        const edit = (await outbox.left().catch(() => [])).find((e) => e.kind === action.kind && e.id === action.id && e.tab === action.tab);
        if (!edit) return true;
        try {
          if (action.type === KeptActions.keepAsNew.type)
            await api.add(edit.kind, newId(), { ...edit.document, name: `${edit.document.name.slice(0, 70)}, kept` }, { by: edit.by });
          await outbox.forget(edit, edit.tab);
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
