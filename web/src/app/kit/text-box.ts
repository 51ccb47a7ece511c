import { Component, effect, ElementRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type * as v from 'valibot';
import { AT_ONCE, follows } from './follows';

let serial = 0;

/**
 * A text under its label, of one line or several; it may be empty. What its schema refuses is said and not taken; while it has the focus it
 * keeps what is typed, and follows its value again when it is left.
 */
@Component({
  selector: 'pz-text-box',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  template: `
    <label [for]="id">{{ label() }}</label>
    @if (hint()) {
      <p class="quiet" [id]="id + '-hint'">{{ hint() }}</p>
    }
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      @if (rows() > 1) {
        <textarea
          matInput
          [id]="id"
          [rows]="rows()"
          [formControl]="control"
          [errorStateMatcher]="atOnce"
          [attr.aria-describedby]="describedBy()"
          (blur)="restore()"
        ></textarea>
      } @else {
        <input matInput [id]="id" type="text" [formControl]="control" [errorStateMatcher]="atOnce" [attr.aria-describedby]="describedBy()" (blur)="restore()" />
      }
    </mat-form-field>
    @if (error()) {
      <p class="wrong" role="alert" [id]="id + '-error'">{{ error() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
      margin-bottom: 16px;
    }
    label {
      font-weight: 600;
    }
    p {
      margin: 0;
    }
    textarea {
      line-height: 1.45;
    }
    .wrong {
      color: var(--attention);
      font-size: 13.5px;
    }
  `,
})
export class TextBox {
  readonly label = input.required<string>();
  readonly hint = input('');
  readonly value = input.required<string>();
  readonly schema = input.required<v.GenericSchema<string, unknown>>();
  readonly rows = input(1);
  readonly typed = output<string>();
  protected readonly id = `pz-text-${++serial}`;
  protected readonly error = signal('');
  protected readonly atOnce = AT_ONCE;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly control = new FormControl('', {
    nonNullable: true,
    validators: follows(
      () => this.schema(),
      () => true,
    ),
  });

  constructor() {
    effect(() => {
      this.value();
      if (!this.host.nativeElement.contains(document.activeElement)) this.restore();
    });
    this.control.valueChanges.pipe(takeUntilDestroyed()).subscribe((text) => {
      this.error.set((this.control.errors?.['field'] as string | undefined) ?? '');
      if (!this.error()) this.typed.emit(text);
    });
  }

  protected describedBy(): string | null {
    return [this.hint() && `${this.id}-hint`, this.error() && `${this.id}-error`].filter(Boolean).join(' ') || null;
  }
  protected restore(): void {
    this.control.setValue(this.value(), { emitEvent: false });
    this.error.set('');
  }
}
