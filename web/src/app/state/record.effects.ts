import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import type { Documents, KindName, Stored } from '@pozzo/core';
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
import { Api, ApiError, asApiError, recordPath } from './api';
import { SHOWN } from './kinds';
import { newId } from './new-id';
import { type KeptEdit, Outbox, type RecordKey } from './outbox';
import { openBuild, openWorkshop, type RecordOf, type RecordState } from './record.feature';
import { Requests } from './requests';
import { useWhose } from './settings.feature';

const SAVE_AFTER_MS = 500;
const RETRY_MS = 4000;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** This tab's edits of a record, or the newest of tabs that are gone; what does not keep has none. */
async function keptOf<K extends KindName>(outbox: Outbox, key: RecordKey<K>): Promise<KeptEdit<K> | undefined> {
  const left = await outbox.leftOf(key).catch(() => []);
  return left.find((e) => e.tab === outbox.tab) ?? left.at(-1);
}

/** After an answer: what was sent is forgotten here, what came after it stands on the new version. Own edits only. */
async function settle(outbox: Outbox, key: RecordKey, sent: unknown, version: number): Promise<void> {
  const left = await outbox.mine(key);
  if (!left) return;
  if (same(left.document, sent)) await outbox.forget(key);
  else await outbox.keep({ ...left, version, unanswered: [] });
}

/** Most that a browser lets a page send while it goes. */
const PASSING_BYTES = 60_000;

/**
 * What happens around the open record of a kind: it is opened with what was kept here over it, every edit is kept at once and
 * saved a moment later, and nothing that two people did is merged or lost.
 */
abstract class RecordEffects<K extends KindName> {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  private readonly requests = inject(Requests);
  private readonly router = inject(Router);
  private readonly whose = useWhose();
  /** A getter: the effects below are made before any field of a class beneath this one. */
  protected abstract get of(): RecordOf<K>;
  private get kind(): K {
    return this.of.kind;
  }
  private keyOf(id: string): RecordKey<K> {
    return { kind: this.kind, id };
  }
  private get changes() {
    const { edited, undo, redo, keepMine } = this.of.actions;
    return [edited, undo, redo, keepMine] as const;
  }

  /** The record as it opens: the server's, with the edits that were kept here over it. */
  private async opening(id: string, revision: number): Promise<Action> {
    const key = this.keyOf(id);
    const [stored, edit] = await Promise.all([this.api.get(this.kind, id).catch((e: unknown) => asApiError(e)), keptOf(this.outbox, key)]);
    if (stored instanceof ApiError) {
      if (edit && stored.status === 404) return this.of.actions.openFailed({ id, message: stored.message, orphan: edit.document });
      if (!edit || !stored.passing) return this.of.actions.openFailed({ id, message: stored.message, orphan: null });
      // The server is away, but what was being worked on is here.
      await this.outbox.adopt(edit).catch(() => undefined);
      this.requests.name(key, revision + 1, edit.request, edit.unanswered);
      const last: Stored<Documents[K]> = { id, version: edit.version, document: edit.document, updatedAt: '' };
      return this.of.actions.opened({ stored: last, pending: edit.document, clash: false, away: true });
    }
    if (edit && same(edit.document, stored.document)) await this.outbox.forget(key, edit.tab).catch(() => undefined);
    else if (edit) {
      await this.outbox.adopt(edit).catch(() => undefined);
      // Saves of one's own that landed unheard are no clash.
      this.requests.name(key, revision + 1, edit.request, edit.unanswered);
      const own = edit.version === stored.version || edit.unanswered.length > 0;
      return this.of.actions.opened({ stored: own ? { ...stored, version: edit.version } : stored, pending: edit.document, clash: !own });
    }
    return this.of.actions.opened({ stored, pending: null, clash: false });
  }

