import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { addRefill, assumptionValues, type RefillPlaceDocument, removeRefill, typeableQuantity } from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { RigStore } from '../../state/rig-store';

/** Where tanks are filled on the way: standpipes, the yard, a chemical supplier. */
@Component({
  selector: 'pz-refill-places',
  imports: [ChoiceField, MatButtonModule, NameField, QuantityField],
  template: `
    <h3>Refill places</h3>
    @for (r of places(); track r.id; let i = $index) {
      <div class="place" role="group" [attr.aria-label]="r.name">
        <pz-name label="Name" [path]="'brief.day.refills.' + i + '.name'" />
        <pz-choice label="Gives" [path]="'brief.day.refills.' + i + '.gives'" [options]="liquids()" />
        <pz-quantity label="Flow" [path]="'brief.day.refills.' + i + '.flow'" />
        <button type="button" mat-stroked-button class="small" [attr.aria-label]="'Remove ' + r.name" (click)="remove(i)">Remove</button>
      </div>
    }
    <button type="button" mat-stroked-button class="small" [disabled]="places().length >= 8" (click)="add()">Add a refill place</button>
  `,
  styles: `
    h3 {
      margin-top: 14px;
    }
    .place {
      padding-left: 10px;
      border-left: 3px solid var(--line);
      margin-bottom: 10px;
    }
    .mdc-button {
      margin-top: 8px;
      font-size: 13.5px;
    }
  `,
})
export class RefillPlaces {
  private readonly rig = inject(RigStore);
  protected readonly places = computed<readonly RefillPlaceDocument[]>(() => this.rig.document()?.brief.day?.refills ?? []);
  protected readonly liquids = computed(() => [
    { value: '', name: 'water' },
    ...(this.rig.document()?.liquids ?? []).filter((l) => l.kind !== 'water').map((l) => ({ value: l.id, name: l.name })),
  ]);

  protected add(): void {
    const flow = typeableQuantity(assumptionValues()['refill-flow'], 'flow', this.rig.units() === 'us' ? 'gpm' : 'L/min', 2);
    this.rig.edit('Add a refill place', (d) => void addRefill(d, flow));
  }
  protected remove(i: number): void {
    this.rig.edit('Remove the refill place', (d) => removeRefill(d, i));
  }
}
