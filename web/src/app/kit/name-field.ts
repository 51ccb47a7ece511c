import { Component, computed, inject, input, signal } from '@angular/core';
import { RigStore, setAt, textAt } from '../state/rig-store';

let serial = 0;

/** A name at a path of the open rig; an empty one is told and not taken. */
@Component({
  selector: 'pz-name',
  template: `
    <label [for]="id">{{ label() }}</label>
    <input
      #box
      [id]="id"
      type="text"
      maxlength="80"
      [value]="value()"
      [attr.aria-invalid]="error() ? 'true' : null"
      (input)="typed(box.value)"
      (blur)="box.value = value(); error.set('')"
    />
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
    input {
      height: 29px;
      padding: 2px 8px;
      font-weight: 600;
      background: var(--field);
      border: 1px solid var(--field-line);
      border-radius: 4px;
      width: 100%;
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
  protected readonly id = `n${++serial}`;
  protected readonly error = signal('');
  protected readonly value = computed(() => textAt(this.rig.document(), this.path()));

  protected typed(text: string): void {
    if (!this.optional() && text.trim() === '') return this.error.set('Give it a name.');
    this.error.set('');
    this.rig.edit(this.label(), (d) => setAt(d, this.path(), text), this.path());
  }
}
