import { Component, input, output } from '@angular/core';
import { type MatSelectChange, MatSelectModule } from '@angular/material/select';

let serial = 0;

/** One of a few, by its name: what is chosen is told, and somebody acts on it. */
@Component({
  selector: 'pz-select',
  imports: [MatSelectModule],
  template: `
    <span class="label" [id]="id">{{ label() }}</span>
    <mat-select
      [aria-labelledby]="id"
      [attr.data-path]="path()"
      [value]="value()"
      [placeholder]="placeholder()"
      hideSingleSelectionIndicator
      (selectionChange)="pick($event)"
    >
      @for (o of options(); track o.value) {
        <mat-option [value]="o.value">{{ o.name }}</mat-option>
      }
    </mat-select>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 150px;
      align-items: center;
      gap: 10px;
      min-height: 37px;
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    .label {
      cursor: default;
    }
    mat-select {
      height: 29px;
      line-height: 27px;
      width: 100%;
      font-weight: 600;
      background: var(--field);
      border: 1px solid var(--field-line);
      border-radius: 4px;
      padding: 0 6px;
    }
    mat-select:focus-visible {
      outline: 3px solid var(--focus);
      outline-offset: 2px;
    }
  `,
})
export class SelectRow<T extends string> {
  protected readonly id = `pz-select-${++serial}`;
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly value: T; readonly name: string }[]>();
  readonly value = input<T>();
  /** Shown where nothing is chosen. */
  readonly placeholder = input('');
  /** The field of the document it stands for, where there is one. */
  readonly path = input<string>();
  readonly choose = output<T>();

  protected pick({ source, value }: MatSelectChange<T>): void {
    this.choose.emit(value);
    // What is refused shows what it was.
    queueMicrotask(() => (source.value = this.value()));
  }
}
