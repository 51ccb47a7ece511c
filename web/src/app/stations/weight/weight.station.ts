import { Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink } from '@angular/router';
import { formatQuantity, say, standingOn, type WeightState } from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { type Fact, Facts } from '../../bench/facts';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { inUnit, round3 } from '../../kit/units';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { type LoadBar, LoadBars } from './load-bars';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

/** What axles, coupling and vehicle carry in every filling, and through the day. */
@Component({
  selector: 'pz-weight-station',
  imports: [SpellPipe, Chart, ChoiceField, DataTable, Facts, Later, LoadBars, MatButtonModule, MatTabsModule, Picker, QuantityField, RouterLink, StationFrame],
  templateUrl: './weight.station.html',
  styles: `
    .lead {
      margin: 0 0 6px;
    }
    h3 {
      margin: 14px 0 4px;
    }
    .told {
      color: var(--attention);
      margin: 0 0 8px;
    }
  `,
})
export class WeightStation {
  private readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  protected readonly platform = computed(() => this.rig.document()?.platform);
  protected readonly weight = computed(() => this.rig.assessment()?.weight);
  protected readonly id = computed(() => this.rig.state().id);
  protected readonly roads = [
    { value: '', name: 'Every filling' },
    { value: 'day', name: 'What the day fills' },
  ];
  protected readonly ticketStates = [
    { value: 'full', name: 'Full' },
    { value: 'half', name: 'Half full' },
    { value: 'empty', name: 'Empty' },
    { value: 'start', name: 'As the day starts' },
  ];
  protected readonly dayWeight = this.day.weighed;
  protected readonly asked = signal('');
  protected readonly states = computed<readonly WeightState[]>(() => [...(this.weight()?.states ?? []), ...(this.dayWeight()?.states ?? [])]);
  protected readonly shownId = computed(() => (this.pickable().some((s) => s.id === this.asked()) ? this.asked() : (this.weight()?.heaviest ?? 'full')));
  protected readonly pickable = computed(() => {
    const named: Readonly<Record<string, string>> = { full: 'Full', half: 'Half', empty: 'Empty', start: 'Day starts', end: 'Day ends' };
    return this.states().flatMap((s) => (named[s.id] ? [{ id: s.id, name: named[s.id] }] : []));
  });
  private readonly shown = computed(() => this.states().find((s) => s.id === this.shownId()));

  protected readonly headline = computed(() => {
    const w = this.weight();
    if (!w) return '';
    const s = w.states.find((x) => x.id === w.heaviest);
    return s
      ? `${say(s.name, this.rig.units())}: ${this.mass(s.massKg)}${s.tongueShare === undefined ? '' : `, ${this.share(s.tongueShare)} ${spell('on the ‹coupler›')}`}`
      : '';
  });
  protected readonly calm = computed(() => {
    const w = this.weight();
    return w?.judged ? 'On paper, every load case you drive is within ratings. Weigh the rig to confirm.' : '';
  });
  protected readonly short = computed(() => {
    const rig = this.rig.rig();
    const names = new Map(rig ? standingOn(rig).map((t) => [t.id, t.name]) : []);
    const list = (this.weight()?.unplaced ?? []).map((id) => names.get(id) ?? id);
    return list.length > 4 ? `${list.slice(0, 3).join(', ')} and ${list.length - 3} more` : list.join(', ');
  });

  protected readonly bars = computed<LoadBar[]>(() =>
    (this.shown()?.limits ?? [])
      .filter((l) => !this.saidTwice(l.id))
      .map((l) => {
        const share = l.loadKg / l.ratingKg;
        return {
          id: l.id,
          name: spell(l.name),
          load: this.mass(l.loadKg),
          rating: this.mass(l.ratingKg),
          share,
          verdict: share > 1.0005 ? 'stop' : share > 0.95 ? 'tight' : 'fed',
        };
      }),
  );
  /** Tyres that stand no less than their axle say nothing that it does not. */
  private saidTwice(id: string): boolean {
    const limits = this.shown()?.limits ?? [];
    const own = limits.find((l) => l.id === id);
    const axle = limits.find((l) => l.id === id.replace('tyres-', 'axle-'));
    return id.startsWith('tyres-') && !!own && !!axle && own.ratingKg >= axle.ratingKg;
  }

  protected readonly facts = computed<Fact[]>(() => {
    const [w, s] = [this.weight(), this.shown()];
    if (!w || !s) return [];
    // The figures open their working for the heaviest; of another filling they are told plainly.
    const own = s.id === w.heaviest;
    const street = Math.max(s.streetShare, 1 - s.streetShare);
    return [
      own ? { label: 'Weighs in all', at: 'weight.gross' } : { label: 'Weighs in all', text: this.mass(s.massKg) },
      ...(s.tongueKg === undefined
        ? []
        : [
            own ? { label: spell('On the ‹coupler›'), at: 'weight.tongue' } : { label: spell('On the ‹coupler›'), text: this.mass(s.tongueKg) },
            { label: 'of the trailer', text: this.share(s.tongueShare!) },
          ]),
      ...(s.steerShare === undefined ? [] : [{ label: 'On the steering axle', text: this.share(s.steerShare) }]),
      own ? { label: 'Payload left', at: 'weight.payload' } : { label: 'Payload left', text: this.mass(s.payloadLeftKg) },
      { label: s.streetShare >= 0.5 ? 'Street side share' : spell('‹Curb› side carries'), text: this.share(street) },
      { label: spell('‹Center› of gravity height'), text: formatQuantity(s.centre.z, 'length', this.rig.units()) },
      own ? { label: 'Tips at (g, sideways)', at: 'weight.rollover' } : { label: 'Tips at (g, sideways)', text: s.rolloverG.toFixed(2) },
    ];
  });

