import { Component, computed, inject, input } from '@angular/core';
import { formatQuantity, levelOf, shapeHeight } from '@pozzo/core';
import { trueScale } from '../../kit/drawing';
import { RigStore } from '../../state/rig-store';

/** What stands in a tank, m³: at the start, afterwards, and what is of no use. */
export interface TankLevels {
  readonly start: number;
  readonly end: number;
  readonly heel: number;
  /** When the end is: "after the job". */
  readonly when: string;
}

/** A tank from the side, to scale: at the start, afterwards, no use below. */
@Component({
  selector: 'pz-tank-drawing',
  template: `
    @if (drawing(); as d) {
      <svg class="pz-drawing" viewBox="0 0 200 172" role="img" [class.chemical]="chemical()" [attr.aria-label]="d.words">
        <g [attr.transform]="'translate(' + d.x + ' ' + d.y + ')'">
          <clipPath [attr.id]="'tank-clip-' + index()">
            @if (d.round) {
              <ellipse [attr.cx]="d.w / 2" [attr.cy]="d.h / 2" [attr.rx]="d.w / 2" [attr.ry]="d.h / 2" />
            } @else {
              <rect [attr.width]="d.w" [attr.height]="d.h" rx="5" />
            }
          </clipPath>
          <g [attr.clip-path]="'url(#tank-clip-' + index() + ')'">
            <rect class="empty" [attr.width]="d.w" [attr.height]="d.h" />
            <rect class="pale" [attr.y]="d.start" [attr.width]="d.w" [attr.height]="d.h" />
            <rect class="level" [attr.y]="d.end" [attr.width]="d.w" [attr.height]="d.h" />
            <line class="heel" x1="0" [attr.x2]="d.w" [attr.y1]="d.heel" [attr.y2]="d.heel" />
          </g>
          @if (d.round) {
            <ellipse class="wall" [attr.cx]="d.w / 2" [attr.cy]="d.h / 2" [attr.rx]="d.w / 2" [attr.ry]="d.h / 2" />
          } @else {
            <rect class="wall" [attr.width]="d.w" [attr.height]="d.h" rx="5" />
          }
        </g>
      </svg>
      <p>
        <strong>{{ d.left }}</strong><br /><span class="quiet">{{ d.size }}</span>
      </p>
    }
  `,
  styles: `
    p {
      margin: 2px 0 0;
      text-align: center;
      font-size: 14px;
      line-height: 1.3;
    }
    .wall {
      fill: none;
      stroke-width: 2.5;
    }
    .empty {
      fill: var(--card);
    }
    .chemical .pale {
      fill: var(--chem-pale);
    }
    .chemical .level {
      fill: var(--chem-mid);
    }
    .heel {
      stroke: var(--attention);
      stroke-width: 1.5;
      stroke-dasharray: 5 4;
    }
  `,
})
export class TankDrawing {
  private readonly rig = inject(RigStore);
  readonly index = input.required<number>();
  readonly levels = input.required<TankLevels>();
  readonly chemical = input(false);
  protected readonly drawing = computed(() => {
    const tank = this.rig.rig()?.tanks[this.index()];
    if (!tank) return null;
    const { start, end, heel, when } = this.levels();
    const { shape } = tank;
    const tall = shapeHeight(shape);
    const wide = shape.kind === 'upright-cylinder' || shape.kind === 'lying-cylinder' ? shape.diameter : shape.kind === 'box' ? shape.length : shape.width;
    const { k: scale } = trueScale({ left: 0, right: wide, low: 0, high: tall }, { x0: 5, y0: 8, x1: 195, y1: 168 });
    const [w, h] = [wide * scale, tall * scale];
    const at = (volume: number): number => h - levelOf(shape, volume) * scale;
    const system = this.rig.units();
    return {
      x: (200 - w) / 2,
      y: 168 - h,
      w,
      h,
      round: shape.kind === 'lying-cylinder' || shape.kind === 'elliptical',
      start: at(start),
      end: at(end),
      heel: at(heel),
      left: `${formatQuantity(Math.max(end - heel, 0), 'volume', system)} usable ${when}`,
      size: `${formatQuantity(wide, 'length', system)} × ${formatQuantity(tall, 'length', system)}`,
      words: `${tank.name}: ${formatQuantity(Math.max(end - heel, 0), 'volume', system)} usable ${when}`,
    };
  });
}
