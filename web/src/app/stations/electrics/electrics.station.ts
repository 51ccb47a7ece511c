import { Component, computed, DestroyRef, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink } from '@angular/router';
import {
  addBattery,
  addCharger,
  addCompressor,
  addLoad,
  addPanel,
  addReceiver,
  type AssumptionId,
  cableSize,
  cordCarries,
  findAssumption,
  formatQuantity,
  gaugeName,
  gaugeOf,
  GAUGES_BY,
  lineAir,
  oneLineSvg,
  removeEnergy,
  type GaugeName,
  sizesOf,
  type RigDocument,
  wireCsv,
  wireFrom,
  wireList,
} from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { type Fact, Facts } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve } from '../../kit/chart-parts';
import { chosenOf } from '../../kit/chosen';
import { clockWords } from '../../kit/clock';
import { Later } from '../../kit/later';
import { PLATE_OPTIONS, SAID_OPTIONS } from '../../kit/said-options';
import { SelectRow } from '../../kit/select-row';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { DayStore } from '../../state/day-store';
import { RigStore, valueAt } from '../../state/rig-store';
import { OneLineView } from './one-line-view';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

type Kind = 'battery' | 'charger' | 'panel' | 'load' | 'cable' | 'compressor' | 'receiver' | 'mains';

/** Something that is set here, with the path of its fields. */
interface Setting {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  readonly path: string;
}

const WORDS: Readonly<Record<Kind, string>> = {
  battery: 'Battery',
  charger: 'Charging',
  panel: 'Panel',
  load: 'Load',
  cable: 'Cable',
  compressor: 'Compressor',
  receiver: 'Receiver',
  mains: spell('‹AC power›'),
};

