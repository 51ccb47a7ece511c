import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type AsTold, addFill, addTap, type FillResult, hoseSize, formatQuantity, partName, type PartShare, removeFill, removeTap, si } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, place } from '../../kit/chart-parts';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { LineEditor } from '../../bench/line-editor';
import { NameField } from '../../bench/name-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

/** What really arrives at the tank from the customer's spigot. */
@Component({
  selector: 'pz-fill-station',
  imports: [SpellPipe, Chart, ChoiceField, Facts, Later, LineEditor, MatButtonModule, NameField, Picker, QuantityField, StationFrame],
  template: `
    <pz-station [heading]="'Fill: ‹spigot› to tank' | spell" station="fill" calm="Water reaches the tank. Whether it’s enough: see Tanks.">
      <div set>
        <pz-picker [items]="picks()" [chosen]="chosen.item()?.id" label="Which fill line" (choose)="chosen.choose($event)" />
        @if (spigotIndex() >= 0) {
          <pz-name [label]="'‹Spigot›' | spell" [path]="'spigots.' + spigotIndex() + '.name'" />
          <pz-quantity label="Static pressure" [path]="'spigots.' + spigotIndex() + '.staticPressure'" />
          @for (r of readings(); track $index; let i = $index) {
            <pz-quantity
              [label]="readings().length > 1 ? 'Timed bucket ' + (i + 1) : 'Timed bucket'"
              [path]="'spigots.' + spigotIndex() + '.readings.' + i + '.flow'"
            />
            <pz-choice label="measured at" [path]="'spigots.' + spigotIndex() + '.readings.' + i + '.at'" [options]="places" />
          }
          <div class="acts">
            <button type="button" mat-stroked-button class="small" (click)="addReading()">Add a reading</button>
            @if (readings().length > 1) {
              <button type="button" mat-stroked-button class="small" (click)="dropReading()">Remove the last</button>
            }
          </div>
          <pz-quantity [label]="('‹Spigot› above ' | spell) + heightFrom()" [path]="'spigots.' + spigotIndex() + '.height'" />
        }
        @if (lineId(); as l) {
          <pz-line-editor [lineId]="l" [heading]="'Parts, ‹spigot› to tank · share of the loss' | spell" [shares]="result()?.parts ?? []" />
          @for (t of taps(); track t.id; let i = $index) {
            <fieldset>
              <legend>{{ t.name }}</legend>
              <pz-name label="Name" [path]="tapsPath() + i + '.name'" />
              <pz-quantity label="Bore" [path]="tapsPath() + i + '.bore'" />
              <pz-quantity label="Its hose (0 for a bucket tap)" [path]="tapsPath() + i + '.length'" />
              <pz-quantity label="Its end above the deck" [path]="tapsPath() + i + '.height'" />
              <div class="acts">
                <button type="button" mat-stroked-button class="small" (click)="dropTap(l, t.id)">Remove {{ t.name }}</button>
              </div>
            </fieldset>
          }
          <div class="acts">
            @if (takesTaps()) {
              <button type="button" mat-stroked-button class="small" (click)="tap(l, 'hose')">Add a hand hose</button>
              <button type="button" mat-stroked-button class="small" (click)="tap(l, 'bucket')">Add a bucket tap</button>
            }
            <button type="button" mat-stroked-button class="small" (click)="remove(l)">Remove this fill line</button>
          </div>
        } @else {
          <p class="quiet">No fill line: this rig carries its water.</p>
          <div class="acts">
            @for (t of tanks(); track t.id) {
              <button type="button" mat-stroked-button class="small" (click)="add(t.id)">Fill {{ t.name }} from {{ '‹a spigot›' | spell }}</button>
            }
          </div>
        }
      </div>
      <div does *pzLater>
        <h2>What arrives</h2>
        @if (!lineId()) {
          <p class="lead">No fill: you work from what’s on board.</p>
        }
        @if (result(); as r) {
          <p class="lead">{{ sentence() }}</p>
          <pz-chart [option]="option()" [height]="260" [summary]="sentence()" />
          <pz-facts [facts]="facts()" />
          @for (t of tapFacts(); track t.id) {
            <h2>{{ t.name }}, opened by hand</h2>
            <p class="lead">{{ t.words }}</p>
            <pz-facts [facts]="t.facts" />
          }
        }
      </div>
    </pz-station>
  `,
  styles: `
    .lead {
      margin: 4px 0 10px;
    }
    fieldset {
      margin: 12px 0 0;
      border: 1px solid var(--line);
      padding: 4px 10px 8px;
    }
    legend {
      padding: 0 6px;
      font-weight: 600;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class FillStation {
  private readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly heightFrom = this.rig.heightFrom;
  protected readonly picks = computed(() =>
    (this.rig.document()?.lines ?? []).filter((l) => l.role === 'fill').map((l) => ({ id: l.id, name: l.name ?? this.nameOf(l.to.id) })),
  );
  private readonly wanted = computed(() => {
    const of = this.of();
    const bySpigot = this.rig.document()?.lines.find((l) => l.role === 'fill' && l.from.id === of);
    return bySpigot?.id ?? of;
  });
  protected readonly chosen = chosenOf(this.picks, this.wanted);
  protected readonly lineId = computed(() => this.chosen.item()?.id);
  private readonly line = computed(() => this.rig.document()?.lines.find((l) => l.id === this.lineId()));
  protected readonly spigotIndex = computed(() => this.rig.document()?.spigots.findIndex((s) => s.id === this.line()?.from.id) ?? -1);
  protected readonly readings = computed(() => this.rig.document()?.spigots[this.spigotIndex()]?.readings ?? []);
  private readonly resultIndex = computed(() => this.rig.assessment()?.fills.findIndex((f) => f.lineId === this.lineId()) ?? -1);
  protected readonly result = computed<AsTold<FillResult> | undefined>(() => this.rig.assessment()?.fills[this.resultIndex()]);
  protected readonly places = [
    { value: 'spigot', name: spell('the bare ‹spigot›') },
    { value: 'hose-end', name: 'the hose’s end' },
  ];

  protected readonly sentence = computed(() => {
    const r = this.result();
    if (!r) return '';
    const q = (v: number) => formatQuantity(v, 'flow', this.rig.units());
    const cost = r.costliest && r.costliest.share > 0.3 ? ` ${this.costliest(r.costliest)} takes ${Math.round(100 * r.costliest.share)}% of the loss.` : '';
    const gain = r.wider ? ` A ${hoseSize(r.wider.boreM, this.rig.units())} hose would bring ${q(r.wider.flowM3s)}.` : '';
    return `${spell(`The tank gets ${q(r.arrives.value)} of the ‹spigot›’s ${q(r.spigotFlow.value)}.`)}${cost}${gain}`;
  });
  private costliest({ partId, name }: PartShare): string {
    const part = this.line()?.parts.find((p) => p.id === partId);
    return part ? partName(part, this.rig.units()) : name;
  }
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.resultIndex();
    if (!r) return [];
    const q = (v: number) => formatQuantity(v, 'flow', this.rig.units());
    return [
      { label: 'Arrives', at: `fills.${i}.arrives` },
      { label: spell('‹Spigot› alone'), at: `fills.${i}.spigotFlow` },
      { label: 'At a poor site', text: q(r.poor) },
      { label: 'At a good site', text: q(r.good) },
      { label: 'Fills the tank in', at: `fills.${i}.fillTime`, never: 'never' },
    ];
  });
  protected readonly option = computed<ChartOption>(() => {
    const r = this.result()!;
    const system = this.rig.units();
    const most = Math.sqrt(r.curve.staticPressurePa / Math.max(r.curve.k, 1));
    const points = Array.from({ length: 41 }, (_, i) => {
      const q = (most * i) / 40;
      return [round3(inUnit(q, 'flow', system)), round3(inUnit(r.curve.staticPressurePa - r.curve.k * q * q, 'pressure', system))] as [number, number];
    });
    const line = r.asks
      .map((a) => [round3(inUnit(a.flowM3s, 'flow', system)), round3(inUnit(a.pressurePa, 'pressure', system))] as [number, number])
      .filter(([, p]) => p <= points[0][1] * 1.05);
    const readings = this.readings().map((reading) => {
      const q = si(reading.flow, 'flow');
      return [
        round3(inUnit(q, 'flow', system)),
        reading.at === 'spigot' ? 0 : round3(inUnit(r.curve.staticPressurePa - r.curve.k * q * q, 'pressure', system)),
      ] as [number, number];
    });
    return (c) => ({
      ...axes(c, { name: `flow, ${unitOf('flow', system)}` }, { name: spell(`pressure at the ‹spigot›, ${unitOf('pressure', system)}`), min: 0 }),
      legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8 },
      series: [
        curve('spigot', points, c.water, { markLine: place(inUnit(r.arrives.value, 'flow', system), 'arrives', c.ink) }),
        curve('fill line needs', line, c.quiet, { lineStyle: { color: c.quiet, type: 'dashed', width: 2 } }),
        { name: 'readings', type: 'scatter', data: [[0, points[0][1]], ...readings], itemStyle: { color: c.ink }, symbolSize: 8 },
      ],
    });
  });

  protected readonly taps = computed(() => this.line()?.taps ?? []);
  /** Only a line from a spigot to a tank carries them, four at most. */
  protected readonly takesTaps = computed(() => this.line()?.from.at === 'spigot' && this.line()?.to.at === 'tank' && this.taps().length < 4);
  protected readonly tapsPath = computed(() => `lines.${this.rig.document()?.lines.indexOf(this.line()!) ?? 0}.taps.`);
  /** What each hand hose gives, in words and figures. */
  protected readonly tapFacts = computed(() => {
    const at = `fills.${this.resultIndex()}.taps.`;
    const q = (v: number) => formatQuantity(v, 'flow', this.rig.units());
    return (this.result()?.taps ?? []).map((r, i) => ({
      id: r.tapId,
      name: this.taps().find((t) => t.id === r.tapId)?.name ?? '',
      words: `${q(r.gives.value)} out of it while the tank fills; the tank still gets ${q(r.toTank)}. It’s closed during the workday.`,
      facts: [
        { label: 'Gives while the tank fills', at: `${at}${i}.gives` },
        { label: 'With the float shut', text: q(r.alone) },
        { label: 'At a poor site', text: q(r.poor) },
        { label: 'Fills a bucket in', at: `${at}${i}.bucketTime`, never: 'never' },
      ] satisfies Fact[],
    }));
  });
  protected tap(lineId: string, kind: 'hose' | 'bucket'): void {
    this.rig.edit(kind === 'hose' ? 'Add a hand hose' : 'Add a bucket tap', (d) => void addTap(d, lineId, kind));
  }
  protected dropTap(lineId: string, tapId: string): void {
    this.rig.edit('Remove a hand hose', (d) => removeTap(d, lineId, tapId));
  }

  protected readonly tanks = computed(() => this.rig.document()?.tanks ?? []);
  protected add(tankId: string): void {
    this.rig.edit('Add a fill line', (d) => void addFill(d, tankId));
  }
  protected remove(lineId: string): void {
    this.rig.edit('Remove a fill line', (d) => removeFill(d, lineId));
  }

  private nameOf(id: string | undefined): string {
    return this.rig.document()?.tanks.find((t) => t.id === id)?.name ?? 'Line';
  }
  protected addReading(): void {
    this.rig.edit('Add a reading', (d) => {
      const { readings } = d.spigots[this.spigotIndex()];
      readings.push({ ...readings[readings.length - 1] });
    });
  }
  protected dropReading(): void {
    this.rig.edit('Remove a reading', (d) => void d.spigots[this.spigotIndex()].readings.pop());
  }
}
