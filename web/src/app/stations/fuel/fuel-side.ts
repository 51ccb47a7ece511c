import { Component, computed, inject, input } from '@angular/core';
import { type AsTold, type FuelEngineResult, type FuelTankResult, formatQuantity, formatTape, fuelTankSize, standingOn } from '@pozzo/core';
import { alongPath, dimensionUp, DimensionMark, LabelMark, placeLabels, through, trueScale } from '../../kit/drawing';
import { RigStore } from '../../state/rig-store';

const W = 640;
const H = 236;
const SIDE = 18;
const FLOOR = 190;
const ROOM = 150;

/** A fuel tank and what drinks from it from the side, heights to scale: outlet, brim, carburettors, hoses, what never gets there. */
@Component({
  selector: 'pz-fuel-side',
  // Wider than its column it scrolls, by keyboard too.
  host: { tabindex: '0', role: 'group', 'aria-label': 'Fuel from the side' },
  imports: [DimensionMark, LabelMark],
  template: `
    @if (drawing(); as d) {
      <svg class="pz-drawing" [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="d.words">
        <line class="deck" x1="0" [attr.x2]="width" [attr.y1]="d.deck" [attr.y2]="d.deck" />
        <text class="quiet" x="2" [attr.y]="d.deck + 17">deck</text>
        @for (e of d.engines; track e.id) {
          <rect class="engine" [attr.x]="e.x" [attr.y]="e.y" [attr.width]="e.width" [attr.height]="e.height" rx="3" />
        }
        <rect class="wall" [attr.x]="d.tank.x" [attr.y]="d.tank.y" [attr.width]="d.tank.width" [attr.height]="d.tank.height" rx="4" />
        <rect class="fuel" [attr.x]="d.tank.x + 2" [attr.y]="d.tank.y + 2" [attr.width]="d.tank.width - 4" [attr.height]="d.tank.height - 4" rx="2" />
        <rect class="dead" [attr.x]="d.tank.x + 2" [attr.y]="d.tank.dead" [attr.width]="d.tank.width - 4" [attr.height]="d.tank.deadHeight" />
        <line class="reserve" [attr.x1]="d.tank.x" [attr.x2]="d.tank.x + d.tank.width" [attr.y1]="d.tank.reserve" [attr.y2]="d.tank.reserve" />
        @if (d.tank.vented) {
          <path class="vent" [attr.d]="d.tank.vent" />
        }
        @for (e of d.engines; track e.id) {
          <path class="hose" [class.shout]="e.shout" [attr.d]="e.hose" />
          <circle class="carburettor" [class.shout]="e.shout" [attr.cx]="e.cx" [attr.cy]="e.cy" r="6" />
        }
        @if (d.measure; as m) {
          <g [pzDimension]="m" />
        }
        @for (l of d.labels; track l.id) {
          <g [pzLabel]="l.place" [lines]="l.lines" [tone]="l.tone" />
        }
      </svg>
      <p class="quiet">{{ d.note }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    svg {
      min-width: 540px;
      max-height: 262px;
    }
    p {
      margin: 0 0 8px;
    }
    .engine {
      fill: var(--track);
      stroke: var(--ink-quiet);
    }
    .fuel {
      fill: var(--press);
      opacity: 0.28;
    }
    .dead {
      fill: var(--attention);
      opacity: 0.4;
    }
    .reserve {
      stroke: var(--ink);
      stroke-dasharray: 4 3;
    }
    .hose {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .hose.shout,
    .carburettor.shout {
      stroke: var(--attention);
    }
    .carburettor {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .vent {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
    }
  `,
})
export class FuelSide {
  private readonly rig = inject(RigStore);
  readonly tank = input.required<AsTold<FuelTankResult>>();
  readonly engines = input.required<readonly AsTold<FuelEngineResult>[]>();
  protected readonly width = W;
  protected readonly height = H;