/** Batteries, cables and fuses, what charges them; the mains; compressors and what breathes from them. */
@Component({
  selector: 'pz-electrics-station',
  imports: [
    SpellPipe,
    Chart,
    ChoiceField,
    DataTable,
    Facts,
    Later,
    MatButtonModule,
    MatTabsModule,
    NameField,
    OneLineView,
    QuantityField,
    RouterLink,
    SelectRow,
    StationFrame,
  ],
  templateUrl: './electrics.station.html',
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
  `,
})
export class ElectricsStation {
  protected readonly rig = inject(RigStore);
  private readonly day = inject(DayStore);
  readonly of = input<string>();
  protected readonly id = computed(() => this.rig.state().id);
  private readonly doc = this.rig.document;
  private readonly answers = this.rig.assessment;

  protected readonly things = computed<readonly Setting[]>(() => {
    const d = this.doc();
    if (!d) return [];
    const all = (kind: Kind, list: string, xs: readonly { readonly id: string; readonly name: string }[] | undefined): Setting[] =>
      (xs ?? []).map((x, i) => ({ id: x.id, name: x.name, kind, path: `${list}.${i}` }));
    const cables = (this.answers()?.cables ?? []).map((c, i): Setting => {
      const at = d.wires?.findIndex((w) => w.id === c.wireId) ?? -1;
      return { id: `cable-${i}`, name: `to ${c.toName}`, kind: 'cable', path: at < 0 ? '' : `wires.${at}` };
    });
    return [
      ...all('battery', 'batteries', d.batteries),
      ...all('charger', 'chargers', d.chargers),
      ...all('panel', 'panels', d.panels),
      ...cables,
      ...all('load', 'loads', d.loads),
      ...all('compressor', 'compressors', d.compressors),
      ...all('receiver', 'receivers', d.receivers),
      ...(this.onMains() ? [{ id: 'mains', name: spell('‹AC power›'), kind: 'mains' as const, path: 'mains' }] : []),
    ];
  });
  protected readonly onMains = computed(() => {
    const d = this.doc();
    return d?.mains !== undefined || !!d?.machines.some((m) => m.drive === 'electric') || !!d?.compressors?.some((c) => c.drive === 'electric');
  });
  protected readonly chosen = chosenOf(this.things, this.of);
  protected readonly path = computed(() => this.chosen.item()?.path ?? '');
  protected readonly choices = computed(() =>
    this.things().map((t) => ({ value: t.id, name: t.name.startsWith(WORDS[t.kind]) ? t.name : `${WORDS[t.kind]}: ${t.name}` })),
  );
  /** The cable that is chosen, as reckoned. */
  private readonly cable = computed(() => {
    const own = this.chosen.item();
    return own?.kind === 'cable' ? this.answers()?.cables[Number(own.id.slice('cable-'.length))] : undefined;
  });

  protected readonly kinds = [
    { value: 'lead-acid', name: 'Lead-acid' },
    { value: 'agm', name: 'AGM' },
    { value: 'lithium', name: 'Lithium' },
  ];
  protected readonly volts = [
    { value: '', name: '12 V' },
    { value: '24', name: '24 V' },
  ];
  protected readonly uses = [
    { value: '', name: 'Pumps and lights' },
    { value: 'start', name: 'Starting' },
  ];
  protected readonly whose = [
    { value: '', name: 'The rig' },
    { value: 'true', name: 'The vehicle’s' },
  ];
  protected readonly chargers = [
    { value: 'coil', name: 'An engine’s coil' },
    { value: 'alternator', name: 'An alternator' },
    { value: 'vehicle', name: 'The vehicle' },
    { value: 'shore', name: 'Overnight' },
    { value: 'solar', name: 'The sun' },
  ];
  protected readonly loadKinds = [
    { value: 'lights', name: 'Lights' },
    { value: 'ignition', name: 'Ignition' },
    { value: 'fuel-solenoid', name: 'Fuel solenoid' },
    { value: 'fuel-pump', name: 'Fuel pump' },
    { value: 'other', name: 'Another' },
  ];
  protected readonly drives = [
    { value: '', name: spell('‹Gas› engine') },
    { value: 'diesel', name: 'Diesel engine' },
    { value: 'electric', name: spell('Motor on ‹AC power›') },
    { value: 'vehicle', name: 'The vehicle' },
  ];
  protected readonly mains = [
    { value: 'site', name: 'Their socket' },
    { value: 'generator', name: 'A generator' },
  ];
  protected readonly rcd = SAID_OPTIONS;
  protected readonly insulations = [
    { value: '', name: 'Not said: 60 °C' },
    { value: '60', name: '60 °C' },
    { value: '75', name: '75 °C' },
    { value: '90', name: '90 °C' },
    { value: 'vehicle', name: 'Vehicle, 105 °C' },
  ];
  protected readonly fused = [
    { value: '', name: 'Yes' },
    { value: 'true', name: 'No fuse' },
  ];
  protected readonly plates = PLATE_OPTIONS;
  /** As cable is bought here first, then the other sizes. */
  private readonly sold = computed(() => {
    const first = this.doc()?.cables ?? 'awg';
    return [...GAUGES_BY[first], ...GAUGES_BY[first === 'awg' ? 'mm2' : 'awg']].map((g) => ({ value: g, name: cableSize(gaugeOf(g)) }));
  });
  protected readonly leads = computed(() => this.sold().filter((g) => Number.isFinite(cordCarries(g.value))));
  protected readonly bought = [
    { value: '', name: 'By gauge (AWG)' },
    { value: 'mm2', name: 'By copper (mm²)' },
  ];
  protected readonly unfused = computed(() => valueAt(this.rig.document(), `${this.path()}.unfused`) === true);
  protected addLead(): void {
    this.rig.edit('Add an extension lead', (d) => void (d.mains!.lead = { length: '50 ft', gauge: this.doc()?.cables === 'mm2' ? '2.5 mm²' : '12' }));
  }
  protected unplugLead(): void {
    this.rig.edit('Without a lead', (d) => void delete d.mains!.lead);
  }
  protected readonly gauges = computed(() => [{ value: '', name: 'As chosen' }, ...this.sold()]);
  protected readonly batteries = computed(() => (this.doc()?.batteries ?? []).map((b) => ({ value: b.id, name: b.name })));
  protected readonly compressors = computed(() => (this.doc()?.compressors ?? []).map((c) => ({ value: c.id, name: c.name })));
  protected readonly otherBatteries = computed(() => [{ value: '', name: 'None' }, ...this.batteries().filter((b) => b.value !== this.chosen.item()?.id)]);
  protected readonly engines = computed(() => [
    { value: '', name: 'None' },
    ...(this.answers()?.fuel.engines ?? []).map((e) => ({ value: e.engineId, name: e.name })),
  ]);
  protected readonly sources = computed(() => {
    const to = this.cable()?.to;
    return [...(this.doc()?.batteries ?? []), ...(this.doc()?.panels ?? [])].filter((x) => x.id !== to).map((x) => ({ value: x.id, name: x.name }));
  });

  protected readonly cableColumns: readonly Column[] = [
    { id: 'to', name: 'To', sorts: true },
    { id: 'from', name: 'From' },
    { id: 'cable', name: 'Cable', sorts: true },
    { id: 'length', name: 'One way', number: true, sorts: true },
    { id: 'fuse', name: 'Fuse', number: true, sorts: true },
    { id: 'current', name: 'Draws', number: true, sorts: true },
    { id: 'at', name: 'At the load', number: true, sorts: true },
    { id: 'drop', name: 'Lost', number: true, sorts: true },
  ];
  protected readonly cableRows = computed<TableRow[]>(() => {
    const a = this.answers();
    return (a?.cables ?? []).map((c, i): TableRow => {
      const load = a!.circuits.find((x) => x.loadId === c.to && x.name === c.toName);
      return {
        id: `cable-${i}`,
        ...(this.chosen.item()?.id === `cable-${i}` ? { mark: 'now' as const } : {}),
        cells: {
          to: c.toName,
          from: c.fromName,
          cable:
            c.gauge === undefined
              ? { text: 'no cable is big enough', by: -9, shout: true }
              : { text: `${this.cableSize(c.gauge, c.areaM2!)}${c.typedGauge ? '' : ', chosen'}`, by: -c.gauge },
          length: { text: this.q(c.lengthM, 'length'), by: c.lengthM },
          fuse: c.fuseA === undefined ? '–' : { text: this.q(c.fuseA, 'current'), by: c.fuseA, shout: c.ampacityA !== undefined && c.fuseA > c.ampacityA },
          current: { text: this.q(c.currentA, 'current'), by: c.currentA },
          at: load ? { text: this.q(load.voltage, 'voltage'), by: load.voltage } : '',
          drop:
            load?.dropShare === undefined
              ? ''
              : { text: this.q(load.dropShare, 'ratio'), by: load.dropShare, shout: load.dropShare > load.mostDrop * 1.000001 },
        },
      };
    });
  });
  protected readonly lengthWords = computed(() => {
    const all = (this.answers()?.cables ?? []).filter((c) => !c.typedLength);
    const loose = all.filter((c) => !c.asLaid).length;
    return loose
      ? `${loose === all.length ? 'Lengths that are not typed are' : loose === 1 ? 'One of the lengths is' : `${loose} of the lengths are`} the usual one: one end has no place yet.`
      : 'Lengths that are not typed are those of the deck, with slack. One length stands for the way there and back.';
  });

  protected readonly batteryColumns: readonly Column[] = [
    { id: 'battery', name: 'Battery' },
    { id: 'taken', name: 'Taken', number: true },
    { id: 'charged', name: 'Charged', number: true },
    { id: 'may', name: 'Usable', number: true },
    { id: 'left', name: 'Left at the end', number: true },
    { id: 'morning', name: 'By the morning' },
  ];
  protected readonly batteryRows = computed<TableRow[]>(() => {
    const day = this.day.usual();
    return (this.answers()?.batteries ?? []).map((b): TableRow => {
      const own = day?.batteries.find((x) => x.id === b.batteryId);
      const missing = own ? own.usableAs - own.leftAs : b.net.value;
      return {
        id: b.batteryId,
        cells: {
          battery: b.name,
          taken: this.q(b.taken.value, 'charge'),
          charged: this.q(b.charged, 'charge'),
          may: this.q(b.usableAs, 'charge'),
          left: own ? { text: this.q(own.leftAs, 'charge'), shout: own.lowestAs <= 0 } : '…',
          morning:
            missing < 3600
              ? 'full'
              : this.doc()?.chargers?.some((c) => c.battery === b.batteryId && c.kind === 'shore')
                ? b.fullByMorning
                  ? 'full'
                  : { text: `${this.q(missing - b.nightAs, 'charge')} short`, shout: true }
                : 'nothing charges it overnight',
        },
      };
    });
  });
  protected readonly batteryFacts = computed<Fact[]>(() => {
    const i = this.answers()?.batteries.findIndex((b) => b.batteryId === this.chosen.item()?.id) ?? -1;
    if (i < 0) return [];
    const b = this.answers()!.batteries[i];
    return [
      { label: 'Taken in a day, by the brief', at: `batteries.${i}.taken` },
      { label: 'On balance', at: `batteries.${i}.net` },
      { label: 'With everything on', text: this.q(b.allOnA, 'current') },
    ];
  });

  protected readonly airColumns: readonly Column[] = [
    { id: 'compressor', name: 'Compressor' },
    { id: 'gives', name: 'Gives', number: true },
    { id: 'need', name: 'Air used', number: true },
    { id: 'rests', name: 'Rests · starts again', number: true },
    { id: 'lasts', name: 'Receiver carries it', number: true },
    { id: 'first', name: 'Starves first' },
  ];
  protected readonly airRows = computed<TableRow[]>(() =>
    (this.answers()?.air.compressors ?? []).map((c): TableRow => {
      const d = this.doc();
      return {
        id: c.compressorId,
        cells: {
          compressor: d?.compressors?.find((x) => x.id === c.compressorId)?.name ?? '',
          gives: this.q(c.givesM3s, 'airFlow'),
          need: { text: this.q(c.need.value, 'airFlow'), shout: c.need.value > c.givesM3s },
          rests: `${this.q(c.cutOutPa, 'pressure')} · ${this.q(c.cutInPa, 'pressure')}`,
          lasts: Number.isFinite(c.lastsS) ? this.q(c.lastsS, 'time') : 'not needed',
          first: d?.softPumps?.find((p) => p.id === c.firstPumpId)?.name ?? 'nothing breathes from it',
        },
      };
    }),
  );
  protected readonly airFacts = computed<Fact[]>(() => {
    const all = this.answers()?.air;
    const chosen = this.chosen.item();
    const i = all?.compressors.findIndex((c) => c.compressorId === chosen?.id) ?? -1;
    const at = i < 0 ? 0 : i;
    const c = all?.compressors[at];
    if (!all || !c) return [];
    return [
      { label: 'Free air that its pumps breathe', at: `air.compressors.${at}.need` },
      { label: 'At its shaft', at: `air.compressors.${at}.power` },
      { label: 'Its engine has', text: this.q(c.powerHasW, 'power') },
      ...(c.cyclesPerHour > 0 ? [{ label: 'Starts and rests, an hour', text: c.cyclesPerHour.toFixed(0) }] : []),
      { label: spell('‹A tire› takes'), text: Number.isFinite(c.tyreS) ? this.q(c.tyreS, 'time') : 'for ever' },
      ...all.pumps.flatMap((p, k) =>
        p.compressorId === c.compressorId && p.lineLoss ? [{ label: `Lost in the line to ${this.pumpName(p.pumpId)}`, at: `air.pumps.${k}.lineLoss` }] : [],
      ),
    ];
  });
  private pumpName(id: string): string {
    return this.doc()?.softPumps?.find((p) => p.id === id)?.name ?? id;
  }
  /** Air-operated pumps without an air line drawn. */
  protected readonly unlined = computed(() => (this.answers()?.air.pumps ?? []).filter((p) => p.compressorId !== undefined && p.lineM === undefined));
  protected readonly airLines = computed(() => (this.doc()?.airLines ?? []).map((l, i) => ({ id: l.id, path: `airLines.${i}`, name: this.pumpName(l.to) })));

  protected readonly mainsFacts = computed<Fact[]>(() => {
    const m = this.answers()?.mains;
    if (!m?.loads.length) return [];
    const kw = (w: number): string => formatQuantity(w, 'power', this.rig.units(), { unit: 'kW' });
    return [
      ...m.loads.map((l) => ({ label: `${l.name} at its plug`, text: `${kw(l.powerW)} · ${this.q(l.currentA, 'current')}` })),
      { label: 'For hours', text: kw(m.needsW) },
      { label: 'While the largest motor starts', text: kw(m.startsW) },
      ...(m.hasW === undefined ? [] : [{ label: 'The generator gives', text: `${kw(m.hasW)}, ${kw(m.hasStartW ?? m.hasW)} to start` }]),
      ...(m.fuelM3s > 0 ? [{ label: 'Its fuel, an hour', text: this.q(m.fuelM3s * 3600, 'volume') }] : []),
    ];
  });

  /** What of it does not last the usual day. */
  protected readonly flat = computed(() => {
    const day = this.day.usual();
    return (day?.shortages ?? [])
      .filter((x) => x.cause === 'battery' || x.cause === 'air')
      .map((x) => `On the usual day ${x.name} ${x.cause === 'air' ? 'is short of air' : 'is flat'} at ${clockWords(day!.startsS + x.atS)}.`);
  });
  /** What was judged of what is there; that it lasts the day only where the day was worked. */
  protected readonly calm = computed(() => {
    const starters = this.answers()?.circuits.some((c) => c.part === 'starter') ? ' Starter cables are unfused.' : '';
    const lasts = this.day.usual() && !this.flat().length ? ' What drives them lasts the usual day.' : '';
    return `Cables and fuses carry their loads.${starters}${lasts}`;
  });
  protected readonly chart = computed<ChartOption | undefined>(() => {
    const day = this.day.usual();
    const trace = day?.trace;
    if (!day || !trace || !day.batteries.length) return undefined;
    return (c) => {
      const colours = [c.water, c.chem, c.attention, c.quiet];
      return {
        ...axes(
          c,
          { name: 'time of day', min: Math.floor(day.startsS / 3600), max: Math.ceil((day.startsS + day.lengthS) / 3600) },
          { name: '% of what may be used', min: 0, max: 100 },
        ),
        legend: { top: 0, right: 8, textStyle: { color: c.ink }, itemHeight: 8 },
        series: day.batteries.map((b, i) =>
          curve(
            b.name,
            trace.timeS.map((s, k) => [(day.startsS + s) / 3600, Math.round(trace.battery[i][k] * 1000) / 10] as const),
            colours[i % colours.length],
          ),
        ),
      };
    };
  });
  protected readonly chartWords = computed(() =>
    (this.day.usual()?.batteries ?? [])
      .map((b) => `${b.name}: ${this.q(b.leftAs, 'charge')} left of ${this.q(b.usableAs, 'charge')} that may be used`)
      .join('; '),
  );

  constructor() {
    this.day.watch();
    inject(DestroyRef).onDestroy(() => this.day.leave());
  }

  protected usual(id: AssumptionId): string {
    return this.doc()?.assumptions[id] ?? findAssumption(id)!.value;
  }
  /** As it is sold; a gauge with its copper for whoever buys by that. */
  private cableSize(gauge: number, areaM2: number): string {
    const size = cableSize(gauge);
    return this.rig.units() === 'us' || sizesOf(gauge) === 'mm2' ? size : `${(areaM2 * 1e6).toFixed(1)} mm² (${size})`;
  }
  private q(value: number, dimension: Parameters<typeof formatQuantity>[1]): string {
    return formatQuantity(value, dimension, this.rig.units());
  }

  /** Where the chosen cable starts: its own wire says so, else the battery that it hangs on. */
  protected readonly cableFrom = computed(() => this.cable()?.from ?? '');
  protected leadFrom(from: string): void {
    const to = this.cable()?.to;
    if (to !== undefined) this.rig.edit('Lead the cable from there', (d) => void wireFrom(d, from, to));
  }
  /** Writes the cable down, to be set by hand. */
  protected typeCable(): void {
    const c = this.cable();
    if (c)
      this.rig.edit(`Cable to ${c.toName}`, (d) => {
        const w = wireFrom(d, c.from, c.to);
        if (c.gauge !== undefined) w.gauge = gaugeName(c.gauge) as GaugeName;
        if (c.fuseA !== undefined) w.fuse = `${c.fuseA} A`;
      });
  }
  protected addBattery(): void {
    this.make('Add a battery', (d) => addBattery(d));
  }
  protected addCharger(): void {
    const [battery] = this.batteries();
    if (battery) this.make('Add a charger', (d) => addCharger(d, battery.value, 'shore'));
  }
  protected addPanel(): void {
    const [battery] = this.batteries();
    if (battery) this.make('Add a fuse panel', (d) => addPanel(d, battery.value));
  }
  protected addLoad(): void {
    this.make('Add a load', (d) => addLoad(d, 'lights'));
  }
  protected addCompressor(): void {
    this.make('Add a compressor', (d) => addCompressor(d));
  }
  protected addReceiver(): void {
    const [compressor] = this.compressors();
    if (compressor) this.make('Add an air receiver', (d) => addReceiver(d, compressor.value));
  }
  protected plugIn(): void {
    this.rig.edit('Power from the customer’s socket', (d) => void (d.mains ??= { from: 'site' }));
  }
  protected lineAir(): void {
    const all = this.unlined();
    this.rig.edit('Draw the air lines', (d) => {
      for (const p of all) lineAir(d, p.compressorId!, p.pumpId);
    });
  }
  private make(label: string, change: (d: RigDocument) => string): void {
    let id = '';
    this.rig.edit(label, (d) => void (id = change(d)));
    this.chosen.choose(id);
  }
  protected readonly removable = computed(() => {
    const own = this.chosen.item();
    return !!own && own.kind !== 'mains' && (own.kind !== 'cable' || own.path !== '');
  });
  protected remove(): void {
    const own = this.chosen.item();
    const id = own?.kind === 'cable' ? this.doc()?.wires?.[Number(own.path.slice('wires.'.length))]?.id : own?.id;
    if (own && id !== undefined) this.rig.edit(`Remove ${own.name}`, (d) => removeEnergy(d, id));
  }

  protected save(what: 'svg' | 'csv'): void {
    const [rig, a] = [this.rig.rig(), this.answers()];
    if (!rig || !a) return;
    const units = this.rig.units();
    const [text, type] = what === 'svg' ? [oneLineSvg(rig, a, units), 'image/svg+xml'] : [wireCsv(wireList(a, units)), 'text/csv'];
    const url = URL.createObjectURL(new Blob([text], { type }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `${rig.name.replace(/[^\w-]+/g, '-').toLowerCase()}-${what === 'svg' ? 'one-line.svg' : 'wires.csv'}`;
    link.click();
    URL.revokeObjectURL(url);
  }
}
