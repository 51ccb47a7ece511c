import { Component, computed, inject, input } from '@angular/core';
import { formatQuantity, levelOf, shapeHeight, volumeAt } from '@pozzo/core';
import { RigStore } from '../state/rig-store';

const W = 520;
const H = 250;
const LEFT = 20;
const TANK_MOST = 170;
const PUMP_X = 430;

/** The feed seen from the side, heights to scale: tank with its lowest level, line, pump and what is left of the push. */
/** Width of the words on the line of heads, how far they stand below and above a line, and how high they are, in the drawing's units. */
const [WORDS_W, BELOW, ABOVE, TALL] = [158, 20, 10, 13];

/** Where the words go: by the end of the line of heads, else under the deck, else at the top: wherever nothing else runs. */
function besideEnd(end: number, deck: number, bands: readonly (readonly [number, number])[]): { x: number; y: number } {
  const clear = (baseline: number): boolean =>
    baseline <= H - 4 && baseline - TALL >= 2 && bands.every(([a, b]) => Math.max(a, b) < baseline - TALL || Math.min(a, b) > baseline + 4);
  const y = [end + BELOW, end - ABOVE, deck + BELOW].find(clear) ?? TALL + 3;
  return { x: PUMP_X - 21 - WORDS_W, y };
}

@Component({
  selector: 'pz-elevation',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + d.width + ' ' + d.height" role="img" [attr.aria-label]="d.words">
        <line class="deck" x1="0" [attr.x2]="d.width" [attr.y1]="d.deck" [attr.y2]="d.deck" />
        <text class="quiet" x="4" [attr.y]="d.deck + 17">deck</text>
        @if (d.tank; as t) {
          <rect class="wall" [attr.x]="t.x" [attr.y]="t.top" [attr.width]="t.w" [attr.height]="t.bottom - t.top" rx="4" />
          <rect class="pale" [attr.x]="t.x + 2" [attr.y]="t.full" [attr.width]="t.w - 4" [attr.height]="t.bottom - t.full - 2" />
          <rect class="level" [attr.x]="t.x + 2" [attr.y]="t.low" [attr.width]="t.w - 4" [attr.height]="t.bottom - t.low - 2" />
          <text [attr.x]="t.x + 8" [attr.y]="t.full + 18" class="strong">{{ t.name }}</text>
          <text [attr.x]="t.x + 8" [attr.y]="t.low - t.full < 36 ? t.full + 36 : t.low - 6">{{ t.lowWords }}</text>
        }
        <path class="pipe" [attr.d]="d.pipe" />
        <path class="grade" [attr.d]="d.grade" />
        <text class="water strong" [attr.x]="d.gradeText.x" [attr.y]="d.gradeText.y">what is left of the push</text>
        <circle class="wall" [attr.cx]="d.pumpX" [attr.cy]="d.pumpY" r="21" />
        <path class="solid" [attr.d]="'M' + (d.pumpX - 8) + ' ' + (d.pumpY - 11) + 'l21 11l-21 11z'" />
        <text [attr.x]="d.pumpX + 28" [attr.y]="d.pumpY - 2" class="strong" [class.shout]="d.short">{{ d.margin }}</text>
        <text [attr.x]="d.pumpX + 28" [attr.y]="d.pumpY + 16" class="quiet">{{ d.short ? 'short' : 'to spare' }}</text>
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      height: auto;
      max-height: 270px;
      font: 13.5px var(--face);
    }
    text {
      fill: var(--ink);
    }
    .strong {
      font-weight: 600;
    }
    .quiet {
      fill: var(--ink-quiet);
    }
    .water {
      fill: var(--water);
    }
    .shout {
      fill: var(--attention);
    }
    .deck {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .wall {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .pale {
      fill: var(--water-pale);
    }
    .level {
      fill: var(--water-mid);
    }
    .pipe {
      fill: none;
      stroke: var(--ink-quiet);
      stroke-width: 8;
      stroke-linejoin: round;
      opacity: 0.55;
    }
    .grade {
      fill: none;
      stroke: var(--water);
      stroke-width: 2.5;
    }
    .solid {
      fill: var(--ink);
    }
  `,
})
export class Elevation {
  private readonly rig = inject(RigStore);
  readonly machineId = input.required<string>();
  /** Of full, where the level is that of a moment; left out, the lowest usable one is drawn. */
  readonly share = input<number>();

  protected readonly drawing = computed(() => {
    const doc = this.rig.document();
    const a = this.rig.assessment();
    const feed = a?.feeds.find((f) => f.machineId === this.machineId());
    if (!doc || !a || !feed) return null;
    const rig = this.rig.rig();
    const machine = rig?.machines.find((m) => m.id === this.machineId());
    if (!rig || !machine) return null;
    const tank = rig.tanks.find((t) => t.id === feed.sourceId);
    const result = a.tanks.find((t) => t.tankId === feed.sourceId);
    const system = this.rig.units();
    const share = this.share();
    const momentary =
      tank && share !== undefined ? levelOf(tank.shape, share * volumeAt(tank.shape, Math.min(tank.fullLevel, shapeHeight(tank.shape)))) : undefined;
    const top = Math.max(tank ? tank.base + shapeHeight(tank.shape) : 0.6, machine.inletHeight + 0.35);
    const lowestHead = Math.min(...feed.grade.map((g) => g.headM));
    const bottom = Math.min(-0.08, machine.inletHeight - 0.2, Math.max(lowestHead - 0.06, -1));
    const scale = (H - 46) / (top - bottom);
    const y = (m: number): number => 14 + (top - m) * scale;
    const outlet = rig.lines.find((l) => l.id === feed.lineIds[0])!.from.height ?? tank?.base ?? machine.inletHeight;
    const length = tank ? ('length' in tank.shape ? tank.shape.length : tank.shape.kind === 'upright-cylinder' ? tank.shape.diameter : 1) : 0;
    const tankW = tank ? Math.min(Math.max(length * scale, 90), TANK_MOST) : 0;
    const start = LEFT + tankW;
    const bend = start + (PUMP_X - start) * 0.55;
    const inlet = machine.inletHeight;
    const heads = feed.grade.map((g, i) => ({
      x: start + ((PUMP_X - 21 - start) * i) / Math.max(feed.grade.length - 1, 1),
      y: Math.min(Math.max(y(g.headM), 4), H - 4),
    }));
    return {
      width: W,
      height: H,
      deck: y(0),
      tank:
        tank && result
          ? {
              x: LEFT,
              w: tankW,
              top: y(tank.base + shapeHeight(tank.shape)),
              bottom: y(tank.base),
              full: y(tank.base + Math.min(tank.fullLevel, shapeHeight(tank.shape))),
              low: y(tank.base + (momentary ?? result.heelLevel.value)),
              name: tank.name,
              lowWords:
                momentary === undefined ? `lowest ${formatQuantity(result.heelVolumeM3, 'volume', system)}` : `${Math.round(100 * this.share()!)} % now`,
            }
          : null,
      pipe: `M${start} ${y(outlet)}H${bend}V${y(inlet)}H${PUMP_X - 21}`,
      grade: `M${heads.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}`,
      gradeText: feed.boosted
        ? { x: PUMP_X - 290, y: 20 }
        : besideEnd(heads.at(-1)?.y ?? 30, y(0), [
            [y(outlet) - 4, y(outlet) + 4],
            [y(inlet) - 4, y(outlet) + 4],
            [y(0), y(0)],
            // The line of heads itself, over the width of the words.
            ...heads.flatMap((h, k) => (k > 0 && h.x > PUMP_X - 21 - WORDS_W ? [[heads[k - 1].y, h.y] as const] : [])),
          ]),
      pumpX: PUMP_X,
      pumpY: y(inlet),
      margin: formatQuantity(Math.abs(feed.margin.value), 'length', system, { digits: 2 }),
      short: feed.margin.value < 0,
      words: `Side view: water surface falls to ${formatQuantity(feed.grade[0].headM, 'length', system)} above the deck, pump inlet at ${formatQuantity(inlet, 'length', system)}; ${formatQuantity(feed.margin.value, 'length', system)} of head to spare.`,
    };
  });
}
