import { Component, computed, input } from '@angular/core';
import { differences } from '@pozzo/core';
import { MatButtonModule } from '@angular/material/button';
import { SHOWN } from '../state/kinds';
import type { AnyRecord } from '../state/open-record';

/** Differences listed at most. */
const MOST_SHOWN = 40;

/** Two versions side by side; the person chooses, nothing is merged. */
@Component({
  selector: 'pz-conflict',
  imports: [MatButtonModule],
  template: `
    <section role="alertdialog" aria-label="Conflict: also saved elsewhere">
      <h2>This {{ word() }} was saved elsewhere while you worked on it.</h2>
      <p>Pick which to keep. The other save stays in History; yours is only in this browser until you pick.</p>
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
        <button mat-flat-button type="button" (click)="of().keepMine()">Keep mine</button>
        <button mat-stroked-button type="button" (click)="of().takeTheirs()">Take the other</button>
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
  readonly of = input.required<AnyRecord>();
  protected readonly word = computed(() => SHOWN[this.of().of.kind].word);
  protected readonly rows = computed(() => {
    const { document, conflict } = this.of().state();
    return document && conflict ? differences(document, conflict.document, MOST_SHOWN) : [];
  });
}
