import { Component, computed, inject } from '@angular/core';
import { differences } from '@pozzo/core';
import { MatButtonModule } from '@angular/material/button';
import { Store } from '@ngrx/store';
import { DocumentActions } from '../state/document.feature';
import { RigStore } from '../state/rig-store';

/** Differences listed at most. */
const MOST_SHOWN = 40;

/** Two versions side by side; the person chooses, nothing is merged. */
@Component({
  selector: 'pz-conflict',
  imports: [MatButtonModule],
  template: `
    <section role="alertdialog" aria-label="Saved elsewhere too">
      <h2>This build was saved elsewhere while you worked on it.</h2>
      <p>
        Nothing is lost yet: choose which one goes on. The one saved elsewhere stays in the build’s history. Yours is kept in this browser until you choose.
      </p>
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
              <td>{{ d.thing }}{{ d.thing && d.field ? ', ' : '' }}{{ d.field }}</td>
              <td>{{ d.before || '(not there)' }}</td>
              <td>{{ d.after || '(not there)' }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p>
        <button mat-flat-button type="button" (click)="mine()">Keep mine</button>
        <button mat-stroked-button type="button" (click)="theirs()">Take the other</button>
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
    return document && conflict ? differences(document, conflict.document, MOST_SHOWN) : [];
  });
  protected mine(): void {
    this.store.dispatch(DocumentActions.keepMine());
  }
  protected theirs(): void {
    this.store.dispatch(DocumentActions.takeTheirs());
  }
}
