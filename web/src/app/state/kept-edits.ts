import { Injectable } from '@angular/core';
import type { RigDocument } from '@pozzo/core';
import { IdText, StoredBuildShape } from '@pozzo/core/page';
import { type IDBPDatabase, openDB } from 'idb';
import * as v from 'valibot';
import { newId } from './new-id';

const KeptShape = v.object({
  id: IdText,
  /** The tab whose edits these are. */
  tab: v.string(),
  /** Server version that the edits were made from. */
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  document: StoredBuildShape.entries.document,
  /** Names the save of just this document, so that sent twice it is one. */
  request: IdText,
  /** Saves before it that were sent and not answered. */
  unanswered: v.array(IdText),
  /** ISO time. */
  at: v.string(),
});
/** Edits that the server has not acknowledged yet, kept in this browser by the tab that made them. */
export type KeptEdit = v.InferOutput<typeof KeptShape> & { readonly document: RigDocument };

const STORE = 'kept';
const lockName = (tab: string): string => `pozzo-tab-${tab}`;

/**
 * Edits kept in this browser, a record a build and tab: a tab touches its own only, and takes over those of tabs that are
 * gone. Every method throws when the browser does not keep.
 */
@Injectable({ providedIn: 'root' })
export class KeptEdits {
  /** Names this tab for as long as it lives. */
  readonly tab = newId();
  private opened: Promise<IDBPDatabase> | undefined;
  private readonly alive = this.liveOn();

  private db(): Promise<IDBPDatabase> {
    this.opened ??= openDB('pozzo', 2, {
      upgrade: (db, from, _to, tx) => {
        const kept = db.createObjectStore(STORE, { keyPath: ['id', 'tab'] });
        if (from !== 1) return;
        // Kept by the version before, which knew no tabs.
        const move = async (): Promise<void> => {
          for (const e of (await tx.objectStore('edits').getAll()) as { id: string; version: number; document: unknown }[])
            await kept.put({ ...e, tab: 'before', request: newId(), unanswered: [], at: new Date().toISOString() });
          db.deleteObjectStore('edits');
        };
        // The change of version ends when its transaction does, after all of these.
        void move();
      },
      blocking: (_from, _to, event) => (event.target as IDBDatabase).close(),
      terminated: () => (this.opened = undefined),
    }).catch((error: unknown) => {
      this.opened = undefined;
      throw error;
    });
    return this.opened;
  }

  async keep(edit: Omit<KeptEdit, 'tab' | 'at'>): Promise<void> {
    await (await this.db()).put(STORE, { ...edit, tab: this.tab, at: new Date().toISOString() });
  }
  /** What this tab keeps of a build. */
  async mine(id: string): Promise<KeptEdit | undefined> {
    return sound(await (await this.db()).get(STORE, [id, this.tab]));
  }
  async forget(id: string, tab = this.tab): Promise<void> {
    await (await this.db()).delete(STORE, [id, tab]);
  }
  /** Makes the edits of a tab that is gone this one's. */
  async adopt(edit: KeptEdit): Promise<void> {
    await this.keep(edit);
    if (edit.tab !== this.tab) await this.forget(edit.id, edit.tab);
  }
  /** Edits of this tab and of tabs that are gone, oldest first; those of other live tabs are theirs. */
  async left(): Promise<readonly KeptEdit[]> {
    const all = ((await (await this.db()).getAll(STORE)) as unknown[]).map(sound).filter((e) => e !== undefined);
    const live = await this.liveTabs();
    return all.filter((e) => e.tab === this.tab || !live.has(e.tab)).sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  }

  /** Holds a lock in this tab's name: the browser lets go of it when the tab ends, however that is. */
  private liveOn(): Promise<void> {
    const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
    if (!locks) return Promise.resolve();
    return new Promise((held) => {
      void locks
        .request(lockName(this.tab), () => {
          held();
          // Let go of by word too, so that the page loaded next finds it free.
          return new Promise<void>((done) => window.addEventListener('pagehide', () => done(), { once: true }));
        })
        .catch(() => held());
    });
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
  const read = v.safeParse(KeptShape, record);
  return read.success ? read.output : undefined;
}
