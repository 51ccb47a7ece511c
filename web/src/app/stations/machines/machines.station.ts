import { SpellPipe } from '../../kit/spell.pipe';
import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import {
  assumptionValues,
  addMachine,
  type AssumptionId,
  convertPump,
  findAssumption,
  formatQuantity,
  joinInto,
  nozzleCode,
  nozzleSize,
  removeMachine,
  shelfSize,
  si,
  type SoftPumpDocument,
  typeableQuantity,
  WETTED,
} from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { QuantityField } from '../../bench/quantity-field';
import { PLATE_OPTIONS } from '../../kit/said-options';
import { SelectRow } from '../../kit/select-row';
import { StationFrame } from '../../bench/station-frame';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { SoftPumpPanel } from './soft-pump-panel';
import { spell } from '@pozzo/core/page';

const SOFT_KINDS: readonly { value: SoftPumpDocument['kind']; name: string }[] = [
  { value: 'electric', name: '12 V diaphragm' },
  { value: 'engine', name: 'Engine diaphragm' },
  { value: 'air', name: 'Air-operated' },
];
const MATERIALS = WETTED.map((value) => ({ value, name: value[0].toUpperCase() + value.slice(1) }));

/** The pumps: what each does in every way of holding the triggers, and what it asks of its engine. */
@Component({
  selector: 'pz-machines-station',
  imports: [
    SpellPipe,
    Chart,
    ChoiceField,
    DataTable,
    Facts,
    Later,
    MatButtonModule,
    NameField,
    Picker,
    QuantityField,
    RouterLink,
    SelectRow,
    SoftPumpPanel,
    StationFrame,
  ],
  template: `
    <pz-station
      heading="Machines"
      station="machines"
      [calm]="soft() ? 'What it brings is enough, and so is what drives it.' : drive() + ' and pump are matched.'"
    >
      <div set>
        <pz-picker [items]="all()" [chosen]="soft() ? soft()!.id : chosen.item()?.id" label="Which machine" (choose)="chosen.choose($event)" />
        @if (soft(); as p) {
          <pz-name [path]="softPath('name')" />
          <pz-select label="Kind" [options]="softKinds" [value]="p.kind" (choose)="turnSoft($event)" />
          <pz-quantity label="Open flow" [path]="softPath('openFlow')" />
          <pz-quantity [label]="limitName(p.kind)" [path]="softPath('limit')" />
          <pz-quantity [label]="'Above ' + standsOn()" [path]="softPath('height')" />
          @if (p.kind === 'electric') {
            <pz-choice label="Made for" [path]="softPath('volts')" [options]="plates" />
          }
          <pz-choice label="Body" [path]="softPath('body')" [options]="materials" />
          <pz-choice label="Seals" [path]="softPath('seals')" [options]="materials" />
          <pz-choice label="Spare on board" [path]="softPath('spare')" [options]="yesNo" />
          @if (p.kind !== 'engine') {
            <p class="quiet">What drives it is set in <a [routerLink]="['/rig', id(), 'electrics']">Electrical and air</a>.</p>
          }
        } @else if (chosen.item()) {
          <pz-name [path]="path('name')" />
          <pz-choice label="Pump" [path]="path('arrangement')" [options]="arrangements" />
          <pz-quantity label="Flow" [path]="path('flow')" />
          <pz-quantity label="Rated pressure" [path]="path('ratedPressure')" />
          <pz-choice label="Unloader" [path]="path('unloader.kind')" [options]="unloaders" />
          <pz-quantity label="Unloader opens at" [path]="path('unloader.setting')" />
          <pz-quantity label="Unloader overshoot" [path]="path('unloader.overrun')" [placeholder]="usual('unloader-overrun')" />
          <pz-quantity label="Unloader reseat drop" [path]="path('unloader.reseat')" [placeholder]="usual('unloader-reseat')" />
          <pz-quantity label="Crank speed" [path]="path('speed')" />
          <pz-choice label="Driven by" [path]="path('drive')" [options]="drives" />
          @if (chosen.item()?.drive === 'vehicle') {
            <pz-select label="Through" [options]="takeOffs" [value]="chosen.item()?.takeOff?.by ?? ''" (choose)="takeOff($event)" />
            @if (chosen.item()?.takeOff) {
              <pz-quantity label="Power at idle" [path]="path('takeOff.idlePower')" />
            }
          }
          <pz-quantity [label]="drive()" [path]="path('enginePower')" />
          <pz-quantity [label]="'Inlet above ' + standsOn()" [path]="path('inletHeight')" />
          <p class="quiet">
            Its {{ chosen.item()?.drive === 'electric' ? ('‹AC power›' | spell) + ' is' : 'fuel is' }} set in
            <a [routerLink]="['/rig', id(), chosen.item()?.drive === 'electric' ? 'electrics' : 'fuel']">{{
              chosen.item()?.drive === 'electric' ? 'Electrical and air' : 'Fuel and heat'
            }}</a>.
          </p>
        }
        <div class="acts">
          @for (o of soft() ? [] : others(); track o.id) {
            <button type="button" mat-stroked-button class="small" (click)="join(o.id)">Tee into the hose of {{ o.name }}</button>
          }
          <button type="button" mat-stroked-button class="small" (click)="add()">Add a machine</button>
          @if (chosen.item() && !soft()) {
            <button type="button" mat-stroked-button class="small" (click)="remove()">Remove</button>
          }
        </div>
      </div>
      <div does *pzLater>
        @if (soft(); as p) {
          <pz-soft-pump-panel [pump]="p" />
        } @else if (rows().length) {
          <h2>Trigger combinations</h2>
          <pz-table label="Trigger combinations" [columns]="columns()" [rows]="rows()" />
          <pz-facts [facts]="facts()" />
          <h3>Power</h3>
          <pz-chart [option]="option()" [height]="130" [summary]="powerWords()" />
        } @else if (judged()) {
          <p class="quiet">Nothing to show: no machine, or no water to it.</p>
        }
      </div>
    </pz-station>
  `,
})
export class MachinesStation {
  private readonly rig = inject(RigStore);
  protected readonly judged = this.rig.judged;
  readonly of = input<string>();
  protected readonly machines = computed(() => this.rig.document()?.machines ?? []);
  private readonly softPumps = computed(() => this.rig.document()?.softPumps ?? []);
  protected readonly all = computed(() => [...this.machines(), ...this.softPumps()]);
  /** The soft wash pump that is shown instead of a machine: the one asked for, or the only thing there is. */
  protected readonly soft = computed(() => this.softPumps().find((p) => p.id === this.of()) ?? (this.machines().length ? undefined : this.softPumps()[0]));
  protected readonly id = computed(() => this.rig.state().id);
  protected readonly softKinds = SOFT_KINDS;
  protected readonly plates = PLATE_OPTIONS;
  protected readonly materials = MATERIALS;
  protected readonly drives = [
    { value: '', name: spell('‹Gas› engine') },
    { value: 'diesel', name: 'Diesel engine' },
    { value: 'electric', name: 'Electric motor (AC)' },
    { value: 'vehicle', name: 'The vehicle' },
  ];
  protected readonly yesNo = [
    { value: 'false', name: 'No' },
    { value: 'true', name: 'Yes' },
  ];
  protected readonly chosen = chosenOf(this.machines, this.of);
  private readonly index = computed(() => this.rig.assessment()?.machines.findIndex((m) => m.machineId === this.chosen.item()?.id) ?? -1);
  protected readonly arrangements = [
    { value: 'triplex', name: 'Triplex' },
    { value: 'quintuplex', name: 'Quintuplex' },
    { value: 'duplex-double', name: 'Duplex, double' },
    { value: 'duplex-single', name: 'Duplex, single' },
  ];
  protected readonly unloaders = [
    { value: 'trapped-pressure', name: 'Trapped pressure' },
    { value: 'regulating', name: 'Regulating' },
    { value: 'flow-actuated', name: 'Flow-actuated' },
  ];
  /** What the chosen pump's height is above: the deck, or the shelf that it stands on. */
  protected readonly standsOn = computed(() => {
    const id = this.soft()?.id ?? this.chosen.item()?.id;
    return this.rig.document()?.placements?.find((p) => p.thing === id)?.on === undefined ? 'deck' : 'its shelf';
  });

