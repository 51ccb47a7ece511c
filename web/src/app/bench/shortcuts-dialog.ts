import { Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialogModule } from '@angular/material/dialog';
import { Store } from '@ngrx/store';
import { SettingsActions, settingsFeature } from '../state/settings.feature';
import { OTHER_KEYS, SHORTCUTS } from './keys';

/** The keys of the bench, and whether single letters work. */
@Component({
  selector: 'pz-shortcuts',
  imports: [MatButtonModule, MatCheckboxModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Keys</h2>
    <mat-dialog-content>
      <dl>
        @for (s of all; track s.key) {
          <div>
            <dt>
              <kbd>{{ s.key.length === 1 ? s.key.toUpperCase() : s.key }}</kbd>
            </dt>
            <dd>{{ s.words }}</dd>
          </div>
        }
      </dl>
      <mat-checkbox [checked]="letters()" (change)="set($event.checked)">Use single-letter shortcuts</mat-checkbox>
    </mat-dialog-content>
    <mat-dialog-actions><button mat-flat-button type="button" mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    dl {
      margin: 0 0 8px;
    }
    dl div {
      display: grid;
      grid-template-columns: 130px 1fr;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    dd {
      margin: 0;
    }
    kbd {
      font: 600 14px/1 var(--face);
      border: 1px solid var(--field-line);
      border-radius: 3px;
      padding: 1px 6px;
    }
  `,
})
export class ShortcutsDialog {
  private readonly store = inject(Store);
  protected readonly all = [...SHORTCUTS, ...OTHER_KEYS];
  protected readonly letters = this.store.selectSignal(settingsFeature.selectLetters);
  protected set(letters: boolean): void {
    this.store.dispatch(SettingsActions.setLetters({ letters }));
  }
}
