import { Component, input, output } from '@angular/core';

let serial = 0;

/** One of a few, by its name: what is chosen is told, and somebody acts on it. */
@Component({
  selector: 'pz-select',
  template: `
    <label [for]="id">{{ label() }}</label>
    <select [id]="id" [attr.data-path]="path()" (change)="pick($event)">
      @for (o of options(); track o.value) {
        <option [value]="o.value" [selected]="o.value === value()">{{ o.name }}</option>
      }
    </select>
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
    select {
      height: 29px;
      width: 100%;
      font-weight: 600;
      background: var(--field);
      border: 1px solid var(--field-line);
      border-radius: 4px;
      padding: 0 6px;
    }
  `,
})
export class SelectRow<T extends string> {
  protected readonly id = `pz-select-${++serial}`;
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly value: T; readonly name: string }[]>();
  readonly value = input<T>();
  /** The field of the document it stands for, where there is one. */
  readonly path = input<string>();
  readonly choose = output<T>();

  protected pick(event: Event): void {
    this.choose.emit((event.target as HTMLSelectElement).value as T);
  }
}
