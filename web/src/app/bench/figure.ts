import { Component, computed, inject, input } from '@angular/core';
import { figureAt, formatDifference, gapBefore, printParts } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { OpenWorking } from './working-panel';

/** A figure of the assessment: pressing it shows its working; while figures are held, its change stands beside it. */
@Component({
  selector: 'pz-figure',
  template: `
    @if (figure()) {
      <button
        type="button"
        class="figure"
        [class.open]="opened()"
        [attr.aria-expanded]="opened()"
        [attr.aria-label]="label() + ': ' + parts().value + ' ' + parts().unit + '. Show the working.'"
        (click)="toggle($event)"
      >
        @if (parts().unit === '$') {
          <span class="value">{{ '$' + parts().value }}</span>
        } @else {
          <span class="value">{{ parts().value }}</span>{{ gap() }}<span class="unit">{{ parts().unit }}</span>
        }
      </button>
      @if (change(); as c) {
        <span class="change" [attr.aria-label]="'Changed by ' + c">{{ c }}</span>
      }
    } @else {
      <span class="quiet">–</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: baseline;
      gap: 6px;
      white-space: nowrap;
    }
    .figure {
      border: 0;
      background: none;
      padding: 0 1px;
      cursor: pointer;
      border-bottom: 1px dotted var(--ink-quiet);
      font-weight: 600;
      border-radius: 0;
    }
    .figure:hover,
    .figure.open {
      background: var(--water-pale);
    }
    .unit {
      font-weight: 500;
    }
    .change {
      font-size: 13px;
      color: var(--water);
      font-weight: 600;
    }
  `,
})
export class FigureView {
  private readonly rig = inject(RigStore);
  private readonly working = inject(OpenWorking);
  readonly label = input.required<string>();
  /** Dotted path in the assessment, such as `tanks.0.usable`. */
  readonly at = input.required<string>();
  readonly never = input('never');
  protected readonly figure = computed(() => figureAt(this.rig.assessment(), this.at()));
  protected readonly gap = computed(() => gapBefore(this.parts().unit));
  protected readonly parts = computed(() => {
    const f = this.figure()!;
    return Number.isFinite(f.value) ? printParts(f.value, f.dimension, this.rig.units()) : { value: this.never(), unit: '' };
  });
  protected readonly opened = computed(() => this.working.shown()?.at === this.at());
  protected readonly change = computed(() => {
    const now = this.figure();
    const before = figureAt(this.rig.held(), this.at());
    if (
      !now ||
      !before ||
      !Number.isFinite(now.value) ||
      !Number.isFinite(before.value) ||
      Math.abs(now.value - before.value) < 1e-9 * Math.abs(before.value || 1)
    )
      return '';
    return formatDifference(now.value - before.value, now.dimension, this.rig.units(), { signed: true });
  });

  protected toggle(event: Event): void {
    if (this.opened()) this.working.close();
    else this.working.open(this.label(), this.at(), event.currentTarget as HTMLElement);
  }
}
