import { Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { FirstField } from '../kit/first-field';

/** New names for a build. An empty name is told, not taken. */
@Component({
  selector: 'pz-rename-dialog',
  imports: [FirstField, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Rename</h2>
    <mat-dialog-content>
      <label for="build-name">Build</label>
      <input
        id="build-name"
        pzFirstField
        #name
        type="text"
        maxlength="80"
        [value]="data.name"
        (input)="empty.set(!name.value.trim())"
        (keydown.enter)="done(name.value, customer.value)"
      />
      @if (empty()) {
        <p role="alert" class="shout">Give it a name.</p>
      }
      <label for="build-customer">Customer</label>
      <input id="build-customer" #customer type="text" maxlength="80" [value]="data.customer" (keydown.enter)="done(name.value, customer.value)" />
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button type="button" mat-stroked-button mat-dialog-close>Cancel</button>
      <button type="button" mat-flat-button [disabled]="empty()" (click)="done(name.value, customer.value)">Rename</button>
    </mat-dialog-actions>
  `,
  styles: `
    label {
      display: block;
      margin-top: 8px;
    }
    input {
      width: 100%;
      height: 36px;
      padding: 4px 10px;
      border: 1px solid var(--field-line);
      border-radius: 4px;
      background: var(--field);
    }
    mat-dialog-actions {
      gap: 8px;
      padding: 12px 24px;
    }
  `,
})
export class RenameDialog {
  protected readonly data = inject<{ name: string; customer: string }>(MAT_DIALOG_DATA);
  private readonly ref = inject(MatDialogRef<RenameDialog>);
  protected readonly empty = signal(false);

  protected done(name: string, customer: string): void {
    if (name.trim()) this.ref.close({ name: name.trim(), customer: customer.trim() });
  }
}
