import { Component, computed, inject, input } from '@angular/core';
import { type AsTold, type ChemicalTankResult, formatQuantity } from '@pozzo/core';
import { Chart, type ChartOption } from '../../kit/chart';
import { axes, curve, level } from '../../kit/chart-parts';
import { type Fact, Facts } from '../../bench/facts';
import { inUnit, round3, unitOf } from '../../kit/units';
import { RigStore } from '../../state/rig-store';
import { TankDrawing, type TankLevels } from './tank-drawing';
import { spell } from '@pozzo/core/page';

/** Longest stretch of work that the chart shows, days. */
const LONGEST = 60;

/** A tank of chemicals: what is in it, what it weighs, and how many days of work it lasts. */
@Component({
  selector: 'pz-chemical-tank',
  imports: [Chart, Facts, TankDrawing],
  template: `
    <h2>{{ contents() }} on board</h2>
    <p class="lead">{{ sentence() }}</p>
    <div class="beside" [class.alone]="!uses()">
      <pz-tank-drawing [index]="index()" [levels]="levels()" [chemical]="true" />
      @if (uses()) {
        <pz-chart [option]="option()" [height]="250" [summary]="'On board over days of work. ' + sentence()" />
      }
    </div>
    <pz-facts [facts]="facts()" />
  `,
  styles: `
    .lead {
      margin: 0 0 8px;
    }
    .alone {
      max-width: 170px;
    }
  `,
})
export class ChemicalTank {
  private readonly rig = inject(RigStore);
  /** Place of the tank in the document. */
  readonly index = input.required<number>();
  /** Path of the result in the assessment. */
  readonly at = input.required<string>();
  readonly result = input.required<AsTold<ChemicalTankResult>>();

  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  private readonly tank = computed(() => this.rig.document()?.tanks[this.index()]);
  protected readonly contents = computed(() => {
    const doc = this.rig.document();
    const { mixId } = this.result();
    return (mixId === undefined ? doc?.liquids?.find((l) => l.id === this.tank()?.holds)?.name : doc?.mixes?.find((m) => m.id === mixId)?.name) ?? 'Chemical';
  });
  protected readonly uses = computed(() => this.result().perDay.value > 0);
  protected readonly sentence = computed(() => {
    const r = this.result();
    const have = `${this.q(r.startM3, 'volume')}, ${this.q(r.startMassKg, 'mass')}`;
    return this.uses() ? `${have}: lasts ${this.q(r.lastsDays, 'number', 2)} days of work.` : `${have}. Nothing on this rig uses it up.`;
  });
  protected readonly levels = computed<TankLevels>(() => {
    const { startM3, heelM3, perDay } = this.result();
    return { start: startM3, end: Math.max(startM3 - perDay.value, Math.min(heelM3, startM3)), heel: heelM3, when: 'after a day' };
  });
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    return [
      { label: 'Full', text: this.q(r.fullM3, 'volume') },
      { label: 'Weighs, full', at: `${this.at()}.mass` },
      ...(this.uses()
        ? [
            { label: 'In a day', at: `${this.at()}.perDay` },
            { label: 'Tank for a day, with reserve', at: `${this.at()}.dayTank` },
          ]
        : []),
      ...(r.heelM3 > 0 ? [{ label: 'Cannot be drawn', text: this.q(r.heelM3, 'volume', 2) }] : []),
      { label: spell('‹Containment tray›'), text: r.bundM3 > 0 ? this.q(r.bundM3, 'volume') : 'none' },
      { label: 'Needed to hold a full spill', at: `${this.at()}.bundWanted` },
    ];
  });
  protected readonly option = computed<ChartOption>(() => {
    const r = this.result();
    const system = this.rig.units();
    const v = (m3: number): number => round3(inUnit(m3, 'volume', system));
    const lasts = Math.min(r.lastsDays, LONGEST);
    const points: [number, number][] = [
      [0, v(r.startM3)],
      [round3(lasts), v(r.startM3 - lasts * r.perDay.value)],
    ];
    return (c) => ({
      ...axes(c, { name: 'days of work', max: Math.max(Math.ceil(lasts), 1) }, { name: unitOf('volume', system), min: 0 }),
      series: [
        curve('on board', points, c.chem, {
          areaStyle: { color: c.chem, opacity: 0.12 },
          ...(r.heelM3 > 0 ? { markLine: level(inUnit(r.heelM3, 'volume', system), 'cannot be drawn', c.attention) } : {}),
        }),
      ],
    });
  });
}
