import { Component, computed, inject, input } from '@angular/core';
import { formatQuantity, fullDepth, levelOf, shapeHeight, volumeAt } from '@pozzo/core';
import { alongPath, LabelMark, placeLabels, trueScale } from '../kit/drawing';
import { RigStore } from '../state/rig-store';

const W = 520;
const H = 250;
const LEFT = 20;
const TANK_MOST = 170;
const PUMP_X = 430;

/** The feed seen from the side, heights to scale: tank with its lowest level, line, pump and head left. */
@Component({
  selector: 'pz-elevation',
  imports: [LabelMark],
  template: `
    @if (drawing(); as d) {
      <svg class="pz-drawing" [attr.viewBox]="'0 0 ' + d.width + ' ' + d.height" role="img" [attr.aria-label]="d.words">
        <line class="deck" x1="0" [attr.x2]="d.width" [attr.y1]="d.deck" [attr.y2]="d.deck" />
        <text class="quiet" x="4" [attr.y]="d.deck + 17">deck</text>
        @if (d.tank; as t) {
          <rect class="wall" [attr.x]="t.x" [attr.y]="t.top" [attr.width]="t.w" [attr.height]="t.bottom - t.top" rx="4" />
          <rect class="pale" [attr.x]="t.x + 2" [attr.y]="t.full" [attr.width]="t.w - 4" [attr.height]="t.bottom - t.full - 2" />
          <rect class="level" [attr.x]="t.x + 2" [attr.y]="t.low" [attr.width]="t.w - 4" [attr.height]="t.bottom - t.low - 2" />
        }
        <path class="pipe" [attr.d]="d.pipe" />
        <path class="grade" [attr.d]="d.grade" />
        <circle class="wall" [attr.cx]="d.pumpX" [attr.cy]="d.pumpY" r="21" />
        <path class="solid" [attr.d]="'M' + (d.pumpX - 8) + ' ' + (d.pumpY - 11) + 'l21 11l-21 11z'" />
        @for (l of d.labels; track l.id) {
          <g [pzLabel]="l.place" [lines]="l.lines" [tone]="l.tone" />
        }
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      max-height: 270px;
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
    const momentary = tank && share !== undefined ? levelOf(tank.shape, share * volumeAt(tank.shape, fullDepth(tank))) : undefined;
    const top = Math.max(tank ? tank.base + shapeHeight(tank.shape) : 0.6, machine.inletHeight + 0.35);
    const lowestHead = Math.min(...feed.grade.map((g) => g.headM));
    const bottom = Math.min(-0.08, machine.inletHeight - 0.2, Math.max(lowestHead - 0.06, -1));
    // Along nothing is to scale: only heights are.
    const { k: scale, y } = trueScale({ left: 0, right: 1e-3, low: bottom, high: top }, { x0: 0, y0: 14, x1: W, y1: H - 32 });
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
    const drawn =
      tank && result
        ? {
            x: LEFT,
            w: tankW,
            top: y(tank.base + shapeHeight(tank.shape)),
            bottom: y(tank.base),
            full: y(tank.base + fullDepth(tank)),
            low: y(tank.base + (momentary ?? Math.min(result.heelLevel.value, fullDepth(tank)))),
          }
        : null;
    const margin = formatQuantity(Math.abs(feed.margin.value), 'length', system, { digits: 2 });
    const short = feed.margin.value < 0;
    const end = heads.at(-1) ?? { x: PUMP_X - 21, y: 30 };
    const words = [
      {
        id: 'pump',
        lines: [margin, short ? 'short' : 'to spare'],
        x: PUMP_X + 21,
        y: y(inlet),
        ways: ['right'] as const,
        tone: short ? ('shout' as const) : ('plain' as const),
      },
      ...(drawn && tank && result
        ? [
            {
              id: 'tank',
              lines: [
                tank.name,
                momentary === undefined ? `lowest ${formatQuantity(result.heelVolumeM3, 'volume', system)}` : `${Math.round(100 * share!)}% now`,
              ],
              x: drawn.x + drawn.w / 2,
              y: drawn.full + 22,
              ways: ['here', 'below', 'above', 'right'] as const,
              tone: 'plain' as const,
            },
          ]
        : []),
      { id: 'left', lines: ['head left'], x: end.x - 70, y: end.y, ways: ['above', 'below'] as const, tone: 'water' as const },
    ];
    const points = heads.map((h) => [h.x, h.y] as const);
    const places = placeLabels(
      words,
      [
        { x0: PUMP_X - 22, x1: PUMP_X + 22, y0: y(inlet) - 22, y1: y(inlet) + 22 },
        { x0: 0, x1: W, y0: y(0) - 2, y1: y(0) + 2 },
        { x0: 0, x1: 40, y0: y(0), y1: y(0) + 20 },
        ...(drawn ? [{ x0: drawn.x, x1: drawn.x + drawn.w, y0: drawn.low - 1, y1: drawn.low + 1 }] : []),
        ...alongPath(
          [
            [start, y(outlet)],
            [bend, y(outlet)],
            [bend, y(inlet)],
            [PUMP_X - 21, y(inlet)],
          ],
          4,
        ),
        ...alongPath(points),
      ],
      { x0: 2, y0: 2, x1: W - 2, y1: H - 2 },
    );
    return {
      width: W,
      height: H,
      deck: y(0),
      tank: drawn,
      pipe: `M${start} ${y(outlet)}H${bend}V${y(inlet)}H${PUMP_X - 21}`,
      grade: `M${heads.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}`,
      pumpX: PUMP_X,
      pumpY: y(inlet),
      labels: words.map((w) => ({ ...w, place: places.get(w.id) })),
      words: `Side view: water surface falls to ${formatQuantity(feed.grade[0].headM, 'length', system)} above the deck, pump inlet at ${formatQuantity(inlet, 'length', system)}; ${formatQuantity(feed.margin.value, 'length', system)} of head to spare.`,
    };
  });
}