  /** Sends a state of the record, and says in an action how it went. */
  private async send(s: RecordState<Documents[K]>): Promise<Action> {
    const id = s.id!;
    const key = this.keyOf(id);
    const request = this.requests.of(key, s.revision);
    const unanswered = this.requests.unanswered(key, request);
    this.requests.sending(key, request);
    try {
      const done = await this.api.save(this.kind, id, s.version, s.document!, { request, unanswered, ...this.whose() });
      this.requests.answered(key);
      await settle(this.outbox, key, s.document, done.version).catch(() => undefined);
      return this.of.actions.saved({ id, version: done.version, at: done.updatedAt, revision: s.revision });
    } catch (error) {
      const e = asApiError(error);
      if (e.passing) return this.of.actions.saveOffline({ id, message: e.told ? e.message : null });
      this.requests.answered(key);
      if (e.status === 409 && e.body['current']) return this.of.actions.saveConflict({ id, current: e.body['current'] as Stored<Documents[K]> });
      if (e.status === 404) return this.of.actions.saveDeleted({ id });
      return this.of.actions.saveRefused({ id, message: e.message });
    }
  }

  private sendInPassing(s: RecordState<Documents[K]>): void {
    if (!s.id || !s.document || s.save !== 'changed') return;
    const key = this.keyOf(s.id);
    const request = this.requests.of(key, s.revision);
    const body = JSON.stringify({ version: s.version, document: s.document, request, unanswered: this.requests.unanswered(key, request), ...this.whose() });
    if (body.length > PASSING_BYTES) return;
    void fetch(`/api/v1${recordPath(this.kind, s.id)}`, { method: 'PUT', keepalive: true, headers: { 'content-type': 'application/json' }, body }).catch(
      () => undefined,
    );
  }

  readonly open = createEffect(() =>
    this.actions.pipe(
      ofType(this.of.actions.open),
      withLatestFrom(this.store.select(this.of.selectState)),
      switchMap(([{ id }, { revision }]) => this.opening(id, revision)),
    ),
  );

  /** Every edit is kept in this browser at once, so that closing the page loses nothing; that it is not kept is told. */
  readonly keep = createEffect(() =>
    merge(this.actions.pipe(ofType(...this.changes)), this.outbox.usable).pipe(
      withLatestFrom(this.store.select(this.of.selectState)),
      concatMap(([, s]) => {
        const { id, revision } = s;
        if (!id || !s.document || s.save === 'saved') return EMPTY;
        const key = this.keyOf(id);
        const request = this.requests.of(key, revision);
        const unanswered = [...this.requests.unanswered(key, request)];
        return from(this.outbox.keep<K>({ ...key, version: s.version, document: s.document, request, unanswered, ...this.whose() })).pipe(
          map(() => this.of.actions.keepingWorks({ id, revision })),
          catchError(() => of(this.of.actions.keepingFailed())),
        );
      }),
    ),
  );

  /**
   * Saves a moment after the last edit; while the server is away tries again every few seconds and when the network
   * returns. What is refused is tried once more: the refusal may have been somebody else's.
   */
  readonly save = createEffect(() =>
    merge(
      this.actions.pipe(ofType(...this.changes, this.of.actions.opened, this.of.actions.broughtBack), debounceTime(SAVE_AFTER_MS)),
      this.actions.pipe(
        ofType(this.of.actions.saveOffline, this.of.actions.saveRefused),
        switchMap(() => timer(RETRY_MS)),
      ),
      // What was edited while a save was under way goes next: once that save has wholly ended, as this takes one at a time.
      this.actions.pipe(ofType(this.of.actions.saved), delay(0)),
      typeof window === 'undefined' ? EMPTY : fromEvent(window, 'online'),
    ).pipe(
      withLatestFrom(this.store.select(this.of.selectState)),
      filter(([, s]) => s.id !== null && s.document !== null && (s.save === 'changed' || s.save === 'offline' || (s.save === 'refused' && s.refusals === 1))),
      exhaustMap(([, s]) => {
        if (s.save === 'changed') this.store.dispatch(this.of.actions.saving());
        return from(this.send(s));
      }),
    ),
  );

  /** Leaving a record sends what was not sent yet; what does not go through stays kept and is sent later. */
  readonly sendOnLeaving = createEffect(() =>
    this.store.select(this.of.selectState).pipe(
      pairwise(),
      filter(([was, is]) => was.id !== null && was.id !== is.id && was.document !== null && (was.save === 'changed' || was.save === 'saving')),
      concatMap(([was]) => from(this.send(was))),
    ),
  );

