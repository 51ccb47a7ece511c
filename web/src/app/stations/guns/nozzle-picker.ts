import { Component, computed, inject, input } from '@angular/core';
import { assumptionValues, deratedPower, GRAVITY, NOZZLE_SIZES, nozzleCode, nozzlePressure, parseRig, partHeadLoss, waterAt } from '@pozzo/core';
import { Chart, type ChartColours, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { safely } from '../../kit/elevation';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';

/** Neighbouring nozzle sizes as curves of flow and pressure, with what unloader, engine and flow allow; press a size to fit it. */
@Component({
  selector: 'pz-nozzle-picker',
  imports: [Chart],
  template: `
    @if (limits(); as l) {
      <pz-chart [option]="option()" [height]="260" [summary]="l.words" />
      <div class="sizes" role="group" aria-label="Nozzle sizes">
        @for (n of l.sizes; track $index) {
          <button type="button" class="press small" [class.strong]="n === l.own" [attr.aria-pressed]="n === l.own" (click)="fit(n)">{{ code(n) }}</button>
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

  /** Curves that bound what this gun can get, all triggers of the others as they are. */
  protected readonly limits = computed(() => {
    const doc = this.rig.document();
    const a = this.rig.assessment();
    const rig = doc && safely(() => parseRig(doc));
    const result = a?.outlets.find((o) => o.outletId === this.outletId());
    const outlet = rig?.outlets.find((o) => o.id === this.outletId());
    const machine = rig?.machines.find((m) => m.id === result?.machineIds[0]);
    if (!rig || !a || !result || !outlet || !machine) return null;
    const values = assumptionValues(rig.assumptions);
    const water = waterAt(rig.brief.water);
    const now = result.flow.value;
    // Loss on the way to the gun at another flow: shared parts carry more in proportion.
    const loss = (q: number): number =>
      result.parts.reduce((s, share) => {
        const part = rig.lines.find((l) => l.id === share.lineId)?.parts.find((p) => p.id === share.partId);
        return part ? s + partHeadLoss(part, (share.flowM3s * q) / Math.max(now, 1e-9), water, values, false) : s;
      }, 0) *
      water.densityKgM3 *
      GRAVITY;
    const sharing = a.outlets.filter((o) => o.machineIds.includes(machine.id)).length;
    const most = machine.flow / Math.max(sharing, 1);
    const power = deratedPower(machine.enginePower, rig.brief.altitude, values['engine-derate']) * values['pump-efficiency'];
    const flows = Array.from({ length: 33 }, (_, i) => (most * 1.35 * (i + 2)) / 34);
    const own = outlet.nozzle.size;
    const at = NOZZLE_SIZES.reduce((best, n, i) => (Math.abs(n - own) < Math.abs(NOZZLE_SIZES[best] - own) ? i : best), 0);
    const sizes = [...new Set([...NOZZLE_SIZES.slice(Math.max(at - 3, 0), at + 4), own])].sort((x, y) => x - y);
    return {
      own,
      sizes,
      most,
      flows,
      top: machine.unloader.setting * 1.15,
      nozzle: (n: number): [number, number][] => flows.map((q) => [q, nozzlePressure(n * outlet.nozzle.count, q)]),
      unloader: flows.map((q) => [q, machine.unloader.setting - loss(q)] as [number, number]),
      engine: flows.map((q) => [q, power / (q * Math.max(sharing, 1)) - loss(q)] as [number, number]),
      wanted: outlet.wantedPressure,
      point: [now, result.pressure.value] as [number, number],
      words: `Nozzles ${sizes.map((n) => nozzleCode(n, outlet.nozzle.angle)).join(', ')}: flow against pressure, bounded by unloader, engine and the machine’s flow.`,
    };
  });

  protected readonly option = computed<ChartOption>(() => {
    const l = this.limits()!;
    const units = this.rig.units();
    const xy = ([q, p]: [number, number]): [number, number] => [round3(inUnit(q, 'flow', units)), round3(inUnit(p, 'pressure', units))];
    const inside = (points: [number, number][]): [number, number][] => points.filter(([, p]) => p >= 0 && p <= l.top).map(xy);
    const limit = (name: string, points: [number, number][], c: ChartColours): object =>
      curve(name, inside(points), c.attention, { lineStyle: { color: c.attention, width: 2, type: 'dashed' } });
    return (c) => ({
      ...axes(
        c,
        { name: `flow at the gun, ${unitOf('flow', units)}` },
        { name: unitOf('pressure', units), min: 0, max: Math.round(inUnit(l.top, 'pressure', units)) },
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
        { ...limit('unloader', l.unloader, c), markLine: level(inUnit(l.wanted, 'pressure', units), 'wanted', c.ink) },
        limit('engine', l.engine, c),
        { name: 'now', type: 'scatter', data: [xy(l.point)], symbolSize: 12, itemStyle: { color: c.ink } },
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
