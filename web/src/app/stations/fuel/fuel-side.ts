import { Component, computed, inject, input } from '@angular/core';
import { type FuelEngineResult, type FuelTankResult, formatInches, formatQuantity, fuelTankSize, standingOn } from '@pozzo/core';
import { RigStore } from '../../state/rig-store';

const W = 640;
const H = 236;
const SIDE = 18;
const FLOOR = 190;
const ROOM = 150;

/** A fuel tank and what drinks from it from the side, heights to scale: outlet, brim, carburettors, hoses, what never gets there. */
@Component({
  selector: 'pz-fuel-side',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="d.words">
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
          <text class="strong" [attr.x]="e.tx" [attr.y]="e.ty" [attr.text-anchor]="e.anchor">{{ e.name }}</text>
          <text [class.shout]="e.shout" [attr.x]="e.tx" [attr.y]="e.ty + 16" [attr.text-anchor]="e.anchor">{{ e.says }}</text>
        }
        <text class="strong" [attr.x]="d.tank.tx" [attr.y]="d.tank.ty">{{ d.tank.name }}</text>
        <text class="quiet" [attr.x]="d.tank.tx" [attr.y]="d.tank.ty + 16">{{ d.tank.says }}</text>
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
      width: 100%;
      min-width: 540px;
      height: auto;
      max-height: 262px;
      font: 13.5px var(--face);
    }
    p {
      margin: 0 0 8px;
    }
    text {
      fill: var(--ink);
      paint-order: stroke;
      stroke: var(--ground-2);
      stroke-width: 3px;
    }
    .quiet {
      fill: var(--ink-quiet);
    }
    .strong {
      font-weight: 600;
    }
    text.shout {
      fill: var(--attention);
    }
    .deck {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .engine {
      fill: var(--track);
      stroke: var(--ink-quiet);
    }
    .wall {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 2;
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
  readonly tank = input.required<FuelTankResult>();
  readonly engines = input.required<readonly FuelEngineResult[]>();
  protected readonly width = W;
  protected readonly height = H;

  protected readonly drawing = computed(() => {
    const rig = this.rig.rig();
    const t = this.tank();
    const own = this.engines();
    const document = rig?.fuelTanks.find((x) => x.id === t.tankId);
    if (!rig || !document || !own.length) return null;
    const units = this.rig.units();
    const length = (m: number): string => (units === 'us' ? formatInches(m) : formatQuantity(m, 'length', 'metric', { unit: 'cm' }));
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
    const k = Math.min((W - 2 * SIDE - 150) / Math.max(right - left, 0.3), ROOM / Math.max(high - low, 0.2));
    const start = (W - (right - left) * k) / 2;
    const x = (m: number): number => start + (m - left) * k;
    const y = (m: number): number => FLOOR - (m - low) * k;
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
        hose: `M${from} ${y(t.outletM)}H${(from + cx) / 2}V${cy}H${cx}`,
        tx: Math.min(Math.max(cx, 76), W - 76),
        ty: Math.max(y(s.z1) - 24, 14),
        anchor: 'middle' as const,
      };
    });
    const usable = formatQuantity(t.usable.value, 'volume', units);
    const says = `${usable} of use`;
    const words = `${t.name}: ${says}. ${engines.map((e) => `${e.name}: ${e.says}`).join('; ')}.`;
    return {
      words,
      deck: y(0),
      engines,
      tank: {
        name: t.name,
        says,
        x: a,
        y: y(t.brimM),
        width: b - a,
        height: y(t.outletM) - y(t.brimM),
        dead: of(Math.min(dead, 1)),
        deadHeight: Math.max(y(t.outletM) - 2 - of(Math.min(dead, 1)), 0),
        reserve: of(reserve),
        vented: t.vented,
        vent: `M${middle} ${y(t.brimM)}v-10h8`,
        tx: Math.max(Math.min(a, W - 150), 2),
        ty: H - 22,
      },
      note: `Heights to scale${placed ? ', lengths along the deck too' : '; not everything has its place on the deck'}. Heads are those on the steepest site. Dashed: the reserve; red: what never gets to every engine.`,
    };
  });
}