  /** A page that goes away sends what it can; a page whose edits are not kept anywhere asks before it goes. */
  readonly guardLeaving = createEffect(
    () => {
      if (typeof window === 'undefined') return EMPTY;
      const latest = <T>(events: Observable<T>) => events.pipe(withLatestFrom(this.store.select(this.of.selectState)));
      return merge(
        latest(fromEvent<BeforeUnloadEvent>(window, 'beforeunload')).pipe(
          tap(([event, s]) => {
            if (!s.kept && s.document && s.save !== 'saved') event.preventDefault();
          }),
        ),
        latest(fromEvent(window, 'pagehide')).pipe(tap(([, s]) => this.sendInPassing(s))),
      );
    },
    { dispatch: false },
  );

  /** The other version was taken: this tab's edits go. Were there more, of tabs that are gone, the next ones are asked about. */
  readonly forgetOnTheirs = createEffect(
    () =>
      this.actions.pipe(
        ofType(this.of.actions.takeTheirs),
        withLatestFrom(this.store.select(this.of.selectId)),
        concatMap(([, id]) => (id ? from(this.outbox.forget(this.keyOf(id)).catch(() => undefined)) : EMPTY)),
      ),
    { dispatch: false },
  );

  /** When all is saved, edits of the same record that other tabs left behind are brought up: they are asked about, not lost. */
  readonly bringUpOthers = createEffect(() =>
    this.actions.pipe(
      ofType(this.of.actions.saved, this.of.actions.takeTheirs),
      debounceTime(SAVE_AFTER_MS),
      withLatestFrom(this.store.select(this.of.selectState)),
      filter(([, s]) => s.id !== null && s.document !== null && s.save === 'saved'),
      switchMap(async ([, s]) => {
        const edit = (await this.outbox.leftOf(this.keyOf(s.id!)).catch(() => [])).find((e) => e.tab !== this.outbox.tab);
        if (!edit) return null;
        if (same(edit.document, s.document)) {
          await this.outbox.forget(edit, edit.tab).catch(() => undefined);
          return null;
        }
        await this.outbox.adopt(edit).catch(() => undefined);
        this.requests.name(edit, s.revision + 1, edit.request, []);
        const stored: Stored<Documents[K]> = { id: s.id!, version: s.version, document: s.document!, updatedAt: s.savedAt ?? '' };
        return this.of.actions.opened({ stored, pending: edit.document, clash: true });
      }),
      filter((a) => a !== null),
    ),
  );

  /** One deleted elsewhere is brought back, and what is here saved over it. */
  readonly bringBack = createEffect(() =>
    this.actions.pipe(
      ofType(this.of.actions.bringBack),
      withLatestFrom(this.store.select(this.of.selectId)),
      switchMap(([, id]) =>
        id === null
          ? EMPTY
          : from(this.api.restore(this.of.kind, id, this.whose())).pipe(
              map(({ version }) => this.of.actions.broughtBack({ id, version })),
              catchError((e: unknown) => of(this.of.actions.saveRefused({ id, message: asApiError(e).message }))),
            ),
      ),
    ),
  );

  /** What is here becomes a record of its own, and that one is opened. */
  readonly keepAsNew = createEffect(() =>
    this.actions.pipe(
      ofType(this.of.actions.keepAsNew),
      withLatestFrom(this.store.select(this.of.selectState)),
      concatMap(([, s]) => {
        const document = s.document ?? s.orphan;
        if (!s.id || !document) return EMPTY;
        const id = s.id;
        return from(
          (async () => {
            const made = await this.api.add(this.of.kind, newId(), document, this.whose());
            for (const e of await this.outbox.leftOf(this.keyOf(id)).catch(() => [])) await this.outbox.forget(e, e.tab).catch(() => undefined);
            await this.router.navigate([...SHOWN[this.of.kind].route(made.id)]);
          })(),
        ).pipe(
          concatMap(() => EMPTY),
          catchError((e: unknown) => of(this.of.actions.saveRefused({ id, message: asApiError(e).message }))),
        );
      }),
    ),
  );
}

@Injectable()
export class BuildEffects extends RecordEffects<'build'> {
  protected get of() {
    return openBuild;
  }
}

@Injectable()
export class WorkshopEffects extends RecordEffects<'workshop'> {
  protected get of() {
    return openWorkshop;
  }
}
