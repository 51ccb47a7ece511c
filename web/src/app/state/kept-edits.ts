import { Injectable } from '@angular/core';
import type { RigDocument } from '@pozzo/core';
import { type IDBPDatabase, openDB } from 'idb';

/** Edits that the server has not acknowledged yet, kept in this browser. */
export interface KeptEdit {
  readonly id: string;
  /** Server version that the edits were made from. */
  readonly version: number;
  readonly document: RigDocument;
}

@Injectable({ providedIn: 'root' })
export class KeptEdits {
  private readonly db: Promise<IDBPDatabase | null> =
    typeof indexedDB === 'undefined'
      ? Promise.resolve(null)
      : openDB('pozzo', 1, { upgrade: (db) => void db.createObjectStore('edits', { keyPath: 'id' }) }).catch(() => null);

  async keep(edit: KeptEdit): Promise<void> {
    await (await this.db)?.put('edits', edit);
  }
  async get(id: string): Promise<KeptEdit | undefined> {
    return (await (await this.db)?.get('edits', id)) as KeptEdit | undefined;
  }
  async forget(id: string): Promise<void> {
    await (await this.db)?.delete('edits', id);
  }
}
