import { Component, computed, inject, input } from '@angular/core';
import { type AsTold, formatTape, type ReelResult } from '@pozzo/core';
import { dimensionAlong, DimensionMark, dimensionUp, trueScale } from '../../kit/drawing';
import { RigStore } from '../../state/rig-store';

/** Most turns drawn one by one; beyond that only whole layers are hinted at. */
const MOST = 900;

/** A reel cut through its axle, to scale: flanges, core, and every turn of hose on it. */
@Component({
  selector: 'pz-reel-drawing',
  imports: [DimensionMark],
  template: `
    @if (drawing(); as d) {
      <svg class="pz-drawing" viewBox="0 0 420 250" role="img" [attr.aria-label]="d.words">
        <rect class="core" [attr.x]="d.left" [attr.y]="d.mid - d.core / 2" [attr.width]="d.width" [attr.height]="d.core" />
        @for (t of d.turns; track $index) {
          <circle class="turn" [class.over]="t.over" [attr.cx]="t.x" [attr.cy]="t.y" [attr.r]="d.r" />
        }
        <rect class="flange" [attr.x]="d.left - 7" [attr.y]="d.mid - d.flange / 2" width="7" [attr.height]="d.flange" />
        <rect class="flange" [attr.x]="d.left + d.width" [attr.y]="d.mid - d.flange / 2" width="7" [attr.height]="d.flange" />
        <line class="axle" [attr.x1]="d.left - 30" [attr.x2]="d.left + d.width + 30" [attr.y1]="d.mid" [attr.y2]="d.mid" />
        @for (m of d.measures; track $index) {
          <g [pzDimension]="m" />
        }
      </svg>
    }
  `,
  styles: `
    svg {
      max-height: 270px;
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
  readonly result = input.required<AsTold<ReelResult>>();
  readonly index = input.required<number>();

  protected readonly drawing = computed(() => {
    const reel = this.rig.rig()?.reels[this.index()];
    const r = this.result();
    if (!reel) return null;
    const tall = Math.max(reel.flange, r.woundM);
    const { k: scale } = trueScale({ left: 0, right: reel.width, low: 0, high: tall }, { x0: 0, y0: 0, x1: 240, y1: 215 });
    const mid = 115;
    const width = reel.width * scale;
    const left = 48;
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
    const [core, flange] = [reel.core * scale, reel.flange * scale];
    const units = this.rig.units();
    const q = (m: number): string => formatTape(m, units);
    return {
      mid,
      left,
      width,
      turns,
      core,
      flange,
      r: Math.max(d / 2 - 0.5, 0.8),
      measures: [
        dimensionUp(mid - flange / 2, mid + flange / 2, left + width + 40, `flange ${q(reel.flange)}`),
        dimensionAlong(left, left + width, mid + Math.max(flange / 2, 8) + 22, `${q(reel.width)} wide`),
      ],
      words: `${reel.name}: ${r.layers} layers of ${r.wrapsPerLayer} turns`,
    };
  });
}
