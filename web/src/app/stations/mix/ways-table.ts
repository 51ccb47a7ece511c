import { Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { formatQuantity, type MixWay, withoutOptions } from '@pozzo/core';
import { CellTemplate, type Column, DataTable, type TableRow } from '../../kit/table';
import { VerdictMark } from '../../kit/verdict';
import { RigStore } from '../../state/rig-store';
import { answered } from '../../workers/answered';
import { WAY_NAMES } from '../../kit/wash-options';

const AFTER_MS = 150;

/** The five ways of mixing on this rig side by side: strength, weight, time to change, cost, what can fail. */
@Component({
  selector: 'pz-ways-table',
  imports: [CellTemplate, DataTable, MatButtonModule, VerdictMark],
  template: `
    @if (rows().length) {
      <pz-table label="The ways compared" [columns]="columns" [rows]="rows()">
        <ng-template pzCell="way" let-row>
          @let r = byWay()[row.id];
          <pz-verdict [of]="r.verdict" [bare]="true" /> {{ r.name }}<small>{{ r.fail }}</small>
        </ng-template>
        <ng-template pzCell="wall" let-row>
          {{ byWay()[row.id].range }}
          <svg viewBox="0 0 100 14" aria-hidden="true">
            <path class="scale" d="M0 7H100" />
            <path class="span" [attr.d]="byWay()[row.id].span" />
            <path class="wanted" [attr.d]="wanted()" />
          </svg>
        </ng-template>
        <ng-template pzCell="price" let-row>
          @let r = byWay()[row.id];
          @if (r.now) {
            as built
          } @else {
            {{ r.price }}
            <button type="button" mat-stroked-button class="small" [attr.aria-label]="'Try ' + r.name" (click)="choose.emit(r.way)">Try it</button>
          }
        </ng-template>
      </pz-table>
      <p class="quiet">The bar runs from the weakest to the strongest that reaches the wall; the stroke is the target.</p>
    } @else if (work().error; as e) {
      <p role="alert" class="shout">{{ e }}</p>
    } @else {
      <p class="quiet" role="status">Trying the five ways on this rig…</p>
    }
  `,
  styles: `
    .mdc-button {
      display: block;
      margin-top: 4px;
    }
    small {
      display: block;
      color: var(--ink-quiet);
      font-weight: 400;
      font-size: 13px;
    }
    svg {
      display: block;
      width: 92px;
      height: 14px;
    }
    path {
      fill: none;
    }
    .scale {
      stroke: var(--track);
      stroke-width: 6;
    }
    .span {
      stroke: var(--chem);
      stroke-width: 6;
    }
    .wanted {
      stroke: var(--ink);
      stroke-width: 2.5;
    }
  `,
})
export class WaysTable {
  private readonly rig = inject(RigStore);
  readonly mixId = input.required<string>();
  readonly choose = output<MixWay>();
  /** Worked out aside, a moment after the last edit; the rows of before stay until then. */
  protected readonly work = answered(
    'ways',
    () => {
      const document = this.rig.rig() && this.rig.document();
      return document && { document: withoutOptions(document), mixId: this.mixId() };
    },
    AFTER_MS,
  );
  private readonly ways = computed(() => this.work().value ?? []);
  private readonly most = computed(() => Math.max(...this.ways().map((w) => Math.max(w.result.highest, w.result.wanted.value * 1.6)), 1e-4));
  protected readonly wanted = computed(() => {
    const x = (100 * (this.ways()[0]?.result.wanted.value ?? 0)) / this.most();
    return `M${x.toFixed(1)} 0V14`;
  });
  private readonly all = computed(() => {
    const units = this.rig.units();
    const share = (v: number) => formatQuantity(v, 'ratio', units, { digits: 2 });
    const x = (v: number) => ((100 * v) / this.most()).toFixed(1);
    return this.ways().map((w) => {
      const { lowest, highest, first, changeOver } = w.result;
      return {
        way: w.way,
        now: w.now,
        verdict: w.verdict,
        name: WAY_NAMES[w.way],
        range: highest - lowest < 0.02 * highest ? share(first.value) : `${share(lowest)} to ${share(highest)}`,
        span: `M${x(lowest)} 7H${x(Math.max(highest, lowest + 0.02 * this.most()))}`,
        carried: formatQuantity(w.carriedKg, 'mass', units),
        change: Number.isFinite(changeOver.value) ? formatQuantity(changeOver.value, 'time', units, { digits: 2 }) : 'never',
        cost: formatQuantity(w.costDay, 'money', units, { digits: 2 }),
        price: w.price < 0 ? `saves $${Math.round(-w.price)}` : `costs $${Math.round(w.price)}`,
        fail: w.canFail,
      };
    });
  });
  protected readonly byWay = computed(() => Object.fromEntries(this.all().map((w) => [w.way, w])));
  protected readonly columns: readonly Column[] = [
    { id: 'way', name: 'Way' },
    { id: 'wall', name: 'At the wall', sorts: true },
    { id: 'carried', name: 'Carried', number: true, sorts: true },
    { id: 'change', name: 'To change', number: true, sorts: true },
    { id: 'cost', name: 'A day', number: true, sorts: true },
    { id: 'price', name: 'Set-up', sorts: true },
  ];
  protected readonly rows = computed(() =>
    this.ways().map((w): TableRow => {
      const { carried, change, cost } = this.byWay()[w.way];
      return {
        id: w.way,
        mark: w.now ? 'now' : undefined,
        cells: {
          way: WAY_NAMES[w.way],
          wall: { text: '', by: w.result.first.value },
          carried: { text: carried, by: w.carriedKg },
          change: { text: change, by: w.result.changeOver.value },
          cost: { text: cost, by: w.costDay },
          price: { text: '', by: w.price },
        },
      };
    }),
  );
}
