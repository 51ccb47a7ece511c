import { inject, Injectable } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { doneOf, HeavyClient } from '../workers/heavy-client';
import { LARGEST_FILE, refuse, type RigFile } from './picked-file';

/** Files above this are read in a worker, bytes: the page goes on meanwhile. */
const LARGE = 100_000;

/** Rig files that a person picked or dropped. */
@Injectable({ providedIn: 'root' })
export class RigFiles {
  private readonly heavy = inject(HeavyClient);

  /** Reads one. Never throws. */
  async read(file: Pick<File, 'name' | 'size' | 'text'>): Promise<RigFile> {
    if (file.size > LARGEST_FILE) return refuse(file.name, `It is larger than ${LARGEST_FILE / 1e6} MB: not a rig file.`);
    try {
      const text = await file.text();
      // What reads a rig comes with the first file.
      if (text.length <= LARGE) return (await import('./rig-file')).readRigText(file.name, text);
      return await firstValueFrom(doneOf(this.heavy.run('read', { name: file.name, text })));
    } catch (error) {
      return refuse(file.name, `It could not be read: ${error instanceof Error ? error.message : 'the browser did not say why'}.`);
    }
  }
}
