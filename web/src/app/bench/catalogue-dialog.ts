import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CATALOGUE, type CatalogueItem, FOOT, formatQuantity, type PartDocument, partName, type UnitSystem } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { FirstField } from '../kit/first-field';

/** The shelf: type to find, press to take. */
@Component({
  selector: 'pz-catalogue-dialog',
  imports: [FirstField, MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule],
  template: `
    <h2 mat-dialog-title>Add a part</h2>
    <mat-dialog-content>
      <label for="find">Find</label>
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          matInput
          id="find"
          pzFirstField
          #box
          type="search"
          autocomplete="off"
          [placeholder]="metric() ? 'DN 25 ball valve, sweep, strainer…' : '1 in ball valve, sweep, strainer…'"
          (input)="words.set(box.value)"
          (keydown.enter)="take(found()[0])"
        />
      </mat-form-field>
      <p class="quiet" role="status">{{ found().length }} of {{ total }} parts. Prices and weights are estimates.</p>
      @for (g of groups(); track g.name) {
        <h3>{{ g.name }}</h3>
        <ul>
          @for (i of g.items; track i.id) {
            <li>
              <button type="button" (click)="take(i)">
                <span>{{ named(i) }}</span><small class="quiet">{{ i.source }}</small
                ><span class="price">{{ price(i) }}</span>
              </button>
            </li>
          }
        </ul>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button type="button" mat-stroked-button mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
    ul {
      list-style: none;
      margin: 0 0 10px;
      padding: 0;
    }
    button:not(.mdc-button) {
      display: grid;
      grid-template-columns: 1fr auto;
      width: 100%;
      text-align: left;
      border: 0;
      border-bottom: 1px solid var(--line);
      background: none;
      padding: 6px 4px;
      cursor: pointer;
    }
    button:not(.mdc-button):hover {
      background: var(--water-pale);
    }
    small {
      grid-column: 1 / -1;
      order: 3;
      font-size: 12.5px;
    }
  `,
})
export class CatalogueDialog {
  private readonly ref = inject(MatDialogRef<CatalogueDialog, PartDocument>);
  private readonly rig = inject(RigStore);
  protected readonly words = signal('');
  protected readonly total = CATALOGUE.length;
  protected readonly found = computed(() => findParts(this.words(), this.rig.units()));
  protected readonly groups = computed(() => {
    const out = new Map<string, CatalogueItem[]>();
    for (const i of this.found()) out.set(i.group, [...(out.get(i.group) ?? []), i]);
    return [...out].map(([name, items]) => ({ name, items }));
  });

  protected readonly metric = computed(() => this.rig.units() === 'metric');
  protected named({ part }: CatalogueItem): string {
    return partName(part, this.rig.units());
  }
  /** Hose by the foot where lengths are in feet, by the metre elsewhere. */
  protected price({ part, price }: CatalogueItem): string {
    if (part.kind !== 'hose') return formatQuantity(price, 'money', 'us');
    const foot = this.rig.units() === 'us';
    return `${formatQuantity(foot ? price * FOOT : price, 'money', 'us')} a ${foot ? 'foot' : 'metre'}`;
  }

  protected take(item: CatalogueItem | undefined): void {
    if (item) this.ref.close({ ...item.part });
  }
}

/** Items of the size that was typed ("1 in", "1 1/4 in", in metric units also "19 mm", "DN 20"), whose name holds every other word. */
export function findParts(words: string, system: UnitSystem = 'us'): CatalogueItem[] {
  const typed = words.toLowerCase();
  const size = /(\d+ \d+\/\d+|\d+\/\d+|\d+)\s*in\b/.exec(typed);
  const wanted = typed
    .replace(size?.[0] ?? '', ' ')
    .split(/\s+/)
    .filter(Boolean);
  return CATALOGUE.filter(
    (i) => (!size || i.part.bore === `${size[1]} in`) && wanted.every((w) => `${i.name} ${partName(i.part, system)}`.toLowerCase().includes(w)),
  );
}
