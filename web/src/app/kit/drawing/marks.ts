import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Dimension } from './dimension';
import type { PlacedLabel } from './labels';

/** Words at their place in a drawing, one above the other: the first is the name, the rest what it says. */
@Component({
  selector: 'g[pzLabel]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (place(); as p) {
      @if (p.leader) {
        <svg:path class="leader" [attr.d]="p.leader" />
      }
      @for (t of lines(); track $index) {
        <svg:text
          [class.strong]="$first && named()"
          [class.shout]="tone() === 'shout' && ($last || lines().length === 1)"
          [class.water]="tone() === 'water'"
          [class.quiet]="tone() !== 'shout' && !$first"
          [attr.x]="p.x"
          [attr.y]="p.y[$index]"
          [attr.text-anchor]="p.anchor"
        >
          {{ t }}
        </svg:text>
      }
    }
  `,
})
export class LabelMark {
  readonly place = input.required<PlacedLabel | undefined>({ alias: 'pzLabel' });
  readonly lines = input.required<readonly string[]>();
  readonly named = input(true);
  /** What is wrong shouts by its last line; what speaks of water is in its colour. */
  readonly tone = input<'plain' | 'water' | 'shout'>('plain');
}

/** A dimension line with its figure. */
@Component({
  selector: 'g[pzDimension]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg:path class="measure" [attr.d]="of().path" />
    <svg:text class="figure" [attr.x]="of().x" [attr.y]="of().y" [attr.text-anchor]="of().anchor">{{ of().text }}</svg:text>
  `,
})
export class DimensionMark {
  readonly of = input.required<Dimension>({ alias: 'pzDimension' });
}
