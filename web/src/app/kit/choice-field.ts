import { Component, computed, inject, input } from '@angular/core';
import { RigStore, setAt, valueAt } from '../state/rig-store';

let serial = 0;

/** One of a few, at a path of the open rig; an option with an empty value leaves the field out. */
@Component({
  selector: 'pz-choice',
  template: `
    <label [for]="id">{{ label() }}</label>
    <select [id]="id" [attr.data-path]="path()" (change)="choose($event)">
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
      font-weight: 600;
      background: var(--field);
      border: 1px solid var(--field-line);
      border-radius: 4px;
      padding: 0 6px;
      width: 100%;
    }
  `,
})
export class ChoiceField {
  private readonly rig = inject(RigStore);
  readonly label = input.required<string>();
  readonly path = input.required<string>();
  readonly options = input.required<readonly { value: string; name: string }[]>();
  protected readonly id = `c${++serial}`;
  protected readonly value = computed(() => String(valueAt(this.rig.document(), this.path()) ?? ''));

  protected choose(event: Event): void {
    const { value } = event.target as HTMLSelectElement;
    const stored = valueAt(this.rig.document(), this.path());
    this.rig.edit(
      this.label(),
      (d) => setAt(d, this.path(), value === '' ? undefined : typeof stored === 'boolean' || value === 'true' || value === 'false' ? value === 'true' : value),
      '',
    );
  }
}
