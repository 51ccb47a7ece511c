import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  type AsTold,
  addTank,
  changeLiquid,
  changeShape,
  formatQuantity,
  type LevelSeries,
  quantityRuleOf,
  removeTank,
  reshapeTank,
  type RigDocument,
  si,
  sizeTank,
  TANK_SIZES,
  type TankResult,
  tie,
  useTankSize,
  volumeOf,
} from '@pozzo/core';
import type { ChartOption } from '../../kit/chart';
import { Chart } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { type Derived, QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../bench/station-frame';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { LineEditor } from '../../bench/line-editor';
import { ChemicalTank } from './chemical-tank';
import { TankDrawing, type TankLevels } from './tank-drawing';
import { SHAPE_OPTIONS } from './tank-shapes';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

/** What a tank may hold. */
const VOLUME_RULE = quantityRuleOf('volume', '1 gal', '5000 gal');

/** Tanks: their size and heights, and the water on board over the job. */
@Component({
  selector: 'pz-tanks-station',
  imports: [
    SpellPipe,
    Chart,
    ChemicalTank,
    ChoiceField,
    Facts,
    Later,
    LineEditor,
    MatButtonModule,
    NameField,
    Picker,
    QuantityField,
    SelectRow,
    StationFrame,
    TankDrawing,
  ],
  templateUrl: './tanks.station.html',
  styles: `
    .lead {
      margin: 0 0 8px;
    }
    .alone {
      max-width: 170px;
    }
  `,
})
export class TanksStation {
  protected readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly tanks = computed(() => this.rig.document()?.tanks ?? []);
  protected readonly chosen = chosenOf(this.tanks, this.of);
  protected readonly path = computed(() => `tanks.${this.chosen.index()}`);
  protected readonly shape = computed(() => this.chosen.item()?.shape);
  protected readonly result = computed<AsTold<TankResult> | undefined>(() => this.rig.assessment()?.tanks[this.chosen.index()]);
  protected readonly shapes = SHAPE_OPTIONS;
  protected readonly liquids = [
    { value: 'water', name: 'Water' },
    { value: 'antifreeze', name: 'Antifreeze' },
    { value: 'rinse', name: 'Rinse' },
    { value: 'chemical', name: 'Chemical' },
  ] as const;
  protected readonly stock = computed(() => [
    { value: '', name: 'not said' },
    ...(this.rig.document()?.liquids ?? []).map((l) => ({ value: l.id, name: l.name })),
  ]);
  protected readonly uses = [
    { value: '', name: 'stock' },
    { value: 'mixed', name: 'finished mix' },
  ];
  protected readonly vents = [
    { value: '', name: 'not said' },
    { value: 'outside', name: 'outside and down' },
    { value: 'deck', name: 'onto the deck' },
  ];
  protected readonly tubes = [
    { value: 'false', name: 'No' },
    { value: 'true', name: 'Yes' },
  ];
  protected readonly lids = [
    { value: 'closed', name: 'Closed' },
    { value: 'open', name: 'Open' },
  ];

  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    if (!r) return [];
    const i = this.chosen.index();
    const full = { label: 'Full', text: formatQuantity(r.fullVolumeM3, 'volume', this.rig.units()) };
    if (this.idle()) return [full, { label: 'At the start', text: formatQuantity(r.startVolumeM3, 'volume', this.rig.units()) }];
    return [
      full,
      { label: 'Usable', at: `tanks.${i}.usable` },
      { label: 'Unusable below', at: `tanks.${i}.heelLevel` },
      { label: 'Fill rate', at: `tanks.${i}.inflow` },
      { label: 'Average draw', at: `tanks.${i}.draw` },
      { label: 'Runs dry, triggers held', at: `tanks.${i}.timeToEmpty`, never: 'never' },
      { label: 'Needed for the job', at: `tanks.${i}.needed` },
      { label: 'Refill time', at: `tanks.${i}.timeToRecover` },
      ...(r.tie ? [{ label: 'Tied tanks differ by', at: `tanks.${i}.tie.differenceM` }] : []),
    ];
  });
  protected readonly sentence = computed(() => {
    const r = this.result();
    const doc = this.rig.document();
    if (!r || !doc) return '';
    const units = this.rig.units();
    const winter = this.rig.assessment()?.chemical.winter;
    if (this.chosen.item()?.liquid === 'antifreeze' && winter && winter.antifreeze.value > 0)
      return `${formatQuantity(r.startVolumeM3, 'volume', units)} of antifreeze; the winter takes ${formatQuantity(winter.antifreeze.value, 'volume', units, { digits: 2 })}.`;
    if (r.fullDraw.value <= 0) return 'No machine draws from this tank.';
    const lasts = (seconds: number): string => (Number.isFinite(seconds) ? formatQuantity(seconds, 'time', units) : 'the whole job');
    const good = dryAfter(r.seriesGood, r.heelVolumeM3);
    if (![r.dryAfter.value, r.dryAfterPoorS].some(Number.isFinite)) return spell('Water lasts the job, even at a poor ‹spigot›.');
    return spell(`The water lasts ${lasts(r.dryAfter.value)} on a typical ‹spigot›, ${lasts(r.dryAfterPoorS)} on a poor one, ${lasts(good)} on a good one.`);
  });

  /** Of a tank of chemicals, with its place in the assessment. */
  protected readonly chemical = computed(() => {
    const list = this.rig.assessment()?.chemical.tanks ?? [];
    const i = list.findIndex((t) => t.tankId === this.result()?.tankId);
    return i < 0 ? undefined : { result: list[i], at: `chemical.tanks.${i}` };
  });
  protected readonly heading = computed(() => {
    const name = this.liquids.find((l) => l.value === this.chosen.item()?.liquid)?.name ?? 'Water';
    return `${name} on board`;
  });
  protected readonly depth = computed(() => (this.chosen.item()?.liquid === 'water' ? 'depth of water' : 'depth inside'));
  protected readonly calm = computed(() => (this.chemical() ? 'Vented and filled as it should be.' : 'The water on board lasts the job, with its reserve.'));
  /** Nothing goes in or out while the job lasts. */
  protected readonly idle = computed(() => {
    const r = this.result();
    return !!r && r.fullDraw.value <= 0 && r.inflow.value <= 0;
  });
  /** Of this tank alone: tied ones share what they hold. */
  protected readonly levels = computed<TankLevels>(() => {
    const r = this.result()!;
    const share = 1 / r.tiedIds.length;
    return {
      start: r.startVolumeM3 * share,
      end: (r.series.volumeM3.at(-1) ?? 0) * share,
      heel: r.heelVolumeM3 * share,
      when: this.idle() ? 'on board' : 'after the job',
    };
  });

  protected readonly option = computed<ChartOption>(() => {
    const r = this.result()!;
    const system = this.rig.units();
    const held = this.rig.held()?.tanks.find((t) => t.tankId === r.tankId);
    const points = (s: TankResult['series']): [number, number][] => s.timeS.map((t, i) => [round3(t / 60), round3(inUnit(s.volumeM3[i], 'volume', system))]);
    return (c) => ({
      ...axes(c, { name: 'minutes of the job', max: round3((r.series.timeS.at(-1) ?? 3600) / 60) }, { name: unitOf('volume', system), min: 0 }),
      legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8, itemWidth: 18, itemGap: 8 },
      series: [
        curve(spell('typical ‹spigot›'), points(r.series), c.water, {
          areaStyle: { color: c.waterPale },
          markLine: level(inUnit(r.heelVolumeM3, 'volume', system), 'no use below', c.attention),
        }),
        curve('poor', points(r.seriesPoor), c.quiet, { lineStyle: { color: c.quiet, type: 'dashed', width: 2 } }),
        curve('good', points(r.seriesGood), c.waterMid, { lineStyle: { color: c.waterMid, type: 'dashed', width: 2 } }),
        ...(held ? [curve('held', points(held.series), c.ink, { lineStyle: { color: c.ink, type: 'dotted', width: 2 } })] : []),
      ],
    });
  });

  /** Tie lines at this tank, and the tanks it could yet be tied to. */
  protected readonly ties = computed(() =>
    (this.rig.document()?.lines ?? [])
      .filter((l) => l.role === 'tie' && (l.from.id === this.chosen.item()?.id || l.to.id === this.chosen.item()?.id))
      .map((l) => l.id),
  );
  protected readonly untied = computed(() => {
    const own = this.chosen.item();
    const tied = this.result()?.tiedIds ?? [];
    return this.tanks().filter((t) => t.id !== own?.id && !tied.includes(t.id) && t.liquid === own?.liquid && t.holds === own?.holds);
  });
  protected tieTo(other: string): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Tie two tanks', (d) => tie(d, id, other));
  }
  protected untie(lineId: string): void {
    this.rig.edit('Untie', (d) => void (d.lines = d.lines.filter((l) => l.id !== lineId)));
  }

  /** What the tank holds to its brim, as typed or reckoned from its sides. */
  protected readonly holds = computed<Derived>(() => {
    const t = this.chosen.item();
    return { text: t ? formatQuantity(volumeOf(t.shape), 'volume', this.rig.units()).replace(/\u00a0/g, ' ') : '', rule: VOLUME_RULE };
  });
  protected readonly writeVolume = (d: RigDocument, text: string): void => sizeTank(d, this.chosen.item()!.id, si(text, 'volume'));
  /** Float and start go with the height. */
  protected writeTall(side: 'height' | 'diameter'): (d: RigDocument, text: string) => void {
    return (d, text) => reshapeTank(d.tanks[this.chosen.index()], (s) => ({ ...s, [side]: text }));
  }
  protected readonly sizes = computed(() => TANK_SIZES.filter((x) => x.system === this.rig.units()).map((x) => ({ value: x.id, name: spell(x.name) })));
  protected readonly size = computed(() => {
    const shape = this.shape();
    return TANK_SIZES.find((x) => shape?.kind === x.shape.kind && Object.entries(x.shape).every(([k, v]) => shape[k as 'kind'] === v))?.id;
  });
  protected useSize(id: string): void {
    this.rig.edit('A tank off the shelf', (d) => useTankSize(d, this.chosen.item()!.id, id));
  }
  protected setLiquid(liquid: (typeof this.liquids)[number]['value']): void {
    this.rig.edit('What a tank holds', (d) => changeLiquid(d.tanks[this.chosen.index()], liquid));
  }
  protected setShape(kind: string): void {
    this.rig.edit('Tank shape', (d) => changeShape(d.tanks[this.chosen.index()], kind));
  }
  protected add(): void {
    let id = '';
    this.rig.edit('Add a tank', (d) => void (id = addTank(d)));
    this.chosen.choose(id);
  }
  protected remove(): void {
    const tank = this.chosen.item();
    if (tank) this.rig.edit(`Remove ${tank.name}`, (d) => removeTank(d, tank.id));
  }
}

/** First time at which a level stands at the heel before the job's end, s; Infinity when it never does. */
function dryAfter(s: LevelSeries, heelM3: number): number {
  const i = s.volumeM3.findIndex((v) => v <= heelM3 + 1e-9);
  return i < 0 || i === s.volumeM3.length - 1 ? Infinity : s.timeS[i];
}
