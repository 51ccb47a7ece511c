import { spell } from '@pozzo/core/page';
import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { formatQuantity } from '@pozzo/core';
import { barScale } from '../../kit/drawing';
import { DayStore } from '../../state/day-store';
import { RigStore } from '../../state/rig-store';

/** What moves the chance of a short day most: each thing that varies held at its low and at its high end. */
@Component({
  selector: 'pz-swings-panel',
  imports: [MatButtonModule, MatProgressBarModule],
  template: `
    @if (day.swings().error; as words) {
      <p role="alert" class="shout">{{ words }}</p>
    }
    @if (day.swings().state === 'working') {
      <div class="acts">
        <mat-progress-bar class="bar" [value]="100 * day.swings().share" aria-label="Finding what moves the answer" />
        <button type="button" mat-stroked-button class="small" (click)="day.cancel('swings')">Cancel</button>
      </div>
    } @else if (!swings().length) {
      <p class="quiet">Each thing that varies is held at its low and at its high end through the same sampled days: some seconds of work.</p>
      <button type="button" mat-flat-button class="small" (click)="day.size()">Find what moves the answer</button>
    }
    @if (swings().length) {
      <h3>What moves the answer most</h3>
      <ol>
        @for (s of swings(); track s.id) {
          <li>
            <span class="what"
              >{{ s.label }}
              @if (s.ask) {
                <em>ask the customer</em>
              }
            </span>
            <svg viewBox="0 0 200 16" aria-hidden="true">
              <path class="track" d="M0 8H200" />
              <path class="swing" [attr.d]="s.bar" />
            </svg>
            <span class="num">{{ s.from }} to {{ s.to }}</span>
          </li>
        }
      </ol>
      <p class="quiet small">
        Chance of a short day with each at its low and its high end (one day in ten beyond; of shut taps none, and twice as many), the rest as they vary.
      </p>
    }
  `,
  styles: `
    h3 {
      margin: 10px 0 2px;
    }
    .bar {
      flex: 1;
      align-self: center;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: minmax(150px, 1.2fr) 1fr 118px;
      gap: 10px;
      align-items: center;
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
    }
    em {
      font-style: normal;
      display: block;
      color: var(--water);
      font-weight: 600;
      font-size: 13.5px;
    }
    .num {
      text-align: right;
      font-weight: 600;
    }
    .track {
      stroke: var(--track);
      stroke-width: 6;
    }
    .swing {
      stroke: var(--water);
      stroke-width: 8;
    }
    .small {
      font-size: 13.5px;
    }
  `,
})
export class SwingsPanel {
  private readonly rig = inject(RigStore);
  protected readonly day = inject(DayStore);
  private q(value: number, dimension: Parameters<typeof formatQuantity>[1], digits = 3): string {
    return formatQuantity(value, dimension, this.rig.units(), { digits });
  }
  protected readonly swings = computed(() => {
    const list = this.day.swings().state === 'done' ? (this.day.swings().value ?? []) : [];
    const most = Math.max(...list.flatMap((s) => [s.low.short.chance, s.high.short.chance]), 0.01);
    const along = barScale(most, 200);
    return list.map((s) => {
      const [a, b] = [s.low.short.chance, s.high.short.chance].sort((x, y) => x - y);
      const x = (v: number): string => along(v).toFixed(1);
      return {
        id: s.id,
        label: spell(s.label),
        ask: s.who === 'ask' && s.swing > 0.02,
        bar: `M${x(a)} 8H${x(Math.max(b, a + 0.004 * most))}`,
        from: this.q(s.low.short.chance, 'ratio', 2),
        to: this.q(s.high.short.chance, 'ratio', 2),
      };
    });
  });
}
