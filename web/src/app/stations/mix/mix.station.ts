import { Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import {
  type AsTold,
  addMix,
  byWay,
  findAssumption,
  formatQuantity,
  type MixDocument,
  type MixResult,
  type MixWay,
  removeMix,
  soapOf,
  washSurface,
} from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { LineEditor } from '../../bench/line-editor';
import { NameField } from '../../bench/name-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../bench/station-frame';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { roundUp } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { BlendDrawing } from './blend-drawing';
import { SURFACE_OPTIONS, WAY_NAMES, WAY_OPTIONS } from '../../kit/wash-options';
import { WaysTable } from './ways-table';
import { spell } from '@pozzo/core/page';

/** How the chemicals meet the water, and what strength reaches the wall. */
@Component({
  selector: 'pz-mix-station',
  imports: [
    BlendDrawing,
    Chart,
    ChoiceField,
    DataTable,
    Facts,
    Later,
    LineEditor,
    MatButtonModule,
    MatExpansionModule,
    NameField,
    Picker,
    QuantityField,
    SelectRow,
    StationFrame,
    WaysTable,
  ],
  templateUrl: './mix.station.html',
  styleUrl: './mix.station.scss',
})
export class MixStation {
  private readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly mixes = computed(() => this.rig.document()?.mixes ?? []);
  /** A pump in the address stands for the mix that it serves. */
  private readonly asked = computed(() => {
    const of = this.of();
    const line = this.rig.document()?.lines.find((l) => l.from.at === 'mix' && l.to.at === 'soft-pump' && l.to.id === of);
    return line?.from.id ?? of;
  });
  protected readonly chosen = chosenOf(this.mixes, this.asked);
  private readonly index = computed(() => this.rig.assessment()?.chemical.mixes.findIndex((m) => m.mixId === this.chosen.item()?.id) ?? -1);
  protected readonly result = computed<AsTold<MixResult> | undefined>(() => this.rig.assessment()?.chemical.mixes[this.index()]);
  protected readonly ways = WAY_OPTIONS;
  protected readonly surfaces = SURFACE_OPTIONS;
  /** A strength that went with its surface, until another is typed. */
  protected readonly dropped = signal<{ readonly mix: string; readonly was: string } | null>(null);
  protected wash(surface: MixDocument['surface']): void {
    const mix = this.chosen.item()!.id;
    let was: string | undefined;
    this.rig.edit('Surface', (d) => void (was = washSurface(d, mix, surface)));
    this.dropped.set(was === undefined ? null : { mix, was });
  }
  protected readonly soapLiquids = computed(() =>
    (this.rig.document()?.liquids ?? [])
      .filter((l) => l.kind === 'soap' && l.id !== this.chosen.item()?.soap?.liquid)
      .map((l) => ({ value: l.id, name: l.name })),
  );
  protected readonly soaps = [
    { value: 'none', name: 'None' },
    { value: 'poured', name: 'Into the stock' },
    { value: 'metered', name: 'On its own line' },
  ] as const;
  protected readonly yesOrNo = [
    { value: '', name: 'No' },
    { value: 'true', name: 'Yes' },
  ];
  protected readonly flushes = [
    { value: 'pump', name: 'At the pump' },
    { value: 'through', name: 'Before the valves' },
  ];
  protected readonly yesNo = [
    { value: 'true', name: 'Yes' },
    { value: 'false', name: 'No' },
  ];
  protected readonly liquids = computed(() => (this.rig.document()?.liquids ?? []).map((l) => ({ value: l.id, name: l.name })));
  protected readonly guns = computed(() => (this.rig.document()?.outlets ?? []).map((o) => ({ value: o.id, name: o.name })));
  protected readonly usual = computed(() => findAssumption(`wash-${this.chosen.item()?.surface}-strength`)?.value ?? 'none');

  /** Every metering valve of the blend, with its path. */
  protected readonly valves = computed(() => {
    const doc = this.rig.document();
    const id = this.chosen.item()?.id;
    return (doc?.lines ?? []).flatMap((l, i) =>
      l.role === 'chemical' && l.to.at === 'mix' && l.to.id === id
        ? l.parts.flatMap((p, k) =>
            p.kind === 'valve' && p.is === 'metering-valve'
              ? [{ name: doc!.tanks.find((t) => t.id === l.from.id)?.name ?? 'Water', path: `lines.${i}.parts.${k}.setting` }]
              : [],
          )
        : [],
    );
  });
  protected readonly lines = computed(() => {
    const doc = this.rig.document();
    const id = this.chosen.item()?.id;
    if (!doc || !id) return [];
    const pump = doc.lines.find((l) => l.from.at === 'mix' && l.from.id === id)?.to.id;
    return doc.lines
      .filter(
        (l) => l.role === 'chemical' && ((l.to.at === 'mix' && l.to.id === id) || (l.from.at === 'mix' && l.from.id === id) || (pump && l.from.id === pump)),
      )
      .map((l) => ({
        id: l.id,
        title:
          l.to.at === 'mix'
            ? `Line from ${doc.tanks.find((t) => t.id === l.from.id)?.name ?? spell('the ‹spigot›')}`
            : l.to.at === 'soft-pump'
              ? 'Line into the pump'
              : 'Hose to the gun',
      }));
  });

  protected readonly heading = computed(() => `${WAY_NAMES[this.result()!.way]}: ${this.percent(this.result()!.first.value)} at the wall`);
  protected readonly sentence = computed(() => {
    const r = this.result();
    if (!r) return '';
    const q = (v: number) => formatQuantity(v, 'flow', this.rig.units());
    const change = Number.isFinite(r.changeOver.value)
      ? ` New liquid reaches the tip in ${formatQuantity(r.changeOver.value, 'time', this.rig.units(), { digits: 2 })}${r.walkS > 0 ? ', the walk to the rig and back counted' : ''}.`
      : '';
    const stays = Math.abs(r.last.value - r.first.value) < 0.02 * Math.max(r.first.value, 1e-6);
    return `${q(r.flow.value)} at the gun, ${this.percent(r.first.value)}${stays ? ' all day' : `, falling to ${this.percent(r.last.value)} by the last minute`}; target ${this.percent(r.wanted.value)}.${change}`;
  });
  /** The valves for the wanted strength, whether they stand so or not. */
  protected readonly settingWords = computed(() => {
    const r = this.result();
    if (!r?.settings.length) return '';
    const valves = r.settings.map((s) => `${s.name} ${this.percent(s.wanted)}`).join(', ');
    return r.reachable
      ? `For ${this.percent(r.wanted.value)} open: ${valves}.`
      : `No setting reaches ${this.percent(r.wanted.value)} here; nearest, open: ${valves}.`;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.index();
    if (!r) return [];
    const v = (x: number) => formatQuantity(x, 'volume', this.rig.units());
    return [
      { label: 'First minute', at: `chemical.mixes.${i}.first` },
      { label: 'Last minute', at: `chemical.mixes.${i}.last` },
      { label: 'Mix in a day', at: `chemical.mixes.${i}.dayM3` },
      { label: 'Stock for a job', at: `chemical.mixes.${i}.stockPerJob` },
      ...(r.soaps.length ? r.soaps.map((s) => ({ label: `${s.name} for a job`, text: v(s.perJobM3) })) : [{ label: 'Soap for a job', text: 'none' }]),
      { label: 'Chemicals for a job', at: `chemical.mixes.${i}.costPerJob` },
      { label: 'Weight carried', at: `chemical.mixes.${i}.carried` },
      { label: 'Flush with', at: `chemical.mixes.${i}.flushVolume` },
      { label: 'Flush for', at: `chemical.mixes.${i}.flushTime` },
    ];
  });
  protected readonly recipe = computed(() => {
    const r = this.result()?.recipe;
    if (!r) return '';
    const v = (x: number) => formatQuantity(x, 'volume', this.rig.units());
    const stock = this.rig.document()?.liquids?.find((l) => l.id === this.chosen.item()?.stock)?.name ?? 'stock';
    return `${v(r.waterM3)} of water first, then ${v(r.stockM3)} of ${stock}${this.soapWords(r.soapM3)}${r.topUp ? ', over what is left' : ''}: ${v(r.volumeM3)} in all.`;
  });
  /** Soap of a batch in words, a soap at a time. */
  private soapWords(m3: number): string {
    const soaps = this.result()?.soaps ?? [];
    const all = soaps.reduce((sum, s) => sum + s.dose, 0);
    return m3 > 0 && all > 0
      ? soaps.map((s) => ` and ${formatQuantity((m3 * s.dose) / all, 'volume', this.rig.units())} of ${soaps.length > 1 ? s.name : 'soap'}`).join('')
      : '';
  }
  protected readonly strays = computed(() => {
    const r = this.result();
    const units = this.rig.units();
    return (r?.cases ?? []).map((c): TableRow => ({
      id: c.label,
      cells: {
        case: c.label,
        strength: { text: this.percent(c.strength), by: c.strength, shout: r!.wanted.value > 0 && Math.abs(c.strength / r!.wanted.value - 1) > 0.1 },
        flow: { text: formatQuantity(c.flowM3s, 'flow', units), by: c.flowM3s },
      },
    }));
  });
  protected readonly strayColumns: readonly Column[] = [
    { id: 'case', name: 'With' },
    { id: 'strength', name: 'At the wall', number: true, sorts: true },
    { id: 'flow', name: 'Flow', number: true, sorts: true },
  ];
  /** Top of the strength axes: what is wanted is always on the chart. */
  private top(): number | undefined {
    const r = this.result()!;
    const most = 100 * Math.max(r.wanted.value * 1.25, r.highest * 1.1);
    return most > 0 ? roundUp(most) : undefined;
  }
  protected readonly overDay = computed<ChartOption>(() => {
    const r = this.result()!;
    const data = r.series.timeS.map((t, i) => [t / 60, round(100 * r.series.strength[i])] as [number, number]);
    return (c) => ({
      ...axes(c, { name: 'minutes of spraying' }, { name: 'strength, %', min: 0, max: this.top() }),
      series: [curve('at the wall', data, c.chem, { markLine: level(round(100 * r.wanted.value), 'wanted', c.ink) })],
    });
  });
  protected readonly drift = computed<ChartOption>(() => {
    const r = this.result()!;
    const data = r.byLevel.map((p) => [Math.round(100 * p.share), round(100 * p.strength)] as [number, number]);
    return (c) => ({
      ...axes(c, { name: 'level of the stock tank, %', max: 100 }, { name: 'strength, %', min: 0, max: this.top() }),
      series: [curve('at the wall', data, c.chem, { markLine: level(round(100 * r.wanted.value), 'wanted', c.ink) })],
    });
  });
  protected readonly driftWords = computed(() => {
    const l = this.result()?.byLevel ?? [];
    return l.length ? `From ${this.percent(l[0].strength)} with a full stock tank to ${this.percent(l[l.length - 1].strength)} when it is almost empty.` : '';
  });

  private percent(v: number): string {
    return formatQuantity(v, 'ratio', this.rig.units());
  }
  protected path(field: string): string {
    return `mixes.${this.chosen.index()}.${field}`;
  }
  protected add(): void {
    let id = '';
    this.rig.edit('Add a mix', (d) => void (id = addMix(d)));
    this.chosen.choose(id);
  }
  protected remove(): void {
    const m = this.chosen.item();
    if (m) this.rig.edit(`Remove ${m.name}`, (d) => removeMix(d, m.id));
  }
  protected convert(way: MixWay): void {
    const [id, now] = [this.chosen.item()!.id, this.rig.document()!];
    this.rig.edit(`Mix by ${WAY_NAMES[way].toLowerCase()}`, byWay(now, id, way, this.result()?.dayM3.value ?? 0.1));
  }
  protected soap(by: 'none' | 'poured' | 'metered', which: 'soap' | 'second' = 'soap'): void {
    this.rig.edit(which === 'soap' ? 'Soap' : 'Second soap', (d) => soapOf(d, this.chosen.index(), by, which));
  }
  protected partUsed(): void {
    this.rig.edit('Part-used tank', (d) => void (d.mixes![this.chosen.index()].left = { volume: '10 gal', strength: '1 %' }));
  }
}

const round = (x: number): number => Number(x.toPrecision(4));