  protected readonly columns = computed<readonly Column[]>(() => {
    const trailer = this.states().some((s) => s.tongueKg !== undefined);
    return [
      { id: 'state', name: 'Load case', sorts: true },
      { id: 'mass', name: 'Total', number: true, sorts: true },
      ...(this.platform()?.axles ?? []).map((_, i) => ({
        id: `axle-${i}`,
        name: trailer ? `Axle ${i + 1}` : i === 0 ? 'Front' : 'Rear',
        number: true,
        sorts: true,
      })),
      ...(trailer ? [{ id: 'tongue', name: spell('‹Coupler›'), number: true, sorts: true }] : []),
      { id: 'left', name: 'Payload left', number: true, sorts: true },
      { id: 'tips', name: 'Tips at, g', number: true, sorts: true },
    ];
  });
  protected readonly rows = computed<TableRow[]>(() => {
    const ratings = this.rig.rig()?.platform?.axles.map((a) => a.rating) ?? [];
    return this.states().map((s) => ({
      id: s.id,
      ...(s.id === this.shownId() ? { mark: 'now' as const } : {}),
      cells: {
        state: say(s.name, this.rig.units()),
        mass: { text: this.mass(s.massKg), by: s.massKg, shout: s.payloadLeftKg < -0.5 },
        ...Object.fromEntries(s.axles.map((a, i) => [`axle-${i}`, { text: this.mass(a), by: a, shout: a > ratings[i] * 1.0005 }])),
        ...(s.tongueKg === undefined ? {} : { tongue: { text: `${this.mass(s.tongueKg)}, ${this.share(s.tongueShare!)}`, by: s.tongueKg } }),
        left: { text: this.mass(s.payloadLeftKg), by: s.payloadLeftKg },
        tips: { text: s.rolloverG.toFixed(2), by: s.rolloverG },
      },
    }));
  });

  protected readonly sloshColumns: readonly Column[] = [
    { id: 'tank', name: 'Tank, half full', sorts: true },
    { id: 'along', name: 'Lengthwise', number: true, sorts: true },
    { id: 'across', name: 'Across', number: true, sorts: true },
    { id: 'halved', name: 'Across, halved', number: true, sorts: true },
  ];
  protected readonly sloshRows = computed<TableRow[]>(() =>
    (this.weight()?.slosh ?? []).map((s) => {
      const of = (x: { frequency: number; share: number }) => ({ text: `${x.frequency.toFixed(2)} Hz, ${this.share(x.share)}`, by: x.share });
      return {
        id: s.tankId,
        cells: { tank: this.rig.document()?.tanks.find((t) => t.id === s.tankId)?.name ?? '', along: of(s.along), across: of(s.across), halved: of(s.halved) },
      };
    }),
  );

  protected readonly curve = computed<ChartOption>(() => {
    const w = this.weight()!;
    const units = this.rig.units();
    const kg = (v: number) => round3(inUnit(v, 'mass', units));
    const trailer = w.states[0]?.tongueKg !== undefined;
    const rating = Math.min(...(this.rig.rig()?.platform?.axles.map((a) => a.rating) ?? [0]));
    return (c) => ({
      ...axes(c, { name: 'water on board, %', max: 100 }, { name: `load, ${units === 'us' ? 'lb' : 'kg'}`, min: 0 }),
      legend: { top: 0, right: 8, textStyle: { color: c.ink } },
      series: [
        ...w.curve.axles.map((a, i) => ({
          ...curve(
            trailer ? `axle ${i + 1}` : i === 0 ? 'front axle' : 'rear axle',
            w.curve.share.map((s, k) => [100 * s, kg(a[k])] as [number, number]),
            [c.water, c.waterMid, c.chem, c.quiet][i % 4],
          ),
          ...(i === 0 && trailer ? { markLine: level(kg(rating), 'an axle is made for', c.attention) } : {}),
        })),
        ...(trailer
          ? [
              curve(
                spell('‹coupler›'),
                w.curve.share.map((s, k) => [100 * s, kg(w.curve.tongue[k])] as [number, number]),
                c.ink,
              ),
            ]
          : []),
      ],
    });
  });
  protected readonly curveWords = computed(() => {
    const w = this.weight()!;
    const last = w.curve.share.length - 1;
    return `From no water to full tanks axle 1 goes from ${this.mass(w.curve.axles[0][0])} to ${this.mass(w.curve.axles[0][last])}.`;
  });
  protected readonly over = computed<ChartOption>(() => {
    const d = this.dayWeight()!;
    const units = this.rig.units();
    const kg = (v: number) => round3(inUnit(v, 'mass', units));
    const trailer = this.weight()?.states[0]?.tongueKg !== undefined;
    return (c) => ({
      ...axes(c, { name: 'hours into the day' }, { name: `load, ${units === 'us' ? 'lb' : 'kg'}`, min: 0 }),
      legend: { top: 0, right: 8, textStyle: { color: c.ink } },
      series: [
        ...d.track.axles.map((a, i) =>
          curve(
            trailer ? `axle ${i + 1}` : i === 0 ? 'front axle' : 'rear axle',
            d.track.timeS.map((t, k) => [round3(t / 3600), kg(a[k])] as [number, number]),
            [c.water, c.waterMid, c.chem, c.quiet][i % 4],
          ),
        ),
        ...(trailer
          ? [
              curve(
                spell('‹coupler›'),
                d.track.timeS.map((t, k) => [round3(t / 3600), kg(d.track.tongue[k])] as [number, number]),
                c.ink,
              ),
            ]
          : []),
      ],
    });
  });
  protected readonly overWords = computed(() => {
    const worst = this.dayWeight()!.states.find((s) => s.id === 'worst:gross');
    return worst
      ? `Heaviest on the road: ${this.mass(worst.massKg)} after ${formatQuantity(worst.atS, 'time', this.rig.units())}.`
      : 'The day has no drive in it.';
  });

