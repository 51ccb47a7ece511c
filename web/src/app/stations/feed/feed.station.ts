import { spell } from '@pozzo/core/page';
import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import {
  type AsTold,
  alsoFrom,
  boost,
  branchOf,
  caseWords,
  feedFrom,
  type FeedResult,
  type AssumptionId,
  findAssumption,
  formatQuantity,
  inletsOf,
  newHeader,
  removeBooster,
  shownIn,
  type Source,
  switchInlet,
} from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { chosenOf } from '../../kit/chosen';
import { Elevation } from '../../bench/elevation';
import { type Fact, Facts } from '../../bench/facts';
import { LineEditor } from '../../bench/line-editor';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../bench/station-frame';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { BoosterFields } from './booster-fields';
import { waterfall } from './waterfall';

/** Tank to pump: is it fed, in its worst case? */
@Component({
  selector: 'pz-feed-station',
  imports: [
    BoosterFields,
    Chart,
    DataTable,
    Elevation,
    Facts,
    Later,
    LineEditor,
    MatButtonModule,
    MatExpansionModule,
    Picker,
    QuantityField,
    SelectRow,
    StationFrame,
  ],
  templateUrl: './feed.station.html',
  styles: `
    fieldset {
      border: 0;
      border-bottom: 1px solid var(--line);
      margin: 0;
      padding: 4px 0;
      display: flex;
      gap: 4px 14px;
      flex-wrap: wrap;
    }
    legend {
      float: left;
      margin-right: 10px;
    }
    fieldset label {
      min-height: 28px;
      font-weight: 600;
    }
    .lead {
      margin: 2px 0 6px;
    }
    .cases {
      width: 100%;
      border-collapse: collapse;
    }
    .cases th,
    .cases td {
      text-align: left;
      padding: 3px 10px 3px 0;
      border-bottom: 1px solid var(--line);
    }
    .cases td:last-child,
    .cases th:last-child {
      text-align: right;
      font-weight: 600;
    }
    .bad {
      color: var(--attention);
    }
  `,
})
export class FeedStation {
  protected readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly machines = computed(() => this.rig.document()?.machines ?? []);
  protected readonly chosen = chosenOf(this.machines, this.of);
  private readonly index = computed(() => this.rig.assessment()?.feeds.findIndex((f) => f.machineId === this.chosen.item()?.id) ?? -1);
  protected readonly feed = computed<AsTold<FeedResult> | undefined>(() => this.rig.assessment()?.feeds[this.index()]);
  protected readonly heading = computed(() => `Feed${this.chosen.item() ? `: to ${this.chosen.item()!.name}` : ''}`);
  /** Lines to edit: those of the path, or, while nothing reaches the machine, any that ends at it. */
  protected readonly lines = computed(() => {
    const lines = this.rig.document()?.lines ?? [];
    const path = this.feed()?.lineIds.filter((id) => lines.some((l) => l.id === id));
    const ids = path?.length ? path : lines.filter((l) => l.role === 'feed' && l.to.id === this.chosen.item()?.id).map((l) => l.id);
    return ids.map((id, i) => {
      const l = lines.find((x) => x.id === id)!;
      return { id, name: ids.length > 1 ? `${i + 1}. ${this.endName(l.from)} to ${this.endName(l.to)}` : 'Parts, tank to pump · share of the loss' };
    });
  });
  protected readonly outletPath = computed(() => {
    const doc = this.rig.document();
    const i = doc?.lines.findIndex((l) => l.id === this.lines()[0]?.id && l.from.at === 'tank') ?? -1;
    return i >= 0 ? `lines.${i}.from.height` : '';
  });
  protected readonly boosters = computed(() => {
    const doc = this.rig.document();
    const ids = this.lines()
      .map((l) => doc?.lines.find((x) => x.id === l.id)?.from)
      .filter((e) => e?.at === 'booster')
      .map((e) => e!.id);
    return (doc?.boosters ?? []).map((b, index) => ({ id: b.id, index })).filter((b) => ids.includes(b.id));
  });
  protected readonly sources = computed((): { value: string; name: string }[] => {
    const doc = this.rig.document();
    if (!doc) return [];
    return [
      ...doc.tanks.filter((t) => t.liquid !== 'chemical').map((t) => ({ value: `tank:${t.id}`, name: t.name })),
      ...doc.manifolds
        .filter((m) => doc.lines.some((l) => l.role === 'feed' && l.to.at === 'manifold' && l.to.id === m.id))
        .map((m) => ({ value: `manifold:${m.id}`, name: m.name })),
      ...doc.spigots.map((s) => ({ value: `spigot:${s.id}`, name: `${s.name}, direct` })),
    ];
  });
  protected readonly source = computed(() => {
    const doc = this.rig.document();
    const own = doc && this.chosen.item() ? branchOf(doc, this.chosen.item()!.id) : undefined;
    return own ? `${own.from.at}:${own.from.id}` : '';
  });
  protected readonly canHeader = computed(() => this.source().startsWith('tank:'));

