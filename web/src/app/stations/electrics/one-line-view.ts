import { Component, computed, inject } from '@angular/core';
import { oneLine, type OneLineBlock } from '@pozzo/core';
import { RigStore } from '../../state/rig-store';

const MARGIN = 10;

/** Words cut to a width, as wide as a letter of their size. */
const fitted = (text: string, width: number, size: number): string => {
  const most = Math.floor((width - 14) / (size * 0.5));
  return text.length > most ? `${text.slice(0, most - 1)}…` : text;
};

/** The one-line diagram: batteries, what charges them, panels, loads with live volts and amps. One line stands for both wires. */
@Component({
  selector: 'pz-one-line',
  // Wider than its column it scrolls, by keyboard too.
  host: { tabindex: '0', role: 'group', 'aria-label': 'One-line diagram' },
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="d.box" role="img" [attr.aria-label]="d.words">
        @for (c of d.cables; track c.id) {
          <polyline [class]="'cable ' + c.verdict" [attr.points]="c.points" />
          @if (c.fuse; as f) {
            <rect class="fuse" [class]="'fuse ' + c.verdict" [attr.x]="f.x" [attr.y]="f.y" width="16" height="8" rx="2" />
          }
        }
        @for (b of d.blocks; track b.id + b.kind + $index) {
          <g [class]="'block ' + b.verdict">
            <title>{{ b.name }}: {{ b.says }}{{ b.cable ? ', ' + b.cable : '' }}</title>
            <rect [attr.x]="b.x" [attr.y]="b.y" [attr.width]="b.width" [attr.height]="b.height" rx="4" />
            <text class="name" [attr.x]="b.x + 8" [attr.y]="b.y + 18">{{ short(b) }}</text>
            <text [attr.x]="b.x + 8" [attr.y]="b.y + 36">{{ b.says }}</text>
            <text class="says" [attr.x]="b.x + 8" [attr.y]="b.y + 53">{{ b.cable }}</text>
          </g>
        }
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    svg {
      width: 100%;
      min-width: 620px;
      height: auto;
      font: 15px var(--face);
    }
    text {
      fill: var(--ink);
    }
    .name {
      font-weight: 600;
      font-size: 15.5px;
    }
    .says {
      fill: var(--ink-quiet);
      font-size: 14px;
    }
    .cable {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.8;
    }
    .fuse {
      fill: var(--ground-2);
      stroke: var(--ink);
      stroke-width: 1.4;
    }
    .block rect {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .cable.tight,
    .cable.starved,
    .cable.stop,
    .fuse.tight,
    .fuse.starved,
    .fuse.stop,
    .block.tight rect,
    .block.starved rect,
    .block.stop rect {
      stroke: var(--attention);
      stroke-width: 2.6;
    }
  `,
})
export class OneLineView {
  private readonly rig = inject(RigStore);
  protected readonly drawing = computed(() => {
    const [rig, a] = [this.rig.rig(), this.rig.assessment()];
    if (!rig || !a?.batteries.length) return null;
    const d = oneLine(rig, a, this.rig.units());
    return {
      box: `${-MARGIN} ${-MARGIN} ${d.width + 2 * MARGIN} ${d.height + 2 * MARGIN}`,
      blocks: d.blocks,
      cables: d.cables.map((c) => ({
        ...c,
        points: c.points.map((p) => p.join(',')).join(' '),
        fuse: c.fused ? { x: c.points[0][0] + 6, y: c.points[0][1] - 4 } : undefined,
      })),
      words: d.blocks.map((b) => `${b.name}, ${b.says}`).join('; '),
    };
  });
  protected short(b: OneLineBlock): string {
    return fitted(b.name, b.width, 15.5);
  }
}