  protected readonly drawing = computed(() => {
    const rig = this.rig.rig();
    const t = this.tank();
    const own = this.engines();
    const document = rig?.fuelTanks.find((x) => x.id === t.tankId);
    if (!rig || !document || !own.length) return null;
    const units = this.rig.units();
    const length = (m: number): string => formatTape(m, units);
    const things = standingOn(rig);
    const boxOf = (id: string) => things.find((x) => x.id === id)?.box;
    const size = fuelTankSize(document);
    const boxes = [boxOf(t.tankId), ...own.map((e) => boxOf(e.engineId))];
    const placed = boxes.every((b) => b !== undefined);
    // Along the deck where all stand; else side by side.
    const gap = 0.5;
    let at = 0;
    const spread = [size[0], ...own.map(() => 0.7)].map((w) => {
      const x0 = at;
      at += w + gap;
      return { x0, x1: x0 + w, z0: 0, z1: 0.55 };
    });
    const spans = placed ? boxes.map((b) => b) : spread.map((s, i) => (boxes[i] ? { ...s, z0: boxes[i].z0, z1: boxes[i].z1 } : s));
    const left = Math.min(...spans.map((s) => s.x0));
    const right = Math.max(...spans.map((s) => s.x1));
    const low = Math.min(0, t.outletM, ...own.map((e) => e.carburettorM));
    const high = Math.max(t.brimM, ...own.map((e) => e.carburettorM), ...spans.slice(1).map((s) => s.z1));
    const world = { left, right: Math.max(right, left + 0.3), low, high: Math.max(high, low + 0.2) };
    const { k, x, y } = trueScale(world, { x0: SIDE + 75, y0: FLOOR - ROOM, x1: W - SIDE - 75, y1: FLOOR });
    const [a, b] = [x(spans[0].x0), x(spans[0].x1)];
    const middle = (a + b) / 2;
    const dead = Math.max(0, ...own.map((e) => e.deadM3)) / t.volumeM3;
    const reserve = 0.1;
    const of = (share: number): number => y(t.outletM + (t.brimM - t.outletM) * share);
    const engines = own.map((e, i) => {
      const s = spans[i + 1];
      const [ex, ew] = [x(s.x0), (s.x1 - s.x0) * k];
      const cx = ex + ew / 2;
      const cy = y(e.carburettorM);
      const from = cx >= middle ? b : a;
      const head = e.headLast?.value ?? 0;
      const needs =
        e.lift === 'gravity'
          ? `${length(Math.abs(head))} ${head >= 0 ? 'to spare' : 'short'} at the last`
          : `its pump lifts ${length(Math.max(-head, 0))} of ${length(e.liftsM)}`;
      return {
        id: e.engineId,
        name: e.name,
        says: needs,
        shout: e.verdict !== 'fed',
        x: ex,
        y: y(s.z1),
        width: ew,
        height: (s.z1 - s.z0) * k,
        cx,
        cy,
        way: [
          [from, y(t.outletM)],
          [(from + cx) / 2, y(t.outletM)],
          [(from + cx) / 2, cy],
          [cx, cy],
        ] as const,
      };
    });
    const usable = formatQuantity(t.usable.value, 'volume', units);
    const says = `${usable} usable`;
    const words = `${t.name}: ${says}. ${engines.map((e) => `${e.name}: ${e.says}`).join('; ')}.`;
    const tank = { x: a, y: y(t.brimM), width: b - a, height: y(t.outletM) - y(t.brimM) };
    const labelled = [
      {
        id: `tank ${t.tankId}`,
        lines: [t.name, says],
        x: middle,
        y: tank.y + tank.height,
        ways: ['below', 'above', 'left', 'right'] as const,
        tone: 'plain' as const,
      },
      ...engines.map((e) => ({
        id: e.id,
        lines: [e.name, e.says],
        x: e.cx,
        y: e.y,
        ways: ['above', 'right', 'left', 'below'] as const,
        tone: e.shout ? ('shout' as const) : ('plain' as const),
      })),
    ];
    // The height that gravity has to work with: from the outlet to the lowest carburettor that it feeds.
    const fed = own.find((e) => e.lift === 'gravity');
    const measure =
      fed && Math.abs(t.outletM - fed.carburettorM) * k > 14
        ? dimensionUp(y(t.outletM), y(fed.carburettorM), Math.max(a - 16, 62), length(Math.abs(t.outletM - fed.carburettorM)), 'left')
        : undefined;
    const around = (r: { x: number; y: number; width: number; height: number }) => ({
      x0: r.x - 2,
      y0: r.y - 2,
      x1: r.x + r.width + 2,
      y1: r.y + r.height + 2,
    });
    const places = placeLabels(
      labelled,
      [
        around(tank),
        ...engines.map(around),
        ...engines.flatMap((e) => alongPath(e.way, 3)),
        { x0: 0, x1: W, y0: y(0) - 2, y1: y(0) + 2 },
        { x0: 0, x1: 36, y0: y(0), y1: y(0) + 20 },
        ...(measure
          ? [{ x0: measure.x - 56, x1: measure.x + 14, y0: Math.min(y(t.outletM), y(fed!.carburettorM)), y1: Math.max(y(t.outletM), y(fed!.carburettorM)) }]
          : []),
        { x0: middle - 4, x1: middle + 12, y0: tank.y - 12, y1: tank.y },
      ],
      { x0: 2, y0: 2, x1: W - 2, y1: H - 2 },
    );
    return {
      words,
      measure,
      labels: labelled.map((l) => ({ ...l, place: places.get(l.id) })),
      deck: y(0),
      engines: engines.map((e) => ({ ...e, hose: through(e.way) })),
      tank: {
        ...tank,
        dead: of(Math.min(dead, 1)),
        deadHeight: Math.max(y(t.outletM) - 2 - of(Math.min(dead, 1)), 0),
        reserve: of(reserve),
        vented: t.vented,
        vent: `M${middle} ${y(t.brimM)}v-10h8`,
      },
      note: `Heights to scale${placed ? ', lengths along the deck too' : '; not everything has its place on the deck'}. Heads are those on the steepest site. Dashed: the reserve; red: what never gets to every engine.`,
    };
  });
}
