import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { addTransfer, formatQuantity, removeTransfer, transfersOf } from '@pozzo/core';
import { type Fact, Facts } from '../../bench/facts';
import { LineEditor } from '../../bench/line-editor';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { RigStore } from '../../state/rig-store';

/** Pumps that move stock from tank to tank: what each gives, how long it takes, and its hoses. */
@Component({
  selector: 'pz-transfers',
  imports: [Facts, LineEditor, MatButtonModule, NameField, QuantityField, SelectRow],
  template: `
    @if (tanks().length > 1) {
      <h2>Moving stock</h2>
      @for (t of transfers(); track t.pumpId) {
        <section>
          <p class="lead">{{ t.words }}</p>
          <pz-facts [facts]="t.facts" />
          <div class="pair">
            <div>
              <pz-name label="Pump" [path]="t.path + 'name'" />
              <pz-quantity label="Open flow" [path]="t.path + 'openFlow'" />
              <pz-quantity label="Its switch opens at" [path]="t.path + 'limit'" />
              <pz-quantity label="Height of the pump" [path]="t.path + 'height'" />
              @if (t.endPath) {
                <pz-quantity label="Comes out above the tank’s bottom" [path]="t.endPath" />
              }
            </div>
            <div>
              <pz-line-editor [lineId]="t.lineIds[0]" heading="To the pump" />
              <pz-line-editor [lineId]="t.lineIds[1]" heading="From the pump" />
            </div>
          </div>
          <div class="acts">
            <button type="button" mat-stroked-button class="small" (click)="remove(t.pumpId)">Remove {{ t.name }}</button>
          </div>
        </section>
      } @empty {
        <p class="quiet">Pouring by hand. A transfer pump saves the lifting.</p>
      }
      <div class="new">
        <pz-select label="Pump out of" [options]="names()" [value]="from()" (choose)="wantedFrom.set($event)" />
        <pz-select label="into" [options]="names()" [value]="into()" (choose)="wantedInto.set($event)" />
        <button type="button" mat-stroked-button class="small" (click)="add()" [disabled]="from() === into()">Add a transfer pump</button>
      </div>
    }
  `,
  styles: `
    .lead {
      margin: 0 0 8px;
    }
    section {
      margin-bottom: 18px;
    }
    .pair {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 22px;
      align-items: start;
      margin: 10px 0;
    }
    .new {
      margin-bottom: 22px;
      max-width: 380px;
    }
    .new button {
      margin-top: 8px;
    }
    @media (max-width: 900px) {
      .pair {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class TransfersPanel {
  private readonly rig = inject(RigStore);
  protected readonly tanks = computed(() => (this.rig.document()?.tanks ?? []).filter((t) => t.liquid === 'chemical' || t.holds !== undefined));
  protected readonly names = computed(() => this.tanks().map((t) => ({ value: t.id, name: t.name })));
  protected readonly wantedFrom = signal<string | undefined>(undefined);
  protected readonly wantedInto = signal<string | undefined>(undefined);
  private readonly has = (id: string | undefined): boolean => this.tanks().some((t) => t.id === id);
  /** As chosen; else the first tank of stock, and the first other one. */
  protected readonly from = computed(() =>
    this.has(this.wantedFrom()) ? this.wantedFrom() : (this.tanks().find((t) => t.use !== 'mixed') ?? this.tanks()[0])?.id,
  );
  protected readonly into = computed(() => {
    if (this.has(this.wantedInto())) return this.wantedInto();
    const others = this.tanks().filter((t) => t.id !== this.from());
    return (others.find((t) => t.use === 'mixed') ?? others[0])?.id;
  });

  protected readonly transfers = computed(() => {
    const d = this.rig.document();
    if (!d) return [];
    const results = this.rig.assessment()?.chemical.transfers ?? [];
    const tank = (id: string): string => d.tanks.find((t) => t.id === id)?.name ?? '';
    const q = (v: number, dimension: Parameters<typeof formatQuantity>[1]) => formatQuantity(v, dimension, this.rig.units());
    return transfersOf(d).map((t) => {
      const i = results.findIndex((r) => r.pumpId === t.pumpId);
      const r = results[i];
      const out = d.lines.findIndex((l) => l.id === t.lineIds[1]);
      const at = `chemical.transfers.${i}.`;
      const facts: Fact[] = r
        ? [
            { label: 'Gives, half full', at: `${at}flow` },
            { label: 'Nearly empty', text: q(r.least, 'flow') },
            { label: 'Moves', at: `${at}moves` },
            { label: 'In', at: `${at}time`, never: 'never' },
            { label: 'Lifts', text: q(r.liftM, 'length') },
            ...(r.current ? [{ label: 'Draws', at: `${at}current` }] : []),
          ]
        : [];
      const words = !r
        ? `Nothing is moved from ${tank(t.fromId)} to ${tank(t.toId)}: a valve is shut.`
        : r.least <= 0
          ? `It does not empty ${tank(t.fromId)} into ${tank(t.toId)}.`
          : `${q(r.moves.value, 'volume')} from ${tank(t.fromId)} to ${tank(t.toId)} in ${q(r.time.value, 'time')}.${
              r.overflows ? ` ${tank(t.fromId)} holds more than there is room for: stand by and stop it.` : ''
            }`;
      return {
        ...t,
        name: d.softPumps?.find((p) => p.id === t.pumpId)?.name ?? '',
        path: `softPumps.${d.softPumps?.findIndex((p) => p.id === t.pumpId)}.`,
        endPath: d.lines[out]?.to.height === undefined ? undefined : `lines.${out}.to.height`,
        words,
        facts,
      };
    });
  });

  protected add(): void {
    const [from, into] = [this.from(), this.into()];
    if (from !== undefined && into !== undefined) this.rig.edit('Add a transfer pump', (d) => void addTransfer(d, from, into));
  }
  protected remove(pumpId: string): void {
    this.rig.edit('Remove a transfer pump', (d) => removeTransfer(d, pumpId));
  }
}
