import { Injectable, signal } from '@angular/core';
import type { Documents, KindName } from '@pozzo/core';
import { IdText, KIND_NAMES, KINDS } from '@pozzo/core/page';
import { type IDBPDatabase, openDB } from 'idb';
import { Subject } from 'rxjs';
import * as v from 'valibot';
import { newId } from './new-id';

const Frame = v.object({
  kind: v.picklist(KIND_NAMES),
  id: IdText,
  /** The tab whose edits these are. */
  tab: v.string(),
  /** Server version that the edits were made from; 0 where nothing was saved yet. */
  version: v.pipe(v.number(), v.integer(), v.minValue(0)),
  document: v.unknown(),
  /** Names the save of just this document, so that sent twice it is one. */
  request: IdText,
  /** Saves before it that were sent and not answered. */
  unanswered: v.array(IdText),
  /** Who made them, as typed on this device. */
  by: v.optional(v.string()),
  /** ISO time. */
  at: v.string(),
});
/** Edits of a record that the server has not acknowledged yet, kept in this browser by the tab that made them. */
export type KeptEdit<K extends KindName = KindName> = Omit<v.InferOutput<typeof Frame>, 'kind' | 'document'> & {
  readonly kind: K;
  readonly document: Documents[K];
};
/** Names a record. */
export type RecordKey<K extends KindName = KindName> = Pick<KeptEdit<K>, 'kind' | 'id'>;

const STORE = 'outbox';
/** Stores of the versions before, and how what is in them becomes a record of today's: the first knew no tabs, neither knew another kind than builds. */
const BEFORE: Readonly<Record<string, (old: Record<string, unknown>) => Record<string, unknown>>> = {
  edits: (old) => ({ ...old, kind: 'build', tab: 'before', request: newId(), unanswered: [], at: new Date().toISOString() }),
  kept: (old) => ({ ...old, kind: 'build' }),
};
/** Longest that the browser's store is waited for, ms: nothing here may hold up the opening of a record. */
const PATIENCE_MS = 5000;

/** Why the browser keeps nothing for now: an older page holds the store open, a newer one has changed it, or it does not answer. */
export type NotKept = 'older-tab' | 'newer-tab' | 'silent';
class NotKeptError extends Error {
  constructor(readonly why: NotKept) {
    super(`The store of edits in this browser cannot be used (${why}).`);
  }
}
const lockName = (tab: string): string => `pozzo-tab-${tab}`;

