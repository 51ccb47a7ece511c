import { Component, computed, DestroyRef, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type AssumptionId, assumptionValues, findAssumption, formatQuantity, fuelVolume } from '@pozzo/core';
import { RouterLink } from '@angular/router';
import { type Fact, Facts } from '../../bench/facts';
import { ChoiceField } from '../../bench/choice-field';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';

/** What drives the pumps: fuel, battery and its wires, air; and how long it lasts. */
@Component({
  selector: 'pz-power-station',
  imports: [ChoiceField, DataTable, Facts, MatButtonModule, QuantityField, RouterLink, StationFrame],
  template: `
    <pz-station heading="Fuel, wires and air" station="power" calm="Every 12 V load has a cable and a fuse that carry it.">
      <div set>
        @if (power()) {
          <pz-quantity label="Battery" path="power.battery" />
          <pz-choice label="Battery kind" path="power.chemistry" [options]="batteries" />
          <pz-quantity label="Charging meanwhile" path="power.charging" />
          <pz-quantity label="Fuel tanks together" path="power.fuel" placeholder="not said" />
          <pz-quantity label="Compressor, free air" path="power.freeAir" />
          <pz-quantity label="Compressor engine" path="power.compressorPower" />
          <pz-quantity label="Air receiver" path="power.receiver" placeholder="none" />
          <pz-quantity label="Compressor rests at" path="power.cutOut" [placeholder]="usual('air-cut-out')" />
        } @else {
          <p class="quiet">Nothing is said of battery, fuel and air yet.</p>
          <button type="button" mat-stroked-button class="small" (click)="add()">Say what drives it</button>
        }
      </div>
      <div does>
        <h2>From the battery</h2>
        @if (rows().length) {
          <pz-table label="Cables and fuses" [columns]="columns()" [rows]="rows()" />
          <p class="quiet">{{ lengths() }}</p>
        } @else {
          <p class="quiet">Nothing on this rig runs on 12 V.</p>
        }
        <h2>Through the day</h2>
        @if (facts().length) {
          <pz-facts [facts]="facts()" />
        } @else {
          <p class="quiet">Its usual day is being worked.</p>
        }
        <p class="quiet">
          Single cables, fuses, starters, reels, generators and burners are reckoned at <a routerLink="/sums/cable">Quick sums</a>. Where a battery stands is
          said at <a [routerLink]="['/rig', id(), 'plan']">Plan</a>.
        </p>
      </div>
    </pz-station>
  `,
  styles: `
    h2 {
      margin: 4px 0 6px;
    }
  `,
})
export class PowerStation {
  private readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  protected readonly id = computed(() => this.rig.state().id);
  protected readonly power = computed(() => this.rig.document()?.power);
  protected readonly batteries = [
    { value: 'lead-acid', name: 'Lead-acid' },
    { value: 'agm', name: 'AGM' },
    { value: 'lithium', name: 'Lithium' },
  ];
  protected readonly columns = computed<readonly Column[]>(() => [
    { id: 'load', name: 'Load', sorts: true },
    { id: 'current', name: 'Draws', number: true, sorts: true },
    { id: 'length', name: 'One way', number: true, sorts: true },
    { id: 'cable', name: 'Cable', number: true },
    { id: 'fuse', name: 'Fuse', number: true, sorts: true },
    { id: 'at', name: 'At the load', number: true, sorts: true },
    { id: 'drop', name: 'Lost', number: true, sorts: true },
  ]);
  protected readonly rows = computed<TableRow[]>(() =>
    (this.rig.assessment()?.circuits ?? []).map((c) => ({
      id: c.loadId,
      cells: {
        load: c.name,
        current: { text: this.q(c.current.value, 'current'), by: c.current.value },
        length: { text: this.q(c.lengthM, 'length'), by: c.lengthM },
        cable: c.gauge === undefined ? { text: 'none carries it', shout: true } : `AWG ${WIRE_NAMES[c.gauge] ?? c.gauge} · ${(c.areaM2! * 1e6).toFixed(1)} mm²`,
        fuse: c.fuseA === undefined ? '' : { text: `${c.fuseA} A`, by: c.fuseA },
        at: c.gauge === undefined ? '' : { text: this.q(c.voltage, 'voltage'), by: c.voltage },
        drop: c.dropShare === undefined ? '' : { text: this.q(c.dropShare, 'ratio'), by: c.dropShare },
      },
    })),
  );
  protected readonly lengths = computed(() => {
    const all = this.rig.assessment()?.circuits ?? [];
    const loose = all.filter((c) => !c.asLaid).length;
    return loose
      ? `${loose === all.length ? 'Lengths are' : `${loose} of the lengths are`} the usual one: battery or load has no place yet.`
      : 'Lengths are those of the deck, with slack.';
  });
  protected readonly facts = computed<Fact[]>(() => {
    const day = this.day.usual();
    const rig = this.rig.rig();
    if (!day || !rig) return [];
    const perDay = fuelVolume(day.fuelKg, assumptionValues(rig.assumptions)['fuel-density']);
    const fuel = rig.power?.fuel;
    return [
      ...(day.fuelKg > 0 ? [{ label: 'Fuel in a day', text: this.q(perDay, 'volume') }] : []),
      ...(day.fuelKg > 0 && fuel ? [{ label: 'Fuel on board lasts', text: `${(fuel / perDay).toFixed(1)} days` }] : []),
      ...(day.batteryLeft !== null ? [{ label: 'Battery left at the end, of what may be used', text: this.q(day.batteryLeft, 'charge') }] : []),
      ...(day.batteryLowest !== null ? [{ label: 'At its lowest', text: this.q(day.batteryLowest, 'charge') }] : []),
      ...(day.airLowest !== null ? [{ label: 'Receiver at its lowest', text: this.q(day.airLowest, 'ratio') }] : []),
    ];
  });

  constructor() {
    this.day.watch();
    inject(DestroyRef).onDestroy(() => this.day.leave());
  }

  protected usual(id: AssumptionId): string {
    return this.rig.document()?.assumptions[id] ?? findAssumption(id)!.value;
  }
  private q(value: number, dimension: Parameters<typeof formatQuantity>[1]): string {
    return formatQuantity(value, dimension, this.rig.units());
  }
  protected add(): void {
    this.rig.edit('Say what drives it', (d) => {
      d.power = { battery: '100 Ah', chemistry: 'agm', charging: '0 A', freeAir: '0 cfm', compressorPower: '0 hp' };
    });
  }
}

const WIRE_NAMES: Readonly<Record<number, string>> = { 0: '1/0', [-1]: '2/0' };
