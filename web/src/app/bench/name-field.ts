import { Component, computed, effect, type ElementRef, inject, input, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { AT_ONCE, follows, NameText } from '../kit/follows';
import { RigStore, setAt, textAt } from '../state/rig-store';

let serial = 0;

/** A name at a path of the open rig; an empty one is told and not taken. */
@Component({
  selector: 'pz-name',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  template: `
    <label [for]="id">{{ label() }}</label>
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      <input matInput #box [id]="id" type="text" maxlength="80" [formControl]="control" [errorStateMatcher]="atOnce" (blur)="restore()" />
    </mat-form-field>
    @if (error()) {
      <p role="alert">{{ error() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 150px;
      align-items: center;
      gap: 2px 10px;
      min-height: 37px;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    p {
      grid-column: 1 / -1;
      margin: 0;
      color: var(--attention);
      font-size: 13.5px;
    }
  `,
})
export class NameField {
  private readonly rig = inject(RigStore);
  readonly label = input('Name');
  readonly path = input.required<string>();
  readonly optional = input(false);
  /** What is shown of it where that is not the text of the document. */
  readonly shown = input('');
  protected readonly id = `n${++serial}`;
  protected readonly error = signal('');
  protected readonly atOnce = AT_ONCE;
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  private readonly value = computed(() => this.shown() || textAt(this.rig.document(), this.path()));
  protected readonly control = new FormControl('', {
    nonNullable: true,
    validators: follows(
      () => NameText,
      () => this.optional(),
    ),
  });

  constructor() {
    effect(() => {
      this.value();
      this.path();
      if (document.activeElement !== this.box().nativeElement) this.restore();
    });
    this.control.valueChanges.pipe(takeUntilDestroyed()).subscribe((text) => this.typed(text));
  }

  protected restore(): void {
    this.control.setValue(this.value(), { emitEvent: false });
    this.error.set('');
  }
  private typed(text: string): void {
    this.error.set((this.control.errors?.['field'] as string | undefined) ?? '');
    if (this.error()) return;
    this.rig.edit(this.label(), (d) => setAt(d, this.path(), text), this.path());
  }
}