  protected readonly slopeWords = computed(() => {
    const tongue = this.weight()?.slope?.tongueKg;
    const s = this.rig.assessment()?.slope;
    if (!s) return [];
    const units = this.rig.units();
    const doc = this.rig.document();
    const named = (list: readonly { readonly id: string; readonly name: string }[] | undefined, id: string): string =>
      list?.find((x) => x.id === id)?.name ?? '';
    const kept = s.tanks.map((t) => `${named(doc?.tanks, t.tankId)} ${formatQuantity(t.keptM3, 'volume', units)}`);
    const fed = s.feeds.map((f) => `${named(doc?.machines, f.machineId)} ${formatQuantity(f.marginM, 'length', units)}`);
    return [
      ...(tongue === undefined ? [] : [spell(`Unhitched on the slope the ‹coupler› keeps ${this.mass(tongue)} at least.`)]),
      ...(kept.length ? [`Kept from the outlet that a level stand would give: ${kept.join(', ')}.`] : []),
      ...(fed.length ? [`Inlet head left: ${fed.join(', ')}.`] : []),
    ];
  });
  protected readonly ticketColumns: readonly Column[] = [
    { id: 'what', name: '' },
    { id: 'shown', name: spell('‹Truck scale›'), number: true },
    { id: 'reckoned', name: 'Calculated', number: true },
    { id: 'off', name: 'Off by', number: true },
  ];
  protected readonly ticketRows = computed<TableRow[]>(() => {
    const w = this.weight();
    const s = w?.ticket && w.states.find((x) => x.id === w.ticket!.state);
    if (!w?.ticket || !s) return [];
    const row = (id: string, what: string, shown: number, reckoned: number): TableRow => ({
      id,
      cells: {
        what,
        shown: this.mass(shown),
        reckoned: this.mass(reckoned),
        off: { text: `${shown >= reckoned ? '+' : '−'}${this.mass(Math.abs(shown - reckoned))}`, shout: Math.abs(shown - reckoned) > 0.05 * s.massKg },
      },
    });
    return [
      ...w.ticket.axles.map((a, i) => row(`axle-${i}`, `Axle ${i + 1}`, a, s.axles[i])),
      ...(w.ticket.tongueKg !== undefined && s.tongueKg !== undefined ? [row('tongue', spell('‹Coupler›'), w.ticket.tongueKg, s.tongueKg)] : []),
    ];
  });

  constructor() {
    this.day.watch();
    inject(DestroyRef).onDestroy(() => this.day.leave());
  }

  private mass(kg: number): string {
    return formatQuantity(kg, 'mass', this.rig.units(), { digits: 4 });
  }
  private share(x: number): string {
    return formatQuantity(x, 'ratio', this.rig.units());
  }

  protected ticket(): void {
    const s = this.shown();
    const unit = this.rig.units() === 'us' ? 'lb' : 'kg';
    const text = (kg: number): string => `${Math.round(inUnit(kg, 'mass', this.rig.units()))} ${unit}`;
    this.rig.edit(spell('‹Truck scale› ticket'), (d) => {
      d.platform!.ticket = { filled: 'full', axles: d.platform!.axles.map((_, i) => text(s?.axles[i] ?? 500)) };
    });
  }
  protected noTicket(): void {
    this.rig.edit('Without a ticket', (d) => void delete d.platform!.ticket);
  }
  protected slope(): void {
    this.rig.edit('It parks on slopes', (d) => void (d.platform!.slope = { nose: '8 %', kerb: '4 %' }));
  }
  protected level(): void {
    this.rig.edit('Level sites only', (d) => void delete d.platform!.slope);
  }
}
