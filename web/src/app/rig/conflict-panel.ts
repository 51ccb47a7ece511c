import { Component, computed, inject } from '@angular/core';
import type { RigDocument } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { DocumentActions } from '../state/document.feature';
import { RigStore } from '../state/rig-store';

export interface Difference {
  readonly path: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Places where two documents differ, down to single fields. */
export function differences(mine: unknown, theirs: unknown, path = ''): Difference[] {
  if (Object.is(mine, theirs)) return [];
  const plain = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null;
  if (plain(mine) && plain(theirs) && Array.isArray(mine) === Array.isArray(theirs)) {
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
    return keys.flatMap((k) => differences(mine[k], theirs[k], path ? `${path}.${k}` : k));
  }
  const say = (x: unknown): string =>
    x === undefined ? '(not there)' : plain(x) ? ((x['name'] as string | undefined) ?? (x['id'] as string | undefined) ?? 'changed') : String(x);
  return [{ path, mine: say(mine), theirs: say(theirs) }];
}

/** Two versions side by side; the person chooses, nothing is merged. */
@Component({
  selector: 'pz-conflict',
  template: `
    <section role="alertdialog" aria-label="Saved elsewhere too">
      <h2>This build was saved elsewhere while you worked on it.</h2>
      <p>Nothing is lost yet: choose which one goes on. The other stays in the build’s history on the server if it was saved there.</p>
      <table>
        <thead>
          <tr>
            <th>Where</th>
            <th>Yours</th>
            <th>Saved elsewhere</th>
          </tr>
        </thead>
        <tbody>
          @for (d of rows(); track d.path) {
            <tr>
              <td>{{ d.path }}</td>
              <td>{{ d.mine }}</td>
              <td>{{ d.theirs }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p>
        <button type="button" class="press strong" (click)="mine()">Keep mine</button>
        <button type="button" class="press" (click)="theirs()">Take the other</button>
      </p>
    </section>
  `,
  styles: `
    section {
      background: var(--attention-pale);
      border-left: 4px solid var(--attention);
      padding: 12px var(--gutter);
      max-height: 50vh;
      overflow: auto;
    }
    table {
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      padding: 3px 16px 3px 0;
      border-bottom: 1px solid var(--line);
    }
  `,
})
export class ConflictPanel {
  private readonly store = inject(Store);
  private readonly rig = inject(RigStore);
  protected readonly rows = computed(() => {
    const { document, conflict } = this.rig.state();
    return document && conflict ? differences(document, conflict.document satisfies RigDocument).slice(0, 40) : [];
  });
  protected mine(): void {
    this.store.dispatch(DocumentActions.keepMine());
  }
  protected theirs(): void {
    this.store.dispatch(DocumentActions.takeTheirs());
  }
}
