import { Component, input } from '@angular/core';
import { barScale } from '../../kit/drawing';

export interface LoadBar {
  readonly id: string;
  readonly name: string;
  readonly load: string;
  readonly rating: string;
  /** Load against rating. */
  readonly share: number;
  readonly verdict: 'fed' | 'tight' | 'stop';
}

/** What carries, what is on it and what it is made for: a bar each, the stroke is the rating. */
@Component({
  selector: 'pz-load-bars',
  template: `
    @for (b of bars(); track b.id) {
      <div class="row" [class]="b.verdict">
        <span class="name">{{ b.name }}</span>
        <svg viewBox="0 0 120 16" preserveAspectRatio="none" aria-hidden="true">
          <rect class="track" x="0" y="4" width="100" height="8" />
          <rect class="load" x="0" y="4" [attr.width]="width(b.share)" height="8" />
          <path class="rating" d="M100 0V16" />
        </svg>
        <span class="figures"
          ><strong>{{ b.load }}</strong> of {{ b.rating }}{{ b.verdict === 'stop' ? ': over' : '' }}</span
        >
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 2px;
      margin: 8px 0 12px;
    }
    .row {
      display: grid;
      grid-template-columns: minmax(130px, 190px) minmax(80px, 1fr) minmax(150px, auto);
      gap: 10px;
      align-items: center;
      min-height: 24px;
      line-height: 1.15;
    }
    .figures {
      text-align: right;
    }
    svg {
      width: 100%;
      height: 16px;
    }
    .track {
      fill: var(--track);
    }
    .load {
      fill: var(--water);
    }
    .rating {
      stroke: var(--ink);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .tight .load {
      fill: var(--attention);
    }
    .tight strong {
      color: var(--attention);
    }
    .stop .load {
      fill: var(--danger);
    }
    .stop strong,
    .stop .figures {
      color: var(--danger);
    }
    @media (max-width: 560px) {
      .row {
        grid-template-columns: 1fr auto;
      }
      svg {
        grid-column: 1 / -1;
        grid-row: 2;
      }
    }
  `,
})
export class LoadBars {
  readonly bars = input.required<readonly LoadBar[]>();
  /** The rating stands at 100 of 120: what is over shows beyond its stroke. */
  protected readonly width = barScale(1, 100, 120);
}