  /** What stands in for a figure that is left out, by the rig's own assumption where it has one. */
  protected usual(id: AssumptionId): string {
    return this.rig.document()?.assumptions[id] ?? findAssumption(id)!.value;
  }

  protected readonly rows = computed(() => {
    const a = this.rig.assessment();
    const id = this.chosen.item()?.id;
    const units = this.rig.units();
    if (!a || this.index() < 0) return [];
    const result = a.machines[this.index()];
    const flow = si(this.chosen.item()!.flow, 'flow');
    const efficiency = assumptionValues(this.rig.rig()?.assumptions)['pump-efficiency'];
    const needs = result.enginePower.value / result.engineAvailable.value;
    // One that is too small slows down until it turns at all it has: what full speed would take is told.
    const load = (pressurePa: number): number => {
      const share = (pressurePa * flow) / efficiency / result.engineAvailable.value;
      return needs > 1.02 && (share > 0.97 || needs >= 4) ? Math.max(share, needs) : share;
    };
    const own = new Set(a.outlets.filter((o) => o.machineIds.includes(id!)).map((o) => o.outletId));
    // Only the triggers that bear on this machine: cases that differ in others are one.
    const cases = new Map<string, (typeof a.cases)[number]>();
    for (const c of a.cases) {
      const open = c.guns.filter((g) => g.open && own.has(g.outletId));
      const key = open.map((g) => g.outletId).join();
      if (!cases.has(key)) cases.set(key, c);
    }
    const name = (id: string): string => this.rig.document()?.outlets.find((o) => o.id === id)?.name ?? '';
    const q = (v: number, d: Parameters<typeof formatQuantity>[1], digits: number): string => formatQuantity(v, d, units, { digits });
    return [...cases].map(([key, c]): TableRow => {
      const m = c.machines.find((x) => x.machineId === id)!;
      const open = key ? key.split(',') : [];
      const label =
        open.length === 0 ? (own.size > 1 ? 'All shut' : 'Shut') : open.length > 1 && open.length === own.size ? 'All open' : open.map(name).join(' + ');
      const returned = m.returnedM3s < 1e-8 ? 0 : m.returnedM3s;
      const guns = Object.fromEntries(
        c.guns
          .filter((g) => own.has(g.outletId))
          .map((g) => [
            `gun:${g.outletId}`,
            g.open ? { text: `${q(g.pressurePa, 'pressure', 4)} · ${q(g.flowM3s, 'flow', 2)}`, by: g.pressurePa } : { text: '–', by: 0 },
          ]),
      );
      return {
        id: key,
        cells: {
          label,
          pump: { text: q(m.pumpPressurePa, 'pressure', 4), by: m.pumpPressurePa },
          ...guns,
          back: { text: q(returned, 'flow', 2), by: returned },
          engine: { text: q(load(m.pumpPressurePa), 'ratio', 2), by: load(m.pumpPressurePa), shout: load(m.pumpPressurePa) > 1.02 },
        },
      };
    });
  });
  /** What turns the pump, in a word. */
  protected readonly drive = computed(() => (this.chosen.item()?.drive === 'electric' ? 'Motor' : 'Engine'));
  protected readonly columns = computed<readonly Column[]>(() => [
    { id: 'label', name: 'Triggers' },
    { id: 'pump', name: 'At the pump', number: true, sorts: true },
    ...(this.rig.assessment()?.outlets ?? [])
      .filter((o) => o.machineIds.includes(this.chosen.item()?.id ?? ''))
      .map((o) => ({ id: `gun:${o.outletId}`, name: this.rig.document()?.outlets.find((x) => x.id === o.outletId)?.name ?? '', number: true, sorts: true })),
    { id: 'back', name: 'Bypassed', number: true, sorts: true },
    { id: 'engine', name: this.drive(), number: true, sorts: true },
  ]);
  protected readonly facts = computed<Fact[]>(() => {
    const i = this.index();
    if (i < 0) return [];
    return [
      { label: 'At the pump, all open', at: `machines.${i}.pumpPressure` },
      { label: 'Bypassed, all open', at: `machines.${i}.returned` },
      { label: 'Peak before unloader opens', at: `machines.${i}.peak` },
      { label: 'Unloader reseats below', at: `machines.${i}.reseat` },
      { label: `${this.drive()} power needed`, at: `machines.${i}.enginePower` },
      { label: `${this.drive()} available here`, at: `machines.${i}.engineAvailable` },
      { label: 'Nozzle set, one gun', text: this.setCode(1) },
      { label: 'Nozzle set, two guns', text: this.setCode(2) },
    ];
  });
  /** Code of the nozzle that passes the machine's flow, shared by so many guns, at its first gun's wanted pressure. */
  private setCode(guns: number): string {
    const machine = this.chosen.item()!;
    const own = this.rig.assessment()?.outlets.find((o) => o.machineIds.includes(machine.id))?.outletId;
    const outlet = this.rig.document()?.outlets.find((o) => o.id === own);
    const pressure = si(outlet?.wantedPressure ?? machine.ratedPressure, 'pressure');
    return nozzleCode(shelfSize(nozzleSize(si(machine.flow, 'flow') / guns, pressure)), Number(outlet?.nozzle.angle ?? 25));
  }
  protected readonly powerWords = computed(() => {
    const r = this.rig.assessment()?.machines[this.index()];
    const q = (v: number) => formatQuantity(v, 'power', this.rig.units());
    return r ? `Needs ${q(r.enginePower.value)}; the engine gives ${q(r.engineAvailable.value)} at this altitude.` : '';
  });
  protected readonly option = computed<ChartOption>(() => {
    const r = this.rig.assessment()!.machines[this.index()];
    const units = this.rig.units();
    const p = (v: number) => round3(inUnit(v, 'power', units));
    const short = r.enginePower.value > r.engineAvailable.value;
    return (c) => ({
      grid: { left: 74, right: 60, top: 6, bottom: 30 },
      xAxis: {
        type: 'value',
        name: unitOf('power', units),
        nameLocation: 'end',
        nameTextStyle: { color: c.quiet },
        axisLabel: { color: c.ink },
        splitLine: { lineStyle: { color: c.line } },
      },
      yAxis: {
        type: 'category',
        data: ['gives', 'needs'],
        axisLabel: { color: c.ink, fontSize: 14 },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: c.quiet } },
      },
      series: [
        {
          type: 'bar',
          barWidth: 22,
          label: { show: true, position: 'right', color: c.ink, fontWeight: 600 },
          data: [
            { value: p(r.engineAvailable.value), itemStyle: { color: c.waterMid } },
            { value: p(r.enginePower.value), itemStyle: { color: short ? c.attention : c.water } },
          ],
        },
      ],
    });
  });

  /** Guns of other machines, each on a hose of its own, that this one could push into too. */
  protected readonly others = computed(() => {
    const doc = this.rig.document();
    const id = this.chosen.item()?.id;
    if (!doc || !id) return [];
    return doc.outlets.filter((o) => doc.lines.some((l) => l.to.at === 'outlet' && l.to.id === o.id && l.from.at === 'machine' && l.from.id !== id));
  });
  protected join(outletId: string): void {
    const id = this.chosen.item()!.id;
    this.rig.edit('Join two machines into one hose', (d) => joinInto(d, id, outletId));
  }

  protected softPath(field: string): string {
    return `softPumps.${this.softPumps().findIndex((p) => p.id === this.soft()?.id)}.${field}`;
  }
  protected limitName(kind: SoftPumpDocument['kind']): string {
    return kind === 'electric' ? 'Pressure switch' : kind === 'engine' ? 'Relief opens at' : 'Air pressure';
  }
  protected turnSoft(kind: SoftPumpDocument['kind']): void {
    this.rig.edit('Kind of soft wash pump', (d) => convertPump(d, this.soft()!.id, kind));
  }
  protected readonly takeOffs = [
    { value: '', name: 'Not said' },
    { value: 'shaft', name: 'A shaft' },
    { value: 'hydraulic', name: 'Oil' },
  ] as const;
  protected takeOff(by: '' | 'shaft' | 'hydraulic'): void {
    const i = this.chosen.index();
    const idle = assumptionValues(this.rig.rig()?.assumptions)['vehicle-idle'] * si(this.chosen.item()!.enginePower, 'power');
    this.rig.edit('How the vehicle turns it', (d) => {
      const m = d.machines[i];
      if (by === '') delete m.takeOff;
      else m.takeOff = { by, idlePower: m.takeOff?.idlePower ?? typeableQuantity(idle, 'power', 'hp', 2) };
    });
  }
  protected path(field: string): string {
    return `machines.${this.chosen.index()}.${field}`;
  }
  protected add(): void {
    let id = '';
    this.rig.edit('Add a machine', (d) => void (id = addMachine(d)));
    this.chosen.choose(id);
  }
  protected remove(): void {
    const m = this.chosen.item();
    if (m) this.rig.edit(`Remove ${m.name}`, (d) => removeMachine(d, m.id));
  }
}
