import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type FlowAndPressure, gunLimits, nozzleCode } from '@pozzo/core';
import { Chart, type ChartColours, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';

/** Neighbouring nozzle sizes as curves of flow and pressure, with what unloader, engine and flow allow; press a size to fit it. */
@Component({
  selector: 'pz-nozzle-picker',
  imports: [Chart, MatButtonModule],
  template: `
    @if (limits(); as l) {
      <pz-chart [option]="option()" [height]="260" [summary]="words()" />
      <div class="sizes" role="group" aria-label="Nozzle sizes">
        @for (n of l.sizes; track $index) {
          <button type="button" mat-stroked-button class="small" [class.strong]="n === l.own" [attr.aria-pressed]="n === l.own" (click)="fit(n)">
            {{ code(n) }}
          </button>
        }
      </div>
    }
  `,
  styles: `
    .sizes {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 4px 0 14px;
    }
  `,
})
export class NozzlePicker {
  private readonly rig = inject(RigStore);
  readonly outletId = input.required<string>();

  /** Curves that bound what this gun can get. */
  protected readonly limits = computed(() => {
    const rig = this.rig.rig();
    const a = this.rig.assessment();
    return rig && a ? (gunLimits(rig, a, this.outletId()) ?? null) : null;
  });
  protected readonly words = computed(() => {
    const sizes = this.limits()?.sizes ?? [];
    return `Nozzles ${sizes.map((n) => this.code(n)).join(', ')}: flow against pressure, bounded by unloader, engine and the machine’s flow.`;
  });

  protected readonly option = computed<ChartOption>(() => {
    const l = this.limits()!;
    const units = this.rig.units();
    const xy = ([q, p]: FlowAndPressure): [number, number] => [round3(inUnit(q, 'flow', units)), round3(inUnit(p, 'pressure', units))];
    const inside = (points: readonly FlowAndPressure[]): [number, number][] => points.filter(([, p]) => p >= 0 && p <= l.topPa).map(xy);
    const limit = (name: string, points: readonly FlowAndPressure[], c: ChartColours): object =>
      curve(name, inside(points), c.attention, { lineStyle: { color: c.attention, width: 2, type: 'dashed' } });
    return (c) => ({
      ...axes(
        c,
        { name: `flow at the gun, ${unitOf('flow', units)}` },
        { name: unitOf('pressure', units), min: 0, max: Math.round(inUnit(l.topPa, 'pressure', units)) },
      ),
      legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8, itemWidth: 18, data: ['unloader', 'engine', 'now'] },
      tooltip: { show: false },
      series: [
        ...l.sizes.map((n) => ({
          ...curve(`${n}`, inside(l.nozzle(n)), n === l.own ? c.water : c.waterMid, {
            lineStyle: { color: n === l.own ? c.water : c.waterMid, width: n === l.own ? 3.5 : 1.8 },
          }),
          endLabel: { show: true, formatter: `${n}`, color: c.ink, fontWeight: n === l.own ? 700 : 400 },
        })),
        { ...limit('unloader', l.unloader, c), markLine: level(inUnit(l.wantedPa, 'pressure', units), 'wanted', c.ink) },
        limit('engine', l.engine, c),
        { name: 'now', type: 'scatter', data: [xy(l.now)], symbolSize: 12, itemStyle: { color: c.ink } },
      ],
    });
  });

  protected code(n: number): string {
    const angle = Number(this.rig.document()?.outlets.find((o) => o.id === this.outletId())?.nozzle.angle ?? 25);
    return nozzleCode(n, angle);
  }
  protected fit(n: number): void {
    this.rig.edit(`Nozzle number ${n}`, (d) => {
      const outlet = d.outlets.find((o) => o.id === this.outletId());
      if (outlet) outlet.nozzle.size = String(n);
    });
  }
}
