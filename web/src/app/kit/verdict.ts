import { Component, computed, input } from '@angular/core';
import type { Scale, Verdict } from '@pozzo/core';
import { SEVERITY_WORDS } from '@pozzo/core/page';

const DROP = 'M10 2c4.200 5.700 6.800 8.700 6.800 12.200a6.800 6.800 0 0 1-13.600 0C3.200 10.700 5.800 7.700 10 2z';
const HALF_DROP = 'M4.2 14.500h11.600a6 6 0 0 1-11.600 0z';
const SQUARE = 'M3 6h14v14H3z';
const HALF_SQUARE = 'M4 13h12v6H4z';

/**
 * A verdict as shape and word: a full, half or struck empty drop where it is about feeding, the same three states of a plain
 * square where it is about something else; a barred sign for danger.
 */
@Component({
  selector: 'pz-verdict',
  template: `
    <svg viewBox="0 0 20 24" width="18" height="22" aria-hidden="true">
      @switch (of()) {
        @case ('fed') {
          <path [attr.d]="shape()" fill="var(--water)" />
        }
        @case ('tight') {
          <path [attr.d]="shape()" fill="var(--card)" stroke="var(--attention)" stroke-width="2" />
          <path [attr.d]="half()" fill="var(--attention)" />
        }
        @case ('starved') {
          <path [attr.d]="shape()" fill="var(--card)" stroke="var(--attention)" stroke-width="2" />
          <path d="M2 22 18 4" stroke="var(--attention)" stroke-width="2.500" />
        }
        @case ('stop') {
          <circle cx="10" cy="13" r="8" fill="var(--card)" stroke="var(--danger)" stroke-width="2.500" />
          <path d="M4.500 13h11" stroke="var(--danger)" stroke-width="3.500" />
        }
      }
    </svg>
    @if (!bare()) {
      <span [class.shout]="of() === 'tight' || of() === 'starved'" [class.danger]="of() === 'stop'" [class.calm]="of() === 'fed'">{{ word() }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 5px;
      font-weight: 600;
      white-space: nowrap;
    }
    .danger {
      color: var(--danger);
    }
    .calm {
      color: var(--water);
    }
  `,
})
export class VerdictMark {
  readonly of = input.required<Verdict>();
  readonly bare = input(false);
  /** What it is about. */
  readonly about = input<Scale>('feeding');
  protected readonly shape = computed(() => (this.about() === 'feeding' ? DROP : SQUARE));
  protected readonly half = computed(() => (this.about() === 'feeding' ? HALF_DROP : HALF_SQUARE));
  protected readonly word = computed(() => SEVERITY_WORDS[this.about()][this.of()]);
}
