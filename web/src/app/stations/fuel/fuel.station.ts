import { Component, computed, DestroyRef, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import {
  addBurner,
  addFuelTank,
  fuelLastsDays,
  type AssumptionId,
  assumptionValues,
  findAssumption,
  formatQuantity,
  lineFuel,
  removeEnergy,
  type RigDocument,
} from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { type Fact, Facts } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { chosenOf } from '../../kit/chosen';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { clockWords } from '../../kit/clock';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';
import { FuelSide } from './fuel-side';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

/** Something that burns or holds fuel, with the path of what is set of it. */
interface Fuelled {
  readonly id: string;
  readonly name: string;
  readonly kind: 'tank' | 'engine' | 'burner' | 'can';
  readonly path: string;
}

/** Fuel: tanks, how it gets to every engine and burner, and how long it lasts. */
@Component({
  selector: 'pz-fuel-station',
  imports: [
    SpellPipe,
    Chart,
    ChoiceField,
    DataTable,
    Facts,
    FuelSide,
    Later,
    MatButtonModule,
    MatCheckboxModule,
    NameField,
    Picker,
    QuantityField,
    RouterLink,
    StationFrame,
  ],
  templateUrl: './fuel.station.html',
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
    .feeds {
      display: grid;
      margin: 4px 0 8px;
    }
  `,
})
export class FuelStation {
  protected readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  readonly of = input<string>();
  protected readonly id = computed(() => this.rig.state().id);
  protected readonly fuel = computed(() => this.rig.assessment()?.fuel);
  private readonly doc = this.rig.document;

  protected readonly things = computed<readonly Fuelled[]>(() => {
    const d = this.doc();
    const engines = new Set((this.fuel()?.engines ?? []).map((e) => e.engineId));
    if (!d) return [];
    const list = (key: 'machines' | 'softPumps' | 'compressors' | 'gear', xs: readonly { readonly id: string; readonly name: string }[] | undefined) =>
      (xs ?? []).flatMap((x, i): Fuelled[] => (engines.has(x.id) ? [{ id: x.id, name: x.name, kind: 'engine', path: `${key}.${i}` }] : []));
    return [
      ...(d.fuelTanks ?? []).map((t, i): Fuelled => ({ id: t.id, name: t.name, kind: 'tank', path: `fuelTanks.${i}` })),
      ...list('machines', d.machines),
      ...list('softPumps', d.softPumps),
      ...list('compressors', d.compressors),
      ...list('gear', d.gear),
      ...(d.burners ?? []).map((b, i): Fuelled => ({ id: b.id, name: b.name, kind: 'burner', path: `burners.${i}` })),
      ...(d.gear ?? []).flatMap((g, i): Fuelled[] => (g.kind === 'fuel-can' ? [{ id: g.id, name: g.name, kind: 'can', path: `gear.${i}` }] : [])),
    ];
  });
  protected readonly chosen = chosenOf(this.things, this.of);
  protected readonly path = computed(() => this.chosen.item()?.path ?? '');
  protected readonly tank = computed(() => this.fuel()?.tanks.find((t) => t.tankId === this.chosen.item()?.id && !t.own));
  protected readonly engine = computed(() => this.fuel()?.engines.find((e) => e.engineId === this.chosen.item()?.id));
  /** The tank that is drawn: the one chosen, or the one that the chosen engine drinks from. */
  protected readonly drawn = computed(() => {
    const f = this.fuel();
    const id = this.tank()?.tankId ?? this.engine()?.storeId;
    return f?.tanks.find((t) => t.tankId === id && !t.own && t.engineIds.length > 0) ?? f?.tanks.find((t) => !t.own && t.engineIds.length > 0);
  });
  protected readonly drinkers = computed(() => (this.fuel()?.engines ?? []).filter((e) => this.drawn()?.engineIds.includes(e.engineId)));
  protected readonly burner = computed(() => this.rig.assessment()?.burners.findIndex((b) => b.burnerId === this.chosen.item()?.id) ?? -1);

  protected readonly fuels = [
    { value: 'petrol', name: spell('‹Gas›') },
    { value: 'diesel', name: 'Diesel' },
  ];
  protected readonly yesNo = [
    { value: 'true', name: 'Yes' },
    { value: 'false', name: 'No' },
  ];
  protected readonly ownOrNot = [
    { value: '', name: 'On the deck' },
    { value: 'true', name: 'The vehicle’s' },
  ];
  protected readonly lifts = [
    { value: '', name: 'By its size' },
    { value: 'gravity', name: 'By gravity' },
    { value: 'engine', name: 'Its own pump' },
    { value: 'pulse', name: 'A pulse pump' },
    { value: 'electric', name: 'Electric pump' },
  ];
  protected readonly idles = [
    { value: '', name: 'Full speed' },
    { value: 'true', name: 'Idles down' },
  ];
  protected readonly starters = [
    { value: '', name: 'By its size' },
    { value: 'recoil', name: 'Pulled by hand' },
    { value: 'electric', name: 'Electric' },
  ];
  protected readonly machines = computed(() => (this.doc()?.machines ?? []).map((m) => ({ value: m.id, name: m.name })));

  protected readonly columns: readonly Column[] = [
    { id: 'tank', name: 'Tank', sorts: true },
    { id: 'usable', name: 'Usable', number: true, sorts: true },
    { id: 'day', name: 'In a day', number: true, sorts: true },
    { id: 'days', name: 'Lasts', number: true, sorts: true },
    { id: 'hours', name: 'At full power', number: true, sorts: true },
  ];
  protected readonly rows = computed<TableRow[]>(() => {
    const day = this.day.usual();
    return (this.fuel()?.tanks ?? []).map((t): TableRow => {
      const used = day?.fuels.find((f) => f.id === t.tankId)?.usedM3 ?? 0;
      const days = fuelLastsDays(day?.fuels.find((f) => f.id === t.tankId));
      return {
        id: t.tankId,
        ...(t.tankId === this.first()?.tankId ? { mark: 'now' as const } : {}),
        cells: {
          tank: t.name,
          usable: { text: this.q(t.usable.value, 'volume'), by: t.usable.value },
          day: day ? { text: used > 0 ? this.q(used, 'volume') : '–', by: used } : '…',
          days: day ? { text: Number.isFinite(days) ? `${days.toFixed(1)} days` : '–', by: days, shout: days < 1 } : '…',
          hours: { text: Number.isFinite(t.lastsS) ? `${(t.lastsS / 3600).toFixed(1)} h` : '–', by: t.lastsS },
        },
      };
    });
  });
  /** The tank that is filled first: the one that is empty first. */
  private readonly first = computed(() => {
    const day = this.day.usual();
    if (!day) return undefined;
    const days = (id: string): number => fuelLastsDays(day.fuels.find((f) => f.id === id));
    return [...(this.fuel()?.tanks ?? [])].filter((t) => Number.isFinite(days(t.tankId))).sort((a, b) => days(a.tankId) - days(b.tankId))[0];
  });
  protected readonly firstWords = computed(() => {
    const t = this.first();
    const spare = this.fuel()?.spareM3;
    const cans = spare && spare.petrol + spare.diesel > 0 ? ` ${this.q(spare.petrol + spare.diesel, 'volume')} more rides along in cans.` : '';
    return t && this.rows().length > 1 ? `${t.name} runs out first.${cans}` : cans.trim();
  });
  protected readonly untold = computed(() => (this.fuel()?.engines ?? []).filter((e) => e.storeId === undefined).map((e) => e.name));

  protected readonly engineFacts = computed<Fact[]>(() => {
    const i = this.fuel()?.engines.findIndex((e) => e.engineId === this.chosen.item()?.id) ?? -1;
    const e = this.fuel()?.engines[i];
    if (!e) return [];
    return [
      { label: 'Burns at full power, an hour', text: this.q(e.burnsMost.value * 3600, 'volume') },
      ...(e.lengthM === undefined ? [] : [{ label: e.asLaid ? 'Hose, as the deck lies' : 'Hose', text: this.q(e.lengthM, 'length') }]),
      ...(e.headFull ? [{ label: 'Fuel above it, tank full', at: `fuel.engines.${i}.headFull` }] : []),
      ...(e.headReserve ? [{ label: 'At the reserve', at: `fuel.engines.${i}.headReserve` }] : []),
      ...(e.headLast ? [{ label: 'At the last', at: `fuel.engines.${i}.headLast` }] : []),
      ...(e.liftsM > 0 && e.headFull ? [{ label: 'Its pump lifts', text: this.q(e.liftsM, 'length') }] : []),
    ];
  });
  protected readonly burnerFacts = computed<Fact[]>(() => {
    const i = this.burner();
    if (i < 0) return [];
    const at = `burners.${i}`;
    return [
      { label: 'Water comes out at', at: `${at}.out` },
      { label: 'Rise', at: `${at}.rise` },
      { label: 'Heat into the water', at: `${at}.heat` },
      { label: 'Fuel, an hour', text: this.q((this.rig.assessment()?.burners[i].fuel.value ?? 0) * 3600, 'volume') },
    ];
  });

  /** What runs out on the usual day. */
  protected readonly dry = computed(() => {
    const day = this.day.usual();
    return (day?.shortages ?? [])
      .filter((x) => x.cause === 'fuel')
      .map((x) => `On the usual day ${x.name} runs out of fuel at ${clockWords(day!.startsS + x.atS)}.`);
  });
  protected readonly chart = computed<ChartOption | undefined>(() => {
    const day = this.day.usual();
    const trace = day?.trace;
    if (!day || !trace || !day.fuels.some((f) => f.usedM3 > 0)) return undefined;
    const reserve = 100 * assumptionValues(this.rig.rig()?.assumptions)['fuel-reserve'];
    return (c) => {
      const colours = [c.water, c.chem, c.attention, c.quiet];
      return {
        ...axes(
          c,
          { name: 'time of day', min: Math.floor(day.startsS / 3600), max: Math.ceil((day.startsS + day.lengthS) / 3600) },
          { name: '% of full', min: 0, max: 100 },
        ),
        legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8 },
        series: day.fuels.flatMap((f, i) =>
          f.usedM3 > 0
            ? [
                curve(
                  f.name,
                  trace.timeS.map((s, k) => [(day.startsS + s) / 3600, Math.round(trace.fuel[i][k] * 1000) / 10] as const),
                  colours[i % colours.length],
                  i === 0 ? { markLine: level(reserve, 'reserve', c.attention) } : {},
                ),
              ]
            : [],
        ),
      };
    };
  });
  protected readonly chartWords = computed(() =>
    (this.day.usual()?.fuels ?? [])
      .filter((f) => f.usedM3 > 0)
      .map((f) => `${f.name}: ${this.q(f.leftM3, 'volume')} left of ${this.q(f.fullM3, 'volume')} after the day`)
      .join('; '),
  );

  constructor() {
    this.day.watch();
    inject(DestroyRef).onDestroy(() => this.day.leave());
  }

  protected usual(id: AssumptionId): string {
    return this.doc()?.assumptions[id] ?? findAssumption(id)!.value;
  }
  private q(value: number, dimension: Parameters<typeof formatQuantity>[1]): string {
    return formatQuantity(value, dimension, this.rig.units());
  }
  private readonly engineDocument = computed(() => {
    const [d, id] = [this.doc(), this.chosen.item()?.id];
    return [...(d?.machines ?? []), ...(d?.softPumps ?? []), ...(d?.compressors ?? []), ...(d?.gear ?? [])].find((x) => x.id === id)?.engine;
  });
  /** What an engine's sheet leaves out, by its power. */
  protected liftPlaceholder(): string {
    const e = this.engine();
    const from = assumptionValues(this.rig.rig()?.assumptions)['fuel-pump-from'];
    const typed = this.engineDocument()?.lift !== undefined;
    return e && !typed ? `${e.lift === 'gravity' ? 'By gravity' : 'By its own pump'}: engines from ${this.q(from, 'power')} on have one.` : '';
  }

  /** Engines and burners that a tank may feed, and whether it does. */
  protected readonly feeds = computed(() => {
    const id = this.chosen.item()?.id;
    const lines = this.doc()?.fuelLines ?? [];
    return (this.fuel()?.engines ?? []).map((e) => ({ id: e.engineId, name: e.name, on: lines.some((l) => l.from === id && l.to === e.engineId) }));
  });
  protected feed(engine: string, on: boolean): void {
    const tank = this.chosen.item()!.id;
    this.rig.edit(on ? 'Lead its fuel from there' : 'Take the fuel line off', (d) => {
      if (on) lineFuel(d, tank, engine);
      else d.fuelLines = (d.fuelLines ?? []).filter((l) => !(l.from === tank && l.to === engine));
    });
  }
  protected readonly linePath = computed(() => {
    const i = this.doc()?.fuelLines?.findIndex((l) => l.to === this.chosen.item()?.id) ?? -1;
    return i < 0 ? '' : `fuelLines.${i}`;
  });
  protected addTank(): void {
    const untold = (this.fuel()?.engines ?? []).filter((e) => e.storeId === undefined && e.kind !== 'burner');
    let id = '';
    this.rig.edit('Add a fuel tank', (d) => {
      const diesel = untold.length > 0 && untold.every((e) => e.fuel === 'diesel');
      id = addFuelTank(
        d,
        untold.filter((e) => e.fuel === (diesel ? 'diesel' : 'petrol')).map((e) => e.engineId),
        diesel ? { fuel: 'diesel' } : {},
      );
    });
    this.chosen.choose(id);
  }
  protected readonly bare = computed(() => {
    const d = this.doc();
    return d?.machines.find((m) => !d.burners?.some((b) => b.machine === m.id));
  });
  protected addBurner(): void {
    const machine = this.bare();
    let id = '';
    if (machine) this.rig.edit('Add a burner', (d) => void (id = addBurner(d, machine.id)));
    this.chosen.choose(id);
  }
  protected remove(): void {
    const own = this.chosen.item();
    if (own) this.rig.edit(`Remove ${own.name}`, (d: RigDocument) => removeEnergy(d, own.id));
  }
}
