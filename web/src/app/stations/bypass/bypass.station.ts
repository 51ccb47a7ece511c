import { Component, computed, inject, input } from '@angular/core';
import { type AsTold, assumptionValues, type BypassResult, formatDifference, formatQuantity, HEAT_UNIT, returnTo } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { LineEditor } from '../../bench/line-editor';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../bench/station-frame';
import { inUnit, round3 } from '../../kit/units';
import { RigStore } from '../../state/rig-store';

/** Where the water goes while the trigger is shut, and how warm it gets. */
@Component({
  selector: 'pz-bypass-station',
  imports: [Chart, Facts, Later, LineEditor, Picker, QuantityField, SelectRow, StationFrame],
  template: `
    <pz-station heading="Bypass and return" station="bypass" calm="Slow to heat in bypass (time below); no bubbles at the outlet.">
      <div set>
        <pz-picker [items]="machines()" [chosen]="chosen.item()?.id" label="Which machine" (choose)="chosen.choose($event)" />
        @if (chosen.item()) {
          <pz-select label="Returns to" [options]="places()" [value]="lineTank() ?? ''" (choose)="redirect($event)" />
          @if (lineIndex() >= 0) {
            @if (lineTank()) {
              <pz-quantity label="Ends above the tank’s bottom" [path]="'lines.' + lineIndex() + '.to.height'" placeholder="tank top" />
              <pz-quantity label="From the outlet" hint="sideways" [path]="'lines.' + lineIndex() + '.to.apart'" placeholder="next to it" />
            }
            <pz-line-editor [lineId]="lineId()!" heading="Parts of the return · share of the loss" [shares]="result()?.parts ?? []" />
          }
        }
      </div>
      <div does *pzLater>
        <h2>With the trigger shut</h2>
        @if (result(); as r) {
          <p class="lead">{{ sentence() }}</p>
          <pz-chart [option]="option()" [height]="240" [summary]="sentence()" />
          <pz-facts [facts]="facts()" />
        }
      </div>
    </pz-station>
  `,
  styles: `
    .lead {
      margin: 4px 0 10px;
    }
  `,
})
export class BypassStation {
  private readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly machines = computed(() => this.rig.document()?.machines ?? []);
  protected readonly tanks = computed(() => this.rig.document()?.tanks ?? []);
  protected readonly chosen = chosenOf(this.machines, this.of);
  private readonly index = computed(() => this.rig.assessment()?.bypasses.findIndex((b) => b.machineId === this.chosen.item()?.id) ?? -1);
  protected readonly result = computed<AsTold<BypassResult> | undefined>(() => this.rig.assessment()?.bypasses[this.index()]);
  protected readonly lineIndex = computed(() => this.rig.document()?.lines.findIndex((l) => l.role === 'bypass' && l.from.id === this.chosen.item()?.id) ?? -1);
  protected readonly lineId = computed(() => this.rig.document()?.lines[this.lineIndex()]?.id);
  protected readonly lineTank = computed(() => {
    const to = this.rig.document()?.lines[this.lineIndex()]?.to;
    return to?.at === 'tank' ? to.id : undefined;
  });
  protected readonly sentence = computed(() => {
    const r = this.result();
    if (!r) return '';
    const units = this.rig.units();
    const heat = `${formatQuantity(r.heatW, 'power', units, { unit: HEAT_UNIT[units] })} of heat`;
    if (r.goesTo === 'inlet') return `The same water loops and takes on ${heat}: hot in ${formatQuantity(r.minutesToLimit.value, 'time', units)}.`;
    return `The tank takes up ${heat} and warms by ${formatDifference(r.riseHourK, 'temperature', units, { digits: 2 })} an hour when half full, faster with less water. Shut down on breaks.`;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.index();
    if (!r) return [];
    return [
      { label: 'Limit reached in', at: `bypasses.${i}.minutesToLimit`, never: 'never' },
      { label: 'Back-pressure', at: `bypasses.${i}.backPressure` },
      ...(r.bubbles
        ? [
            { label: 'Bubble depth', at: `bypasses.${i}.bubbles.depth` },
            { label: 'and reach the outlet below', text: formatQuantity(r.bubbles.reachesBelowLevelM, 'length', this.rig.units()) },
          ]
        : [{ label: 'Bubbles at the outlet', text: 'none' }]),
    ];
  });
  protected readonly option = computed<ChartOption>(() => {
    const r = this.result()!;
    const units = this.rig.units();
    const startK = this.rig.rig()?.brief.water ?? 293.15;
    const limitK = assumptionValues(this.rig.rig()?.assumptions)['bypass-limit'];
    const t = (k: number) => round3(inUnit(k, 'temperature', units));
    const span = r.goesTo === 'inlet' ? Math.min(Math.max((r.minutesToLimit.value / 60) * 1.3, 2), 60) : 60;
    const points = Array.from(
      { length: 31 },
      (_, i) => [round3((span * i) / 30), t(Math.min(startK + (r.riseHourK * span * i) / 30 / 60, 373))] as [number, number],
    );
    return (c) => ({
      ...axes(
        c,
        { name: 'minutes with the trigger shut', max: round3(span) },
        { name: `water, ${unitOfTemperature(units)}`, max: Math.ceil(t(limitK) * 1.06) },
      ),
      series: [curve('water', points, r.goesTo === 'inlet' ? c.attention : c.water, { markLine: level(t(limitK), 'limit', c.attention) })],
    });
  });

  protected readonly places = computed(() => [{ value: '', name: 'its own inlet' }, ...this.tanks().map((t) => ({ value: t.id, name: t.name }))]);
  protected redirect(tankId: string): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Where the return goes', (d) => returnTo(d, id, tankId || undefined));
  }
}

const unitOfTemperature = (units: 'us' | 'metric'): string => (units === 'us' ? '°F' : '°C');
