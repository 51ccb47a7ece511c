import { Component, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { FirstField } from '../kit/first-field';
import { AT_ONCE, follows, NameText } from '../kit/follows';

/** New names for a build. An empty name is told, not taken. */
@Component({
  selector: 'pz-rename-dialog',
  imports: [FirstField, MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  template: `
    <h2 mat-dialog-title>Rename</h2>
    <mat-dialog-content>
      <form id="rename" [formGroup]="form" (ngSubmit)="done()">
        <label for="build-name">Build</label>
        <mat-form-field appearance="outline" subscriptSizing="dynamic">
          <input matInput id="build-name" pzFirstField type="text" maxlength="80" formControlName="name" [errorStateMatcher]="atOnce" />
        </mat-form-field>
        @if (form.controls.name.errors; as e) {
          <p role="alert" class="shout">{{ e['field'] }}</p>
        }
        <label for="build-customer">Customer</label>
        <mat-form-field appearance="outline" subscriptSizing="dynamic">
          <input matInput id="build-customer" type="text" maxlength="80" formControlName="customer" />
        </mat-form-field>
      </form>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button type="button" mat-stroked-button mat-dialog-close>Cancel</button>
      <button type="submit" form="rename" mat-flat-button [disabled]="form.invalid">Rename</button>
    </mat-dialog-actions>
  `,
  styles: `
    label {
      display: block;
      margin-top: 8px;
    }
    mat-form-field {
      width: 100%;
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
  protected readonly atOnce = AT_ONCE;
  protected readonly form = new FormGroup({
    name: new FormControl(this.data.name, { nonNullable: true, validators: follows(() => NameText) }),
    customer: new FormControl(this.data.customer, { nonNullable: true }),
  });

  protected done(): void {
    const { name, customer } = this.form.getRawValue();
    if (this.form.valid) this.ref.close({ name: name.trim(), customer: customer.trim() });
  }
}