/**
 * Edits kept in this browser, one entry a record and tab: a tab touches its own only, and takes over those of tabs that are
 * gone. Every method throws when the browser does not keep.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  /** Names this tab for as long as it lives. */
  readonly tab = newId();
  private opened: Promise<IDBPDatabase> | undefined;
  private alive: Promise<void> = Promise.resolve();
  /** Why it could not be used when it was last asked for; null while it can, or when it fails in another way. */
  readonly why = signal<NotKept | null>(null);
  /** The store can be used after all: what is not saved is kept now. */
  readonly usable = new Subject<void>();

  constructor() {
    this.liveOn();
  }

  /** The store, within a time: what comes later is used by whoever asks next. */
  private async db(): Promise<IDBPDatabase> {
    this.opened ??= this.open();
    const { opened } = this;
    let clock: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, fail) => (clock = setTimeout(() => fail(new NotKeptError(this.why() ?? 'silent')), this.why() ? 0 : PATIENCE_MS)));
    try {
      const db = await Promise.race([opened, late]);
      this.why.set(null);
      return db;
    } catch (error) {
      if (error instanceof NotKeptError) this.why.set(error.why);
      throw error;
    } finally {
      clearTimeout(clock);
    }
  }

  private open(): Promise<IDBPDatabase> {
    let blocked: (error: NotKeptError) => void;
    const whileBlocked = new Promise<never>((_, fail) => (blocked = fail));
    const opening = openDB('pozzo', 3, {
      upgrade: (db, _from, _to, tx) => {
        if (db.objectStoreNames.contains(STORE)) return;
        const outbox = db.createObjectStore(STORE, { keyPath: ['kind', 'id', 'tab'] });
        // The change of version ends when its transaction does, after all of these.
        const lift = async (): Promise<void> => {
          for (const [name, today] of Object.entries(BEFORE)) {
            if (!db.objectStoreNames.contains(name)) continue;
            for (const old of (await tx.objectStore(name).getAll()) as Record<string, unknown>[]) await outbox.put(today(old));
            db.deleteObjectStore(name);
          }
        };
        // What cannot be lifted stays where it was.
        lift().catch(() => undefined);
      },
      // A newer page wants to change the store: this one lets go of it at once, and tells that it keeps nothing any more.
      blocking: (_from, _to, event) => {
        (event.target as IDBDatabase).close();
        this.opened = Promise.reject(new NotKeptError('newer-tab'));
        this.opened.catch(() => undefined);
      },
      // An older page does not let go: nothing waits for it, and the store is used once it has gone.
      blocked: () => {
        this.why.set('older-tab');
        blocked(new NotKeptError('older-tab'));
      },
      terminated: () => (this.opened = undefined),
    });
    const first = Promise.race([opening, whileBlocked]);
    opening.then(
      () => {
        this.opened = opening;
        if (this.why() !== null) this.usable.next();
      },
      () => (this.opened = undefined),
    );
    first.catch(() => undefined);
    return first;
  }

  async keep<K extends KindName>(edit: Omit<KeptEdit<K>, 'tab' | 'at'>): Promise<void> {
    await (await this.db()).put(STORE, { ...edit, tab: this.tab, at: new Date().toISOString() });
  }
  /** What this tab keeps of a record. */
  async mine<K extends KindName>({ kind, id }: RecordKey<K>): Promise<KeptEdit<K> | undefined> {
    return sound(await (await this.db()).get(STORE, [kind, id, this.tab])) as KeptEdit<K> | undefined;
  }
  async forget({ kind, id }: RecordKey, tab = this.tab): Promise<void> {
    await (await this.db()).delete(STORE, [kind, id, tab]);
  }
  /** Makes the edits of a tab that is gone this one's. */
  async adopt(edit: KeptEdit): Promise<void> {
    await this.keep(edit);
    if (edit.tab !== this.tab) await this.forget(edit, edit.tab);
  }
  /** What is left of one record, oldest first. */
  async leftOf<K extends KindName>({ kind, id }: RecordKey<K>): Promise<readonly KeptEdit<K>[]> {
    return (await this.left()).filter((e) => e.kind === kind && e.id === id) as readonly KeptEdit<KindName>[] as readonly KeptEdit<K>[];
  }
  /** Edits of this tab and of tabs that are gone, oldest first; those of other live tabs are theirs. */
  async left(): Promise<readonly KeptEdit[]> {
    const all = ((await (await this.db()).getAll(STORE)) as unknown[]).map(sound).filter((e) => e !== undefined);
    const live = await this.liveTabs();
    return all.filter((e) => e.tab === this.tab || !live.has(e.tab)).sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  }

  /**
   * Holds a lock in this tab's name: the browser lets go of it when the tab ends, however that is. A page that goes lets go of
   * it by word too, so that the page loaded next finds it free; one that comes back as it was takes it again.
   */
  private liveOn(): void {
    const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
    if (!locks) return;
    this.alive = new Promise((held) => {
      void locks
        .request(lockName(this.tab), () => {
          held();
          return new Promise<void>((done) => window.addEventListener('pagehide', () => done(), { once: true }));
        })
        .catch(() => held());
    });
    window.addEventListener('pageshow', (event) => event.persisted && this.liveOn(), { once: true });
  }
  private async liveTabs(): Promise<ReadonlySet<string>> {
    await this.alive;
    const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
    if (!locks) return new Set();
    const { held = [] } = await locks.query();
    const prefix = lockName('');
    return new Set(
      held
        .map((l) => l.name ?? '')
        .filter((n) => n.startsWith(prefix))
        .map((n) => n.slice(prefix.length)),
    );
  }
}

/** A record that does not fit is left where it is and not used: it may be of a newer version. */
function sound(record: unknown): KeptEdit | undefined {
  const read = v.safeParse(Frame, record);
  if (!read.success) return undefined;
  const document = v.safeParse(KINDS[read.output.kind].shape, read.output.document);
  return document.success ? { ...read.output, document: document.output } : undefined;
}