  protected readonly openInlet = computed(() => this.inlets().find((i) => i.open)?.id);
  /** Lines the inlet can be switched between, when there is more than one. */
  protected readonly inlets = computed(() => {
    const doc = this.rig.document();
    const id = this.chosen.item()?.id;
    if (!doc || !id) return [];
    const all = inletsOf(doc, id);
    return all.length < 2 ? [] : all.map((l) => ({ id: l.id, name: this.endName(l.from), open: !l.closed }));
  });
  protected readonly otherTanks = computed(() => {
    const doc = this.rig.document();
    const id = this.chosen.item()?.id;
    if (!doc || !id) return [];
    const drawn = new Set([this.feed()?.sourceId, ...inletsOf(doc, id).map((l) => l.from.id)]);
    // Never from chemicals: they would go through the washer, and back through its return.
    return doc.tanks.filter(
      (t) =>
        t.liquid !== 'chemical' && !drawn.has(t.id) && !(this.rig.assessment()?.tanks.find((r) => r.tankId === t.id)?.tiedIds ?? []).some((x) => drawn.has(x)),
    );
  });
  protected alsoFrom(tankId: string): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Plumb another tank to the inlet', (d) => alsoFrom(d, id, tankId));
  }
  protected switchTo(lineId: string): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Switch the inlet', (d) => switchInlet(d, id, lineId));
  }

  /** What stands in while the data sheet's figure is not given: the rig's own assumption, or the register's. */
  protected usual(id: AssumptionId): string {
    const own = this.rig.document()?.assumptions[id];
    const { dimension, value } = findAssumption(id)!;
    const { text } = shownIn(own ?? value, dimension, this.rig.units());
    return own ? `${text}, assumed` : `${text}, estimate`;
  }

  protected setSource(source: string): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Where the feed comes from', (d) => feedFrom(d, id, source as Source));
  }
  protected addHeader(): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Add a manifold', (d) => void newHeader(d, id));
  }
  protected addBooster(): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Add a booster pump', (d) => boost(d, id));
  }
  protected dropBooster(index: number): void {
    const booster = this.rig.document()!.boosters[index];
    this.rig.edit(`Take ${booster.name} out`, (d) => removeBooster(d, booster.id));
  }

  protected readonly sentence = computed(() => {
    const f = this.feed();
    if (!f) return this.chosen.item() ? 'No open line reaches this machine.' : 'No machine yet: nothing draws water.';
    const q = (m: number): string => formatQuantity(Math.abs(m), 'length', this.rig.units(), { digits: 2 });
    const term = (id: FeedResult['terms'][number]['id']): number => f.terms.find((t) => t.id === id)?.valueM ?? 0;
    const p = (pa: number): string => formatQuantity(pa, 'pressure', this.rig.units(), { digits: 2 });
    const flow = (x: number): string => formatQuantity(x, 'flow', this.rig.units());
    if (f.verdict === 'starved') {
      const wants = this.rig.rig()?.machines.find((m) => m.id === f.machineId)?.flow ?? 0;
      return `Worst case: ${spell(caseWords(f.worst, f.direct))}. The feed passes ${flow(f.limits.mostFlowM3s)}; the pump needs ${flow(wants)}.`;
    }
    // What is left over the least inlet pressure, where that decides, or over what the pump needs.
    if (f.worst.marginM < f.available.value - f.required.value - 1e-9)
      return `Worst case: ${spell(caseWords(f.worst, f.direct))}. Inlet averages ${p(f.inlet.mean.value)}; minimum is ${p(f.inlet.leastPa)} (average), ${q(f.worst.marginM)} of margin. Pulses dip to ${p(f.inlet.troughPa)}.`;
    return `Worst case: ${spell(caseWords(f.worst, f.direct))}. Friction takes ${q(term('friction'))}, the pump’s pulses ${q(term('pulses'))}; ${f.available.value < 0 ? 'nothing' : q(f.available.value)} is left where ${q(f.required.value)} is needed.`;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const f = this.feed();
    if (!f) return [];
    const i = this.index();
    const units = this.rig.units();
    const q = (v: number, d: Parameters<typeof formatQuantity>[1]) => (Number.isFinite(v) ? formatQuantity(v, d, units) : 'no limit');
    return [
      { label: 'NPSH available', at: `feeds.${i}.available` },
      { label: 'Inlet head needed · NPSH required', at: `feeds.${i}.required` },
      { label: 'Feed margin', at: `feeds.${i}.margin` },
      { label: 'At the inlet · gauge', at: `feeds.${i}.inlet.mean` },
      { label: 'Pulses dip to', text: q(f.inlet.troughPa, 'pressure') },
      { label: 'Highest there · gauge', at: `feeds.${i}.highest.mean` },
      { label: 'Peak velocity', at: `feeds.${i}.velocity` },
      { label: 'Pulses · acceleration head', at: `feeds.${i}.acceleration.used` },
      { label: 'Pulses, rigid line', text: q(f.acceleration.rigidM, 'length') },
      { label: 'Most the feed can pass', text: q(f.limits.mostFlowM3s, 'flow') },
      ...(f.verdict === 'starved'
        ? []
        : [
            { label: 'Hottest water it feeds (seals may quit sooner)', text: q(f.limits.hottestK, 'temperature') },
            { label: 'Highest altitude it feeds at', text: q(f.limits.highestM, 'length') },
          ]),
      ...(f.limits.lowestSurfaceM === undefined ? [] : [{ label: 'Starves below surface at', text: q(f.limits.lowestSurfaceM, 'length') }]),
      {
        label: 'Clogging it can take',
        text: Number.isFinite(f.limits.dirtFactor)
          ? `${f.limits.dirtFactor < 10 ? f.limits.dirtFactor.toFixed(1) : Math.round(f.limits.dirtFactor)} × dirty mark`
          : 'no strainer',
      },
      {
        label: 'Elbows',
        text: f.elbows.count
          ? `${f.elbows.count}: ${Math.round(100 * f.elbows.shareByPhysics)}% of loss; ${Math.round(100 * f.elbows.shareByRule)}% of flow by the 5 % rule`
          : 'none',
      },
      ...(f.otherWay ? [{ label: f.otherWay.boosted ? 'With a booster' : 'By gravity alone', text: `${q(f.otherWay.marginM, 'length')} to spare` }] : []),
    ];
  });
  protected readonly waterfall = computed(() => waterfall(this.feed()!, this.rig.units()));
  protected readonly words = computed(() =>
    this.feed()!
      .terms.map((t) => `${spell(t.label)} ${formatQuantity(t.valueM, 'length', this.rig.units())}`)
      .join(', '),
  );
  protected readonly caseColumns: readonly Column[] = [
    { id: 'case', name: 'Case', sorts: true },
    { id: 'spare', name: 'To spare', number: true, sorts: true },
  ];
  protected readonly cases = computed(() =>
    (this.feed()?.cases ?? []).map((c): TableRow => {
      const words = spell(caseWords(c, this.feed()!.direct));
      const unit = this.rig.units() === 'us' ? 'ft' : 'm';
      return {
        id: words,
        cells: {
          case: words,
          spare: { text: formatQuantity(c.marginM, 'length', this.rig.units(), { signed: true, unit }), by: c.marginM, shout: c.marginM < 0 },
        },
      };
    }),
  );
  protected readonly byLevel = computed<ChartOption>(() => {
    const f = this.feed()!;
    const system = this.rig.units();
    const points = (x: AsTold<FeedResult>): [number, number][] =>
      x.byLevel.map((p) => [round3(inUnit(p.surfaceM, 'length', system)), round3(inUnit(p.marginM, 'length', system))]);
    const held = this.rig.held()?.feeds.find((x) => x.machineId === f.machineId);
    return (c) => ({
      ...axes(c, { name: `water surface above deck, ${unitOf('length', system)}` }, { name: `to spare, ${unitOf('length', system)}` }),
      series: [
        curve('to spare', points(f), c.water, { markLine: level(0, 'starves', c.attention) }),
        ...(held ? [curve('held', points(held), c.ink, { lineStyle: { color: c.ink, type: 'dotted', width: 2 } })] : []),
      ],
    });
  });

  private endName(end: { at: string; id?: string }): string {
    const doc = this.rig.document()!;
    const all = [...doc.tanks, ...doc.machines, ...doc.boosters, ...doc.manifolds, ...doc.spigots];
    return all.find((x) => x.id === end.id)?.name ?? end.at;
  }
}
