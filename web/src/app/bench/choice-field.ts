import { Component, computed, inject, input } from '@angular/core';
import { RigStore, setAt, textAt, valueAt } from '../state/rig-store';
import { SelectRow } from '../kit/select-row';

/** One of a few, at a path of the open rig; an option with an empty value leaves the field out. */
@Component({
  selector: 'pz-choice',
  imports: [SelectRow],
  template: `<pz-select [label]="label()" [path]="path()" [options]="options()" [value]="value()" (choose)="choose($event)" />`,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class ChoiceField {
  private readonly rig = inject(RigStore);
  readonly label = input.required<string>();
  readonly path = input.required<string>();
  readonly options = input.required<readonly { value: string; name: string }[]>();
  protected readonly value = computed(() => textAt(this.rig.document(), this.path()));

  protected choose(value: string): void {
    const stored = valueAt(this.rig.document(), this.path());
    this.rig.edit(
      this.label(),
      (d) => setAt(d, this.path(), value === '' ? undefined : typeof stored === 'boolean' || value === 'true' || value === 'false' ? value === 'true' : value),
      '',
    );
  }
}
