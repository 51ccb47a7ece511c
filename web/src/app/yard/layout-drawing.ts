import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { LayoutSummary } from '@pozzo/core';

const WIDTH = 200;
const HEIGHT = 76;
const TANK_X = 34;
const END_X = 188;

/** A starting layout as a small drawing: taps, tanks as wide as they hold, a line a machine with its guns, a line a mix. */
@Component({
  selector: 'pz-layout-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 200 76" aria-hidden="true">
      @for (t of d().taps; track t) {
        <path class="pipe" [attr.d]="'M4 ' + t + 'H34'" />
      }
      @for (r of d().rows; track r.y) {
        <path class="pipe" [class.chem]="r.chem" [attr.d]="'M' + r.from + ' ' + r.y + 'H' + r.to" />
        <circle [class.chem]="r.chem" cx="128" [attr.cy]="r.y" r="5" />
        @for (g of r.guns; track g) {
          <path class="gun" [class.chem]="r.chem" [attr.d]="'M' + r.to + ' ' + r.y + 'L188 ' + g" />
        }
      }
      @for (t of d().tanks; track $index) {
        <rect [class.chem]="!t.water" x="34" [attr.y]="t.y" [attr.width]="t.w" [attr.height]="t.h" rx="3" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    rect {
      fill: var(--water-mid);
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    rect.chem {
      fill: var(--chem-mid);
    }
    .pipe,
    .gun {
      fill: none;
      stroke: var(--water);
      stroke-width: 2.5;
    }
    .pipe.chem,
    .gun.chem {
      stroke: var(--chem);
    }
    circle {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 1.5;
    }
  `,
})
export class LayoutDrawing {
  readonly of = input.required<LayoutSummary>();
  protected readonly d = computed(() => {
    const s = this.of();
    const largest = Math.max(...s.tanks.map((t) => t.volumeM3), 1e-9);
    const each = HEIGHT / Math.max(s.tanks.length, 1);
    const tanks = s.tanks.map((t, i) => ({ water: t.water, w: 20 + 54 * Math.cbrt(t.volumeM3 / largest), y: i * each + 2, h: Math.min(each - 4, 44) }));
    const water = tanks.find((t) => t.water);
    const lines = [...s.machines.map((m) => ({ chem: false, guns: m.guns })), ...Array.from({ length: s.mixes }, () => ({ chem: true, guns: 1 }))];
    const step = HEIGHT / Math.max(lines.length, 1);
    const rows = lines.map((l, i) => {
      const y = step * (i + 0.5);
      const to = l.guns > 1 ? 160 : END_X;
      // From behind the tanks; a machine without a tank of water draws from the tap.
      const from = l.chem || water ? TANK_X + 12 : 4;
      return {
        chem: l.chem,
        y,
        from,
        to,
        guns: l.guns > 1 ? Array.from({ length: l.guns }, (_, g) => y + (g - (l.guns - 1) / 2) * Math.min(12, step / 2)) : [],
      };
    });
    const tapY = water ? water.y + water.h / 2 : (rows[0]?.y ?? HEIGHT / 2);
    return { width: WIDTH, tanks, rows, taps: Array.from({ length: s.spigots }, (_, i) => tapY + (i - (s.spigots - 1) / 2) * 12) };
  });
}
