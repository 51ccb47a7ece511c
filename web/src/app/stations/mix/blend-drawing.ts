import { Component, computed, inject, input } from '@angular/core';
import { type AsTold, assumptionValues, type MixResult, parseQuantity } from '@pozzo/core';
import { RigStore } from '../../state/rig-store';
import { DIAL, layoutBlend } from './blend-layout';

/** Streams meeting, drawn as wide as they flow, and the strength dial of the first and last minute. */
@Component({
  selector: 'pz-blend-drawing',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 560 ' + d.height" role="img" [attr.aria-label]="d.words">
        @for (s of d.streams; track s.name + $index) {
          <path class="stream" [class.chem]="s.chemical" [attr.d]="s.path" [attr.stroke-width]="s.width" />
          <text class="name" x="10" [attr.y]="s.y - 18">{{ s.name }}</text>
          <text class="num" x="10" [attr.y]="s.y + 31">{{ s.flow }} · {{ s.share }}</text>
        }
        <path class="stream mixed" [attr.d]="'M222 ' + d.out.y + 'H352'" [attr.stroke-width]="d.out.width" />
        <circle class="point" cx="222" [attr.cy]="d.out.y" r="19" />
        <text class="big" x="292" [attr.y]="d.out.y - 24">{{ d.out.words }}</text>
        <g [attr.transform]="'translate(0 ' + (d.height - 168) / 2 + ')'">
          <path class="arc" [attr.d]="arc" />
          <path class="zone" [attr.d]="d.dial.zone" />
          <line class="last" [attr.x1]="dial.x" [attr.y1]="dial.y" [attr.x2]="d.dial.last.x" [attr.y2]="d.dial.last.y" />
          <line class="first" [attr.x1]="dial.x" [attr.y1]="dial.y" [attr.x2]="d.dial.first.x" [attr.y2]="d.dial.first.y" />
          <circle class="hub" [attr.cx]="dial.x" [attr.cy]="dial.y" r="7" />
          <text class="wanted" [attr.x]="dial.x" [attr.y]="dial.y - dial.r - 11">target {{ d.dial.wanted }}</text>
          <text class="end" [attr.x]="dial.x - dial.r" [attr.y]="dial.y + 17">0</text>
          <text class="end" [attr.x]="dial.x + dial.r" [attr.y]="dial.y + 17">{{ d.dial.most }}</text>
          <text class="read" [attr.x]="dial.x" [attr.y]="dial.y + 28">{{ d.dial.first.words }}</text>
          <text class="sub" [attr.x]="dial.x" [attr.y]="dial.y + 46">last minute {{ d.dial.last.words }}</text>
        </g>
      </svg>
    }
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 660px;
      max-height: 300px;
    }
    .stream {
      fill: none;
      stroke: var(--water-mid);
    }
    .stream.chem {
      stroke: var(--chem);
    }
    .stream.mixed {
      stroke: var(--chem-pale);
    }
    .point {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    text {
      fill: var(--ink);
      font: 500 15.5px var(--face);
    }
    .name {
      font-weight: 600;
    }
    .num,
    .sub,
    .end {
      fill: var(--ink-quiet);
      font-size: 15px;
    }
    .big {
      font: 600 18px var(--face-head);
      text-anchor: middle;
    }
    .arc {
      fill: none;
      stroke: var(--track);
      stroke-width: 10;
    }
    .zone {
      fill: none;
      stroke: var(--water);
      stroke-width: 10;
    }
    .first {
      stroke: var(--ink);
      stroke-width: 4.5;
      stroke-linecap: round;
    }
    .last {
      stroke: var(--ink-quiet);
      stroke-width: 2.5;
      stroke-dasharray: 5 4;
    }
    .hub {
      fill: var(--ink);
    }
    .wanted,
    .sub,
    .end {
      text-anchor: middle;
    }
    .read {
      font: 700 22px var(--face-head);
      text-anchor: middle;
    }
  `,
})
export class BlendDrawing {
  private readonly rig = inject(RigStore);
  readonly result = input.required<AsTold<MixResult>>();
  protected readonly dial = DIAL;
  protected readonly arc = `M${DIAL.x - DIAL.r} ${DIAL.y}A${DIAL.r} ${DIAL.r} 0 0 1 ${DIAL.x + DIAL.r} ${DIAL.y}`;
  protected readonly drawing = computed(() => {
    const own = this.rig.document()?.assumptions['mix-tolerance'];
    const read = own === undefined ? undefined : parseQuantity(own, 'ratio');
    return layoutBlend(this.result(), read?.ok ? read.si : assumptionValues()['mix-tolerance'], this.rig.units());
  });
}
