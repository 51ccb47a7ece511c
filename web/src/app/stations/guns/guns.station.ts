import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type AsTold, addGun, formatQuantity, nozzleCode, type OutletResult, removeGun, shelfSize, si, splitGun, SURFACES, pressureAlong } from '@pozzo/core';
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
import { StationFrame } from '../../bench/station-frame';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { NozzlePicker } from './nozzle-picker';

/** What arrives at the gun, and where the pressure goes on the way. */
@Component({
  selector: 'pz-guns-station',
  imports: [Chart, ChoiceField, Facts, Later, LineEditor, MatButtonModule, NameField, NozzlePicker, Picker, QuantityField, StationFrame],
  template: `
    <pz-station heading="Guns and hose" station="guns" calm="Gun pressure and flow are on target.">
      <div set>
        <pz-picker [items]="outlets()" [chosen]="chosen.item()?.id" label="Which gun" (choose)="chosen.choose($event)" />
        @for (m of gunless(); track m.id) {
          <p class="quiet">{{ m.name }} has no gun.</p>
          <button type="button" mat-stroked-button class="small" (click)="add(m.id)">Add a gun to {{ m.name }}</button>
        }
        @if (chosen.item()) {
          <pz-name [path]="path('name')" />
          <pz-choice label="Valve" [path]="path('open')" [options]="valve" />
          <pz-quantity label="Nozzle number" [path]="path('nozzle.size')" />
          <pz-quantity label="Angle, degrees" [path]="path('nozzle.angle')" />
          <pz-quantity label="Nozzles" [path]="path('nozzle.count')" />
          @if (chosen.item()?.kind === 'surface-cleaner') {
            <pz-quantity label="Width it cleans" [path]="path('width')" placeholder="20 in" />
          }
          <pz-quantity label="Target at the gun" [path]="path('wantedPressure')" />
          <pz-choice label="Surface" [path]="path('surface')" [options]="surfaces" />
          <pz-quantity [label]="'Gun above ' + heightFrom()" [path]="path('height')" />
          @for (id of lines(); track $index; let i = $index) {
            <pz-line-editor
              [lineId]="id"
              [heading]="i === 0 ? 'Parts, pump to gun · share of the loss' : 'and on'"
              [shares]="result()?.parts ?? []"
              [troubled]="!!result() && result()!.verdict !== 'fed'"
            />
          }
          <div class="acts">
            <button type="button" mat-stroked-button class="small" (click)="split()">Tee off a second gun</button>
            @if (outlets().length > 1) {
              <button type="button" mat-stroked-button class="small" (click)="remove()">Remove this gun</button>
            }
          </div>
        }
      </div>
      <div does *pzLater>
        <h2>At the gun</h2>
        @if (result(); as r) {
          <p class="lead">{{ sentence() }}</p>
          <h3>Pressure along the line</h3>
          <pz-chart [option]="option()" [height]="250" [summary]="sentence()" />
          <pz-facts [facts]="facts()" />
          <h3>Which nozzle</h3>
          <pz-nozzle-picker [outletId]="r.outletId" />
        } @else if (judged()) {
          <p class="quiet">No water reaches this gun: it is shut, or no open line leads to it.</p>
        }
      </div>
    </pz-station>
  `,
  styles: `
    .lead {
      margin: 4px 0 10px;
    }
  `,
})
export class GunsStation {
  private readonly rig = inject(RigStore);
  protected readonly judged = this.rig.judged;
  readonly of = input<string>();
  protected readonly heightFrom = this.rig.heightFrom;
  protected readonly outlets = computed(() => this.rig.document()?.outlets ?? []);
  protected readonly chosen = chosenOf(this.outlets, this.of);
  private readonly index = computed(() => this.rig.assessment()?.outlets.findIndex((o) => o.outletId === this.chosen.item()?.id) ?? -1);
  protected readonly result = computed<AsTold<OutletResult> | undefined>(() => this.rig.assessment()?.outlets[this.index()]);
  protected readonly lines = computed(() => {
    const doc = this.rig.document();
    const path = this.result()?.lineIds ?? doc?.lines.filter((l) => l.to.at === 'outlet' && l.to.id === this.chosen.item()?.id).map((l) => l.id) ?? [];
    return path.filter((id) => doc?.lines.some((l) => l.id === id));
  });
  protected readonly valve = [
    { value: 'true', name: 'open' },
    { value: 'false', name: 'shut off' },
  ];
  protected readonly surfaces = [{ value: '', name: 'not said' }, ...SURFACES.map((value) => ({ value, name: value }))];
  protected readonly sentence = computed(() => {
    const r = this.result();
    const o = this.chosen.item();
    if (!r || !o) return '';
    const units = this.rig.units();
    const code = nozzleCode(Number(o.nozzle.size), Number(o.nozzle.angle));
    const better = shelfSize(r.betterSize);
    // Where anything is wrong with what arrives, nothing is said to fit.
    const troubled = (this.rig.assessment()?.findings ?? []).some(
      (f) => f.verdict !== 'fed' && (f.subject.id === o.id || (f.station === 'guns' && r.machineIds.includes(f.subject.id))),
    );
    const wanted = formatQuantity(si(o.wantedPressure, 'pressure'), 'pressure', units);
    const fit = better !== Number(o.nozzle.size) ? `Number ${better} would give the target ${wanted}.` : troubled ? '' : 'The nozzle fits.';
    return `${formatQuantity(r.pressure.value, 'pressure', units, { digits: 4 })} and ${formatQuantity(r.flow.value, 'flow', units)} at nozzle ${code}; the line loses ${formatQuantity(r.lineLossPa, 'pressure', units)}. ${fit}`;
  });
  protected readonly facts = computed<Fact[]>(() => {
    const i = this.index();
    const r = this.result();
    if (!r) return [];
    return [
      { label: 'At the nozzle', at: `outlets.${i}.pressure` },
      { label: 'Flow', at: `outlets.${i}.flow` },
      { label: 'Recoil', at: `outlets.${i}.recoil` },
      { label: 'With a worn nozzle', at: `outlets.${i}.worn` },
      ...(r.cleaner
        ? [
            { label: 'Area an hour', at: `outlets.${i}.cleaner.areaHour` },
            {
              label: 'Flow for its width: recommended · minimum',
              text: [r.cleaner.strictM3s, r.cleaner.thriftyM3s].map((q) => formatQuantity(q, 'flow', this.rig.units())).join(' · '),
            },
          ]
        : []),
      { label: 'Nozzle for target pressure', text: `${round3(r.betterSize)}, nearest ${shelfSize(r.betterSize)}` },
    ];
  });
  protected readonly option = computed<ChartOption>(() => {
    const r = this.result()!;
    const units = this.rig.units();
    const rig = this.rig.rig();
    const p = (v: number) => round3(inUnit(v, 'pressure', units));
    const points = rig ? pressureAlong(rig, r).map((x): [number, number] => [round3(inUnit(x.lengthM, 'length', units)), p(x.pressurePa)]) : [];
    const wanted = rig?.outlets[this.chosen.index()]?.wantedPressure ?? 0;
    return (c) => ({
      ...axes(c, { name: `along the hose, ${unitOf('length', units)}` }, { name: unitOf('pressure', units), min: 0 }),
      series: [
        curve('pressure', points, c.water, {
          showSymbol: true,
          symbolSize: 7,
          areaStyle: { color: c.waterPale },
          markLine: level(p(wanted), 'wanted', c.attention),
        }),
      ],
    });
  });

  protected readonly gunless = computed(() => {
    const doc = this.rig.document();
    return (doc?.machines ?? []).filter((m) => !doc!.lines.some((l) => l.role === 'pressure' && l.from.at === 'machine' && l.from.id === m.id));
  });
  protected split(): void {
    const id = this.chosen.item()!.id;
    let added: string | undefined;
    this.rig.edit('Tee off a second gun', (d) => void (added = splitGun(d, id)));
    if (added) this.chosen.choose(added);
  }
  protected add(machineId: string): void {
    let added = '';
    this.rig.edit('Add a gun', (d) => void (added = addGun(d, machineId)));
    this.chosen.choose(added);
  }
  protected remove(): void {
    const gun = this.chosen.item()!;
    this.rig.edit(`Remove ${gun.name}`, (d) => removeGun(d, gun.id));
  }

  protected path(field: string): string {
    return `outlets.${this.chosen.index()}.${field}`;
  }
}
