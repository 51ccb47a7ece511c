import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type AsTold, addDump, type DrainResult, formatQuantity } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve } from '../../kit/chart-parts';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { LineEditor } from '../../bench/line-editor';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';

/** How long a tank takes to empty before a long drive, and whether its vent keeps up. */
@Component({
  selector: 'pz-dump-station',
  imports: [Chart, ChoiceField, Facts, Later, LineEditor, MatButtonModule, Picker, QuantityField, StationFrame],
  template: `
    <pz-station heading="Dump and vent" station="dump" calm="The vent lets air in as fast as the tank empties.">
      <div set>
        <pz-picker [items]="tanks()" [chosen]="chosen.item()?.id" label="Which tank" (choose)="chosen.choose($event)" />
        @if (chosen.item()) {
          <pz-choice label="Lid" [path]="'tanks.' + chosen.index() + '.lid'" [options]="lids" />
          <pz-quantity label="Vent" [path]="'tanks.' + chosen.index() + '.ventBore'" />
          @if (lineIndex() >= 0) {
            <pz-quantity label="Outlet above the tank’s bottom" [path]="'lines.' + lineIndex() + '.from.height'" placeholder="tank bottom" />
            <pz-quantity label="Ends above deck" [path]="'lines.' + lineIndex() + '.to.height'" placeholder="at the outlet" />
            <pz-line-editor [lineId]="lineId()!" heading="Parts of the dump line · share of the loss" [shares]="result()?.parts ?? []" />
          } @else {
            <p class="quiet">No dump line: this tank empties only through the pumps.</p>
            <button type="button" mat-stroked-button class="small" (click)="add()">Add a 2 in dump valve</button>
          }
        }
      </div>
      <div does *pzLater>
        <h2>Emptying the tank</h2>
        @if (result(); as r) {
          <p class="lead">{{ sentence() }}</p>
          @if (r.series.timeS.length > 1) {
            <pz-chart [option]="option()" [height]="240" [summary]="sentence()" />
          }
          <pz-facts [facts]="facts()" />
        }
      </div>
    </pz-station>
  `,
  styles: `
    .lead {
      margin: 4px 0 10px;
    }
    button {
      margin: 8px 0;
    }
  `,
})
export class DumpStation {
  private readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly tanks = computed(() => this.rig.document()?.tanks ?? []);
  protected readonly chosen = chosenOf(this.tanks, this.of);
  private readonly index = computed(() => this.rig.assessment()?.drains.findIndex((d) => d.tankId === this.chosen.item()?.id) ?? -1);
  protected readonly result = computed<AsTold<DrainResult> | undefined>(() => this.rig.assessment()?.drains[this.index()]);
  /** The line that drains it (a tied tank's may do), or its own while that is shut. */
  protected readonly lineIndex = computed(() => {
    const lines = this.rig.document()?.lines ?? [];
    const open = lines.findIndex((l) => l.id === this.result()?.lineId);
    return open >= 0 ? open : lines.findIndex((l) => l.role === 'dump' && l.from.id === this.chosen.item()?.id);
  });
  protected readonly lineId = computed(() => this.rig.document()?.lines[this.lineIndex()]?.id);
  protected readonly lids = [
    { value: 'closed', name: 'Closed' },
    { value: 'open', name: 'Open' },
  ];
  protected readonly sentence = computed(() => {
    const r = this.result();
    if (!r) return '';
    const units = this.rig.units();
    if (!r.time || !r.series.volumeM3.length) return 'No open dump valve.';
    if (!Number.isFinite(r.time.value)) return 'The dump line ends too high: it stops before the tank is empty.';
    return `A full tank drains in ${formatQuantity(r.time.value, 'time', units, { digits: 2 })}; ${formatQuantity(r.series.massKg[0], 'mass', units)} come off the rig.`;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.index();
    if (!r) return [];
    const units = this.rig.units();
    return [
      ...(r.time ? [{ label: 'Drains in', at: `drains.${i}.time`, never: 'never' }] : []),
      { label: 'Fastest outflow', text: formatQuantity(r.fastestOutflowM3s, 'flow', units) },
      { label: 'Vacuum, lid closed', at: `drains.${i}.vacuum`, never: 'collapses' },
      { label: 'Vacuum at full draw', text: Number.isFinite(r.vacuumAtDraw) ? formatQuantity(r.vacuumAtDraw, 'pressure', units) : 'collapses' },
    ];
  });
  protected readonly option = computed<ChartOption>(() => {
    const r = this.result()!;
    const units = this.rig.units();
    const points = r.series.timeS
      .map((t, i) => [round3(t / 60), round3(inUnit(r.series.volumeM3[i], 'volume', units))] as [number, number])
      .filter(([t]) => Number.isFinite(t));
    const mass = r.series.timeS
      .map((t, i) => [round3(t / 60), round3(inUnit(r.series.massKg[i], 'mass', units))] as [number, number])
      .filter(([t]) => Number.isFinite(t));
    const base = (c: Parameters<ChartOption>[0]) =>
      axes(c, { name: 'minutes' }, { name: `left, ${unitOf('volume', units)}`, min: 0 }) as { yAxis: object; grid: object };
    return (c) => {
      const a = base(c);
      return {
        ...a,
        grid: { left: 52, right: 64, top: 30, bottom: 42 },
        yAxis: [
          a.yAxis,
          {
            ...a.yAxis,
            name: `weight, ${unitOf('mass', units)}`,
            nameTextStyle: { color: c.quiet, align: 'right', padding: [0, -44, 0, 0] },
            splitLine: { show: false },
            position: 'right',
          },
        ],
        series: [
          curve('left', points, c.water, { areaStyle: { color: c.waterPale } }),
          curve('weight', mass, c.water, { yAxisIndex: 1, lineStyle: { width: 0 } }),
        ],
      };
    };
  });

  protected add(): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Add a dump valve', (d) => addDump(d, id));
  }
}
