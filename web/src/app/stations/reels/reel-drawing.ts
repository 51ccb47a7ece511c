import { Component, computed, inject, input } from '@angular/core';
import { formatQuantity, type ReelResult } from '@pozzo/core';
import { RigStore } from '../../state/rig-store';

/** Most turns drawn one by one; beyond that only whole layers are hinted at. */
const MOST = 900;

/** A reel cut through its axle, to scale: flanges, core, and every turn of hose on it. */
@Component({
  selector: 'pz-reel-drawing',
  template: `
    @if (drawing(); as d) {
      <svg viewBox="0 0 420 230" role="img" [attr.aria-label]="d.words">
        <rect class="core" [attr.x]="d.left" [attr.y]="d.mid - d.core / 2" [attr.width]="d.width" [attr.height]="d.core" />
        @for (t of d.turns; track $index) {
          <circle class="turn" [class.over]="t.over" [attr.cx]="t.x" [attr.cy]="t.y" [attr.r]="d.r" />
        }
        <rect class="flange" [attr.x]="d.left - 7" [attr.y]="d.mid - d.flange / 2" width="7" [attr.height]="d.flange" />
        <rect class="flange" [attr.x]="d.left + d.width" [attr.y]="d.mid - d.flange / 2" width="7" [attr.height]="d.flange" />
        <line class="axle" [attr.x1]="d.left - 30" [attr.x2]="d.left + d.width + 30" [attr.y1]="d.mid" [attr.y2]="d.mid" />
        <text [attr.x]="d.left + d.width + 18" [attr.y]="d.mid - d.flange / 2 + 14">{{ d.flangeWords }}</text>
        <text [attr.x]="d.left + d.width + 18" [attr.y]="d.mid - 6">{{ d.widthWords }}</text>
      </svg>
    }
  `,
  styles: `
    svg {
      width: 100%;
      max-height: 250px;
      font: 14px var(--face);
    }
    text {
      fill: var(--ink-quiet);
    }
    .core {
      fill: var(--track);
    }
    .flange {
      fill: var(--ink);
    }
    .axle {
      stroke: var(--ink);
      stroke-width: 3;
    }
    .turn {
      fill: var(--water-mid);
      stroke: var(--water);
      stroke-width: 1;
    }
    .turn.over {
      fill: var(--attention-pale);
      stroke: var(--attention);
    }
  `,
})
export class ReelDrawing {
  private readonly rig = inject(RigStore);
  readonly result = input.required<ReelResult>();
  readonly index = input.required<number>();

  protected readonly drawing = computed(() => {
    const reel = this.rig.rig()?.reels[this.index()];
    const r = this.result();
    if (!reel) return null;
    const tall = Math.max(reel.flange, r.woundM);
    const scale = Math.min(215 / tall, 250 / reel.width);
    const mid = 115;
    const width = reel.width * scale;
    const left = 40;
    const d = r.outsideM * scale;
    const turns: { x: number; y: number; over: boolean }[] = [];
    let hose = r.hoseM;
    for (let layer = 0; hose > 0 && turns.length < MOST && layer < 60; layer++) {
      const diameter = reel.core + (2 * layer + 1) * r.outsideM;
      const y = (diameter * scale) / 2;
      for (let w = 0; w < r.wrapsPerLayer && hose > 0 && turns.length < MOST; w++) {
        const over = diameter + r.outsideM > reel.flange;
        const x = left + d * (w + 0.5);
        turns.push({ x, y: mid - y, over }, { x, y: mid + y, over });
        hose -= Math.PI * diameter;
      }
    }
    const units = this.rig.units();
    const q = (m: number): string => formatQuantity(m, 'length', units);
    return {
      mid,
      left,
      width,
      turns,
      core: reel.core * scale,
      flange: reel.flange * scale,
      r: Math.max(d / 2 - 0.5, 0.8),
      flangeWords: `flange ${q(reel.flange)}`,
      widthWords: `width ${q(reel.width)}`,
      words: `${reel.name}: ${r.layers} layers of ${r.wrapsPerLayer} turns`,
    };
  });
}
