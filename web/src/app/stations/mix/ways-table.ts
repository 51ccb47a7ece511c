import { Component, computed, inject, input, output } from '@angular/core';
import { compareWays, formatQuantity, type MixWay } from '@pozzo/core';
import { VerdictMark } from '../../kit/verdict';
import { RigStore } from '../../state/rig-store';
import { WAY_NAMES } from './mix-names';

/** The five ways of mixing on this rig, side by side. */
@Component({
  selector: 'pz-ways-table',
  imports: [VerdictMark],
  template: `
    <table>
      <thead>
        <tr>
          <th>Way</th>
          <th>At the wall</th>
          <th>Carried</th>
          <th>To change</th>
          <th>Chemicals a day</th>
          <th>Set-up</th>
        </tr>
      </thead>
      <tbody>
        @for (r of rows(); track r.way) {
          <tr [class.now]="r.now">
            <th scope="row">
              <pz-verdict [of]="r.verdict" [bare]="true" /><span class="unseen">{{ r.verdict }}</span> {{ r.name }}<small>{{ r.fail }}</small>
            </th>
            <td>{{ r.range }}</td>
            <td>{{ r.carried }}</td>
            <td>{{ r.change }}</td>
            <td>{{ r.cost }}</td>
            <td>
              @if (r.now) {
                as built
              } @else {
                <button type="button" class="press small" [attr.aria-label]="'Try ' + r.name" (click)="choose.emit(r.way)">{{ r.price }}</button>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      margin: 6px 0 14px;
    }
    th,
    td {
      text-align: left;
      padding: 6px 10px 6px 0;
      border-bottom: 1px solid var(--line);
      vertical-align: top;
      line-height: 1.25;
    }
    thead th {
      color: var(--ink-quiet);
      font-weight: 600;
    }
    tbody th {
      font-weight: 600;
    }
    small {
      display: block;
      color: var(--ink-quiet);
      font-weight: 400;
      font-size: 13px;
    }
    .now th,
    .now td {
      background: var(--chem-pale);
    }
  `,
})
export class WaysTable {
  private readonly rig = inject(RigStore);
  readonly mixId = input.required<string>();
  readonly choose = output<MixWay>();
  protected readonly rows = computed(() => {
    const doc = this.rig.document();
    const units = this.rig.units();
    if (!doc) return [];
    const share = (v: number) => formatQuantity(v, 'ratio', units, { digits: 2 });
    return compareWays(doc, this.mixId()).map((w) => ({
      way: w.way,
      now: w.now,
      verdict: w.verdict,
      name: WAY_NAMES[w.way],
      range:
        w.result.highest - w.result.lowest < 0.02 * w.result.highest ? share(w.result.first.value) : `${share(w.result.lowest)} to ${share(w.result.highest)}`,
      carried: formatQuantity(w.carriedKg, 'mass', units),
      change: Number.isFinite(w.result.changeOver.value) ? formatQuantity(w.result.changeOver.value, 'time', units, { digits: 2 }) : 'never',
      cost: formatQuantity(w.costDay, 'money', units, { digits: 2 }),
      price: `${w.price < 0 ? 'saves' : ''} $${Math.abs(Math.round(w.price))}`.trim(),
      fail: w.canFail,
    }));
  });
}
