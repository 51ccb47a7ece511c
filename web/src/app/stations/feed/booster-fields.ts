import { Component, input } from '@angular/core';
import { ChoiceField } from '../../bench/choice-field';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';

/** What can be set of a booster pump. */
@Component({
  selector: 'pz-booster-fields',
  imports: [ChoiceField, NameField, QuantityField],
  template: `
    <pz-name label="Booster" [path]="path('name')" />
    <pz-choice
      label="is"
      [path]="path('running')"
      [options]="[
        { value: 'true', name: 'running' },
        { value: 'false', name: 'switched off' },
      ]"
    />
    <pz-quantity label="Shut-off pressure" [path]="path('shutoffPressure')" />
    <pz-quantity label="Open flow" [path]="path('openFlow')" />
  `,
})
export class BoosterFields {
  readonly index = input.required<number>();
  protected path(field: string): string {
    return `boosters.${this.index()}.${field}`;
  }
}
