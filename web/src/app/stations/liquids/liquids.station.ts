import { spell } from '@pozzo/core/page';
import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type AsTold, addLiquid, changeKind, formatQuantity, inUse, type LiquidResult, removeLiquid, type Verdict } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, place } from '../../kit/chart-parts';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../bench/station-frame';
import { CellTemplate, type Column, DataTable, type TableRow } from '../../kit/table';
import { VerdictMark } from '../../kit/verdict';
import { RigStore } from '../../state/rig-store';
import { KIND_OPTIONS } from './liquid-kinds';
import { TransfersPanel } from './transfers-panel';
import { SpellPipe } from '../../kit/spell.pipe';

const DAY = 86400;

/** What is on board besides water: strength today, how long it lasts, what it must not meet, and the winter. */
@Component({
  selector: 'pz-liquids-station',
  imports: [
    SpellPipe,
    CellTemplate,
    Chart,
    ChoiceField,
    DataTable,
    Facts,
    Later,
    MatButtonModule,
    NameField,
    Picker,
    QuantityField,
    SelectRow,
    StationFrame,
    TransfersPanel,
    VerdictMark,
  ],
  templateUrl: './liquids.station.html',
  styles: `
    .lead {
      margin: 0 0 8px;
    }
    .small {
      font-size: 13.5px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      margin: 4px 0 14px;
    }
    th,
    td {
      text-align: left;
      font-weight: 400;
      padding: 5px 12px 5px 0;
      border-bottom: 1px solid var(--line);
      vertical-align: top;
    }
    th {
      font-weight: 600;
      white-space: nowrap;
    }
    .mark {
      width: 26px;
    }
    .num {
      text-align: right;
      font-weight: 600;
    }
    .pair {
      display: grid;
      grid-template-columns: minmax(200px, 1fr) 2fr;
      gap: 22px;
      align-items: start;
    }
    ol {
      margin: 4px 0 12px;
      padding-left: 20px;
    }
    @media (max-width: 900px) {
      .pair {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class LiquidsStation {
  private readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly kinds = KIND_OPTIONS;
  protected readonly labels = [
    { value: 'trade', name: 'Trade percent' },
    { value: 'weight', name: 'Weight % chlorine' },
    { value: 'weight-hypochlorite', name: 'Weight % NaOCl' },
  ];
  protected readonly liquids = computed(() => this.rig.document()?.liquids ?? []);
  protected readonly chosen = chosenOf(this.liquids, this.of);
  private readonly index = computed(() => this.rig.assessment()?.chemical.liquids.findIndex((l) => l.liquidId === this.chosen.item()?.id) ?? -1);
  protected readonly result = computed<AsTold<LiquidResult> | undefined>(() => this.rig.assessment()?.chemical.liquids[this.index()]);
  protected readonly inUse = computed(() => {
    const doc = this.rig.document();
    const id = this.chosen.item()?.id;
    return !!doc && id !== undefined && inUse(doc, id);
  });

  /** Since it was made, s. */
  private readonly age = computed(() => this.rig.rig()?.liquids.find((l) => l.id === this.result()?.liquidId)?.strength?.age ?? 0);

  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  protected readonly sentence = computed(() => {
    const r = this.result();
    if (!r) return '';
    const strength =
      r.bought > 0
        ? `${this.q(r.today.value, 'ratio')} trade today, bought at ${this.q(r.bought, 'ratio')} (${this.q(r.weightShare, 'ratio')} by weight today). `
        : '';
    const need = r.perDay.value > 0 ? `${this.q(r.perDay.value, 'volume')} go in a day` : 'None is used by the mixes on this rig';
    const lasts =
      r.perDay.value <= 0 ? '.' : r.onBoardM3 > 0 ? `; what is on board lasts ${this.q(r.lastsDays, 'number', 2)} days of work.` : '; none is on board yet.';
    return strength + need + lasts;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.index();
    if (!r) return [];
    const out: Fact[] = [
      { label: 'In a day', at: `chemical.liquids.${i}.perDay` },
      { label: 'In a week', text: this.q(r.perWeekM3, 'volume') },
      { label: 'On board', text: this.q(r.onBoardM3, 'volume') },
      { label: 'Weighs', text: this.q(r.densityKgM3, 'density') },
      { label: 'Tank for a week', at: `chemical.liquids.${i}.weekTank` },
    ];
    if (r.perDay.value > 0 && r.onBoardM3 > 0) out.push({ label: 'Buy again after', text: `${this.q(r.lastsDays, 'number', 2)} days of work` });
    if (r.bought > 0)
      out.push(
        { label: 'Strength today', at: `chemical.liquids.${i}.today` },
        { label: 'Half-life, rate law', at: `chemical.liquids.${i}.halfLife` },
        { label: 'Half-life, handbook', text: this.q(r.handbookHalfLifeS, 'time') },
        { label: 'Mean age when used', text: this.q(this.age() + r.keptAgeS, 'time', 2) },
        { label: 'Mean strength if kept', text: this.q(r.keptStrength, 'ratio') },
        { label: 'Weekly cost, bought fresh', text: this.q(r.freshWeek, 'money') },
        { label: 'Weekly cost, stored', text: this.q(r.keptWeek, 'money') },
      );
    return out;
  });
  protected readonly ageing = computed<ChartOption>(() => {
    const r = this.result()!;
    const data = r.ageing.timeS.map((t, i) => [Math.round(t / DAY), Number((100 * r.ageing.strength[i]).toPrecision(4))] as [number, number]);
    const age = this.age();
    return (c) => ({
      ...axes(c, { name: 'days since it was made', max: data[data.length - 1][0] }, { name: 'trade strength, %', min: 0 }),
      series: [curve('strength', data, c.chem, { markLine: place(age / DAY, 'today', c.ink) })],
    });
  });
  protected readonly calm = computed(() => {
    const care = (this.rig.assessment()?.chemical.meetings ?? []).some((m) => m.verdict !== 'never');
    return `No never-mix pair can meet here, and stock is strong enough.${care ? ' Check the Caution pairs below.' : ''}`;
  });
  protected readonly meetings = computed(() => {
    const name = (id: string) => this.liquids().find((l) => l.id === id)?.name ?? id;
    return (this.rig.assessment()?.chemical.meetings ?? []).map((m): TableRow & { verdict: Verdict } => {
      const never = m.verdict === 'never';
      return {
        id: `${m.a} ${m.b}`,
        verdict: never ? (m.places.length ? 'stop' : 'tight') : 'fed',
        cells: {
          pair: `${name(m.a)} and ${name(m.b)}`,
          reason: `${never ? 'Never' : 'Caution'}: ${spell(m.reason)}.`,
          where: m.places.length ? `can meet in ${m.places.join(', ')}` : 'no shared line found',
        },
      };
    });
  });
  protected readonly meetingColumns: readonly Column[] = [
    { id: 'pair', name: 'Pair', sorts: true },
    { id: 'reason', name: 'Why', sorts: true },
    { id: 'where', name: 'On this rig', sorts: true },
  ];
  protected readonly pure = computed(() => {
    const doc = this.rig.document();
    return (this.rig.assessment()?.chemical.pureWater ?? []).map((p) => ({
      label: `${doc?.sprayers?.find((s) => s.id === p.sprayerId)?.name ?? 'Brush'}: ${this.q(p.flow.value, 'flow')} at the brush, ${this.q(p.heightM, 'length')} up; the resin lasts ${this.q(p.life.value, 'volume')} of this tap’s water.`,
    }));
  });
  protected readonly pureFacts = computed<Fact[]>(() => this.pure().map((_, i) => ({ label: 'Until the resin is spent', at: `chemical.pureWater.${i}.life` })));
  protected readonly winter = computed(() => this.rig.assessment()?.chemical.winter);
  protected readonly circuits = computed(() => (this.winter()?.circuits ?? []).map((c) => ({ name: c.name, wetted: this.q(c.wettedM3, 'volume', 2) })));
  protected readonly winterBatteries = computed(() =>
    (this.winter()?.batteries ?? []).map((b) => ({
      id: b.batteryId,
      words: `${b.name} may still give ${this.q(b.gives.value, 'charge', 2)} in that cold${b.freezesK === undefined ? '' : `; after a day’s work its acid freezes at ${this.q(b.freezesK, 'temperature')}`}.`,
    })),
  );
  protected readonly winterWords = computed(() => {
    const w = this.winter()!;
    if (w.coldestK === undefined) return 'Say how cold the nights get, and the antifreeze is worked out. Wetted volume of each circuit:';
    if (w.glycolShare === 0) return 'Coldest night is above freezing: no antifreeze needed, drain only. Wetted volume of each circuit:';
    if (w.glycolShare === null) return 'Colder than the antifreeze can stand: drain and blow out, or keep the rig inside.';
    return `${this.q(w.antifreeze.value, 'volume', 2)} of antifreeze, about ${this.q(w.cost, 'money', 2)}, for ${this.q(w.coldestK, 'temperature')}: ${this.q(w.glycolShare, 'ratio', 2)} glycol in the lines.`;
  });

  protected path(field: string): string {
    return `liquids.${this.chosen.index()}.${field}`;
  }
  protected setKind(kind: (typeof KIND_OPTIONS)[number]['value']): void {
    this.rig.edit('Kind of liquid', (d) => changeKind(d, this.chosen.index(), kind));
  }
  protected add(): void {
    let id = '';
    this.rig.edit('Add a liquid', (d) => void (id = addLiquid(d)));
    this.chosen.choose(id);
  }
  protected remove(): void {
    const l = this.chosen.item();
    if (l) this.rig.edit(`Remove ${l.name}`, (d) => void removeLiquid(d, l.id));
  }
}
