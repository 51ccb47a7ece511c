import { Component, computed, inject, input } from '@angular/core';
import { type AsTold, assumptionValues, formatQuantity, fuelVolume, type SoftPumpDocument, type SoftPumpResult } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, place } from '../../kit/chart-parts';
import { type Fact, Facts } from '../../bench/facts';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';

/** A soft wash pump at work: where its curve meets hose and tip, how high it throws, what the day takes. */
@Component({
  selector: 'pz-soft-pump-panel',
  imports: [Chart, Facts],
  template: `
    @if (result()) {
      <h2>{{ pump().name }}</h2>
      <p class="lead">{{ sentence() }}</p>
      <pz-chart [option]="option()" [height]="220" [summary]="sentence()" />
      <pz-facts [facts]="facts()" />
      @if (elbows(); as words) {
        <p class="quiet">{{ words }}</p>
      }
      <p class="quiet">{{ spare() }}</p>
    } @else {
      <h2>{{ pump().name }}</h2>
      @if (judged()) {
        <p class="quiet">Not hooked up. Give it a mix, a hose and a gun in Mix.</p>
      }
    }
  `,
  styles: `
    .lead {
      margin: 0 0 8px;
    }
  `,
})
export class SoftPumpPanel {
  private readonly rig = inject(RigStore);
  protected readonly judged = this.rig.judged;
  readonly pump = input.required<SoftPumpDocument>();
  private readonly index = computed(() => this.rig.assessment()?.chemical.softPumps.findIndex((p) => p.pumpId === this.pump().id) ?? -1);
  protected readonly result = computed<AsTold<SoftPumpResult> | undefined>(() => this.rig.assessment()?.chemical.softPumps[this.index()]);

  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  protected readonly sentence = computed(() => {
    const r = this.result();
    if (!r) return '';
    const jet =
      r.jetHeight.value > 0 ? ` The jet climbs ${this.q(r.jetHeight.value, 'length', 2)} and throws about ${this.q(r.jetThrow.value, 'length', 2)}.` : '';
    return `${this.q(r.flow.value, 'flow')} through this hose, ${this.q(r.tipPressure.value, 'pressure', 2)} left at the tip.${jet}`;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.index();
    if (!r) return [];
    const at = `chemical.softPumps.${i}`;
    const out: Fact[] = [
      { label: 'Flow', at: `${at}.flow` },
      { label: 'Pressure added', at: `${at}.rise` },
      { label: 'At the tip', at: `${at}.tipPressure` },
    ];
    if (r.jetHeight.value > 0) out.push({ label: 'Straight up', at: `${at}.jetHeight` });
    if (r.daySeconds > 0) out.push({ label: 'Spraying in a day', text: this.q(r.daySeconds, 'time', 2) });
    if (r.current) {
      const supply = this.rig.assessment()?.circuits.find((c) => c.loadId === r.pumpId);
      out.push({ label: 'Current', at: `${at}.current` });
      if (supply) out.push({ label: 'Volts that reach it', text: this.q(supply.voltage, 'voltage') });
    }
    const air = this.rig.assessment()?.air.pumps.find((p) => p.pumpId === r.pumpId);
    if (r.airUse && air)
      out.push(
        { label: 'Free air', at: `${at}.airUse` },
        { label: 'The compressor gives it', text: this.q(air.givenM3s, 'airFlow') },
        ...(air.givenM3s < air.needM3s ? [{ label: 'Receiver carries it', text: air.carriesS > 0 ? this.q(air.carriesS, 'time', 2) : 'not at all' }] : []),
        { label: 'At its shaft', at: `${at}.airPower` },
      );
    if (r.fuelDayKg > 0)
      out.push({ label: 'Fuel in a day', text: this.q(fuelVolume(r.fuelDayKg, assumptionValues(this.rig.rig()?.assumptions)['fuel-density']), 'volume', 2) });
    out.push({ label: 'Longest in bypass', text: this.q(r.bypassLimitS, 'time', 2) });
    return out;
  });
  protected readonly elbows = computed(() => {
    const e = this.result()?.elbows;
    if (!e?.count) return '';
    return `${e.count} elbow${e.count > 1 ? 's' : ''} cost ${this.q(e.shareByPhysics, 'ratio', 2)} of the flow as computed; the rule of thumb says ${this.q(e.shareByRule, 'ratio', 2)}.`;
  });
  protected readonly spare = computed(() =>
    this.result()?.spare
      ? 'A spare pump or its wear parts are on board.'
      : 'No spare on board: a worn diaphragm ends the day. Carry a pump or a kit, and quick couplers on both sides.',
  );
  protected readonly option = computed<ChartOption>(() => {
    const r = this.result()!;
    const u = this.rig.units();
    const points = (list: SoftPumpResult['curve']) =>
      list.map((p) => [round3(inUnit(p.flowM3s, 'flow', u)), round3(inUnit(p.pressurePa, 'pressure', u))] as [number, number]);
    return (c) => ({
      ...axes(c, { name: `flow, ${unitOf('flow', u)}` }, { name: `pressure, ${unitOf('pressure', u)}`, min: 0 }),
      legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8 },
      series: [
        curve('pump', points(r.curve), c.chem, { markLine: place(inUnit(r.flow.value, 'flow', u), 'works here', c.ink) }),
        curve('hose and tip ask', points(r.asks), c.quiet, { lineStyle: { color: c.quiet, type: 'dashed', width: 2 } }),
      ],
    });
  });
}
