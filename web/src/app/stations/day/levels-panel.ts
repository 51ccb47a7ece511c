import { Component, computed, inject, signal } from '@angular/core';
import { assumptionValues, type DayResult, formatQuantity, fuelLastsDays, fuelVolume } from '@pozzo/core';
import { type Fact, Facts } from '../../bench/facts';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level, place } from '../../kit/chart-parts';
import { Picker } from '../../kit/picker';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { CAUSE_WORDS } from './cause-words';

/** What falls short and how often, the level of each tank over the day, and what a day uses. */
@Component({
  selector: 'pz-levels-panel',
  imports: [Chart, Facts, Picker],
  template: `
    @for (c of causes(); track c.text) {
      <p class="cause">
        <strong>{{ c.chance }}</strong> {{ c.text }}
      </p>
    } @empty {
      @if (sample().value) {
        <p class="cause">Nothing falls short on any of the days sampled.</p>
      } @else {
        <p class="quiet" role="status">Days are being sampled…</p>
      }
    }
    @if (bySeason(); as s) {
      <p class="cause">{{ s }}</p>
    }
    @if (usual() && bands(); as b) {
      <div class="charthead">
        <h3>{{ b.name }} over the day</h3>
        <pz-picker [items]="vessels()" [chosen]="b.tankIds[0]" label="Which tank" (choose)="vessel.set($event)" />
      </div>
      <pz-chart [option]="levels()" [height]="230" [summary]="levelWords()" />
      <pz-facts [facts]="facts()" />
      <p class="quiet small">Median day to 95th percentile.</p>
    }
  `,
  styles: `
    .cause {
      margin: 6px 0 0;
    }
    .charthead {
      display: flex;
      align-items: center;
      gap: 12px;
      flex-wrap: wrap;
      margin-top: 10px;
    }
    .charthead h3 {
      margin: 0;
    }
    .small {
      font-size: 13.5px;
    }
  `,
})
export class LevelsPanel {
  private readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  protected readonly usual = this.day.usual;
  protected readonly sample = this.day.sample;
  protected readonly vessel = signal<string | undefined>(undefined);

  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  protected readonly causes = computed(() =>
    (this.sample().value?.causes ?? []).slice(0, 4).map((c) => ({
      chance: this.q(c.chance.chance, 'ratio', 2),
      text: `of days: ${c.name} ${CAUSE_WORDS[c.cause]}${Number.isFinite(c.firstMedianS) && c.firstMedianS > 0 ? `, mostly after ${this.q(c.firstMedianS, 'time', 2)}` : ''}.`,
    })),
  );
  protected readonly bySeason = computed(() => {
    const seasons = this.sample().value?.seasons ?? [];
    if (!seasons.some((s) => s.short.chance > 0)) return '';
    return `Short of water: ${seasons.map((s) => `${this.q(s.short.chance, 'ratio', 2)} of ${s.season} days`).join(', ')}.`;
  });
  protected readonly vessels = computed(() => (this.sample().value?.bands ?? []).map((b) => ({ id: b.tankIds[0], name: b.name })));
  protected readonly bands = computed(() => {
    const list = this.sample().value?.bands ?? [];
    return list.find((b) => b.tankIds[0] === this.vessel()) ?? list.find((b) => b.water) ?? list[0];
  });
  protected readonly levelWords = computed(() => {
    const b = this.bands();
    if (!b) return '';
    return `${b.name}: lowest at ${Math.round(100 * Math.min(...b.p50))}% on a middling day, ${Math.round(100 * Math.min(...b.p5))}% on one day in twenty; not usable below ${Math.round((100 * b.heel) / b.full)}%.`;
  });
  protected readonly levels = computed<ChartOption>(() => {
    const s = this.sample().value!;
    const b = this.bands();
    const u = this.usual()!;
    const hours = (t: number): number => Number(((u.startsS + t) / 3600).toFixed(4));
    const line = (shares: readonly number[]): [number, number][] => s.times.map((t, i) => [hours(t), Number((100 * shares[i]).toFixed(2))]);
    const spread = line(b.p95.map((x, i) => x - b.p5[i]));
    const usualLine = this.usualLine(u, b.tankIds[0]).map(([t, x]) => [hours(t), Number((100 * x).toFixed(2))] as [number, number]);
    const minute = this.day.minute();
    return (c) => {
      const base = axes(
        c,
        { name: 'time of day', min: Math.floor(hours(0)), max: Math.ceil(hours(u.lengthS)) },
        { name: `${b.name}, % of full`, min: 0, max: 100 },
      );
      return {
        ...base,
        legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8, data: ['usual day', 'middling', '5 to 95 days of 100'] },
        tooltip: { show: false },
        series: [
          { ...curve('floor', line(b.p5), 'transparent', { stack: 'band', silent: true, lineStyle: { opacity: 0 } }) },
          curve('5 to 95 days of 100', spread, c.waterMid, {
            stack: 'band',
            silent: true,
            lineStyle: { opacity: 0 },
            areaStyle: { color: c.waterMid, opacity: 0.45 },
          }),
          curve('middling', line(b.p50), c.water, { lineStyle: { color: c.water, width: 2, type: 'dashed' } }),
          curve('usual day', usualLine, c.ink, { markLine: level(Number(((100 * b.heel) / b.full).toFixed(1)), 'not usable below', c.attention) }),
          ...(minute === null ? [] : [curve('now', [], c.attention, { markLine: place(hours(minute), '', c.attention) })]),
        ],
      };
    };
  });
  private usualLine(u: DayResult, tankId: string): [number, number][] {
    const v = u.vessels.findIndex((x) => x.tankIds[0] === tankId);
    const t = u.trace;
    return t && v >= 0 ? t.timeS.map((s, i) => [s, t.volumeM3[v][i] / u.vessels[v].full]) : [];
  }
  protected readonly facts = computed<Fact[]>(() => {
    const s = this.sample().value;
    const u = this.usual();
    if (!s || !u) return [];
    const f = s.figures;
    const of = (x: { p50: number; p95: number }, d: Parameters<typeof formatQuantity>[1]): string => {
      const [usual, most] = [this.q(x.p50, d), this.q(x.p95, d)];
      return usual === most ? usual : `${usual} to ${most}`;
    };
    const lost = f.waited.mean + f.undone.mean;
    const out: Fact[] = [
      { label: 'Water used', text: of(f.used, 'volume') },
      { label: 'Lost in a day, mean', text: this.q(lost, 'time', 2) },
      { label: 'From taps', text: of(f.filled, 'volume') },
      { label: 'On board while driving', text: of(f.carried, 'volume') },
      { label: 'Length of the day', text: of(f.length, 'time') },
      { label: 'Fuel, usual day', text: this.q(fuelVolume(u.fuelKg, assumptionValues(this.rig.rig()?.assumptions)['fuel-density']), 'volume', 2) },
    ];
    if (f.refilled.p95 > 0) out.push({ label: 'Refilled', text: of(f.refilled, 'volume') });
    if (f.dumped.p95 > 0) out.push({ label: 'Dumped', text: of(f.dumped, 'volume') });
    const doc = this.rig.document();
    for (const x of s.strengths)
      out.push({
        label: `${doc?.mixes?.find((m) => m.id === x.mixId)?.name ?? 'Mix'} at the wall`,
        text: `${this.q(x.p5, 'ratio', 2)} to ${this.q(x.p95, 'ratio', 2)}`,
      });
    for (const g of u.guns) out.push({ label: `${doc?.outlets.find((o) => o.id === g.outletId)?.name ?? 'Gun'}, least`, text: this.q(g.lowestPa, 'pressure') });
    for (const b of u.batteries) out.push({ label: `${b.name} left`, text: this.q(b.leftAs, 'charge', 2) });
    for (const f of u.fuels) if (f.usedM3 > 0) out.push({ label: `${f.name} lasts`, text: `${fuelLastsDays(f).toFixed(1)} days` });
    for (const r of u.receivers) if (r.lowest !== null) out.push({ label: 'Air in the receiver, least', text: this.q(r.lowest, 'ratio', 2) });
    return out;
  });
}
