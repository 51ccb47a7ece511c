import { Component, computed, type ElementRef, inject, input, output, viewChild } from '@angular/core';
import {
  formatQuantity,
  formatTape,
  moveThing,
  layHoses,
  type AsTold,
  type PlanResult,
  type Rig,
  SEVERITY_WORDS,
  standingOn,
  type WeightState,
} from '@pozzo/core';
import { type Dimension, dimensionAlong, DimensionMark, dimensionUp, LabelMark, placeLabels } from '../../kit/drawing';
import { RigStore } from '../../state/rig-store';
import { type DrawnThing, linesOf, planHeight, planOf, scaleOf, sideOf, snapped, tallestOf, TOP, WIDE } from './deck-layout';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

const STEP_M = 0.0254;
const CLING_M = 0.035;
const GROUND_ROOM = 66;

/** The deck from above and from the kerb, to scale. Things are moved by the hand or by the arrow keys; each is a button. */
@Component({
  selector: 'pz-deck-view',
  imports: [SpellPipe, DimensionMark, LabelMark],
  template: `
    @if (drawing(); as d) {
      <svg #svg class="pz-drawing" [attr.viewBox]="'0 0 ' + wide + ' ' + d.height" role="group" [attr.aria-label]="'The deck of ' + rig().name + ' to scale'">
        <defs>
          <pattern id="bars" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="8" height="8" class="pale" />
            <rect width="2" height="8" class="stripe" />
          </pattern>
        </defs>
        @if (d.plan; as p) {
          <rect class="deck" [attr.x]="p.x" [attr.y]="p.y" [attr.width]="p.width" [attr.height]="p.height" />
          @if (p.tongue) {
            <path class="frame" [attr.d]="p.tongue" />
          }
          @for (w of p.boxes; track $index) {
            <rect class="wheelbox" [attr.x]="w.x" [attr.y]="w.y" [attr.width]="w.width" [attr.height]="w.height" />
          }
          @for (z of p.free; track z.id) {
            <rect class="free" [attr.x]="z.x" [attr.y]="z.y" [attr.width]="z.width" [attr.height]="z.height">
              <title>{{ z.name }}: stays free</title>
            </rect>
          }
          @for (b of p.bunds; track b.id) {
            <rect class="bund" [attr.x]="b.x" [attr.y]="b.y" [attr.width]="b.width" [attr.height]="b.height">
              <title>{{ b.words }}</title>
            </rect>
          }
          @for (t of p.things; track t.id) {
            <g
              class="thing"
              tabindex="0"
              role="button"
              [class]="t.paint + ' ' + t.verdict"
              [class.chosen]="t.id === chosen()"
              [attr.aria-pressed]="t.id === chosen()"
              [attr.aria-label]="words(t)"
              [attr.data-thing]="t.id"
              (pointerdown)="grip($event, t)"
              (pointermove)="drag($event)"
              (pointerup)="drop($event)"
              (pointercancel)="drop($event)"
              (keydown)="key($event, t)"
            >
              <title>{{ words(t) }}</title>
              <rect [attr.x]="t.x" [attr.y]="t.y" [attr.width]="t.width" [attr.height]="t.height" rx="2" />
              @if (t.service; as m) {
                <path class="service" [attr.d]="m" />
              }
              @if (t.exhaust; as m) {
                <path class="exhaust" [attr.d]="m" />
              }
              @if (t.label; as l) {
                <text [attr.x]="l.x" [attr.y]="l.y" [attr.font-size]="l.size" [attr.transform]="l.upright ? 'rotate(-90 ' + l.x + ' ' + l.y + ')' : null">
                  {{ l.text }}
                </text>
              }
              @if (t.pinned) {
                <circle class="pin" [attr.cx]="t.x + 6" [attr.cy]="t.y + 6" r="3.5" />
              }
            </g>
          }
          @for (l of p.lines; track l.id) {
            <path class="line" [class]="l.role" [attr.d]="l.path" />
          }
          @if (p.named; as n) {
            <text class="figure" [attr.x]="n.x" [attr.y]="n.y">{{ n.text }}</text>
          }
          @for (m of p.measures; track $index) {
            <g [pzDimension]="m" />
          }
          <text class="note" [attr.x]="p.x" [attr.y]="p.y + p.height + 15">from above · {{ '‹curb›' | spell }} side below · {{ p.size }}</text>
        }
        @if (d.side; as e) {
          <path class="ground" [attr.d]="e.ground" />
          @if (e.body; as b) {
            <rect class="body" [attr.x]="b.x" [attr.y]="b.y" [attr.width]="b.width" [attr.height]="b.height" />
          }
          <rect class="bed" [attr.x]="e.bed.x" [attr.y]="e.bed.y" [attr.width]="e.bed.width" [attr.height]="e.bed.height" />
          @if (e.tongue) {
            <path class="frame" [attr.d]="e.tongue" />
          }
          @if (e.cab) {
            <path class="cab" [attr.d]="e.cab" />
          }
          @for (t of e.things; track t.id) {
            <g class="thing still" [class]="t.paint + ' ' + t.verdict" [class.chosen]="t.id === chosen()" aria-hidden="true">
              <rect class="case" [attr.x]="t.x" [attr.y]="t.y" [attr.width]="t.width" [attr.height]="t.height" rx="2" />
              @if (t.fill > 0) {
                <rect class="liquid" [attr.x]="t.x" [attr.y]="t.y + t.height - t.fill" [attr.width]="t.width" [attr.height]="t.fill" />
              }
              @if (t.label; as l) {
                <text [attr.x]="l.x" [attr.y]="l.y" [attr.font-size]="l.size" [attr.transform]="l.upright ? 'rotate(-90 ' + l.x + ' ' + l.y + ')' : null">
                  {{ l.text }}
                </text>
              }
            </g>
          }
          @for (w of e.wheels; track $index) {
            <circle class="wheel" [attr.cx]="w.x" [attr.cy]="w.y" [attr.r]="w.r" />
          }
          @if (e.centre; as c) {
            <path class="centre" [attr.d]="c.mark" />
            <circle class="centre" [attr.cx]="c.x" [attr.cy]="c.y" r="6" />
          }
          @for (l of e.loads; track l.id) {
            <g class="load" [class]="l.verdict" [pzLabel]="l.place" [lines]="l.lines" />
          }
          <text class="note" [attr.x]="e.bed.x" [attr.y]="e.top">{{ e.words }}</text>
        }
      </svg>
    }
  `,
  styleUrl: './deck-view.scss',
})
export class DeckView {
  private readonly store = inject(RigStore);
  readonly rig = input.required<Rig>();
  readonly plan = input.required<AsTold<PlanResult>>();
  /** The filling that is shown, as weighed; undefined while nothing is. */
  readonly state = input<WeightState>();
  readonly levels = input.required<readonly number[]>();
  readonly chosen = input<string>();
  readonly show = input<'both' | 'above' | 'side'>('both');
  readonly choose = output<string>();
  protected readonly wide = WIDE;
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');
  private held:
    | {
        readonly id: string;
        readonly name: string;
        readonly x: number;
        readonly y: number;
        readonly pointer: number;
        readonly matrix: DOMMatrix;
        /** Of the steps of this movement, which are taken back as one. */
        readonly key: string;
        moved: boolean;
      }
    | undefined;
  private grips = 0;

  protected readonly drawing = computed(() => {
    const rig = this.rig();
    const p = rig.platform;
    if (!p) return null;
    const s = scaleOf(rig, this.show());
    const above = this.show() !== 'side';
    const side = this.show() !== 'above';
    const planTall = above ? planHeight(rig, s) + 14 : 0;
    const plan = above ? this.planPart(rig, s) : undefined;
    const tall = tallestOf(rig);
    const ground = planTall + (p.height + tall) * s.k + 34;
    return { height: side ? ground + GROUND_ROOM : planTall + 4, plan, side: side ? this.sidePart(rig, s, planTall + 16, ground) : undefined };
  });

  private planPart(rig: Rig, s: ReturnType<typeof scaleOf>) {
    const p = rig.platform!;
    const top = TOP;
    const rect = (x: number, y: number, length: number, width: number) => ({
      x: s.x(x),
      y: top + (p.width - y - width) * s.k,
      width: length * s.k,
      height: width * s.k,
    });
    const things = planOf(rig, this.plan(), s);
    return {
      ...rect(0, 0, p.length, p.width),
      size: `${formatTape(p.length, this.store.units())} × ${formatTape(p.width, this.store.units())} deck`,
      boxes: p.wheelBoxes ? [0, p.width - p.wheelBoxes.width].map((y) => rect(p.wheelBoxes!.from, y, p.wheelBoxes!.length, p.wheelBoxes!.width)) : [],
      free: (p.free ?? []).map((z) => ({ id: z.id, name: z.name, ...rect(z.x, z.y, z.length, z.width) })),
      bunds: this.plan().bunds.map(({ tankId, box }) => ({
        id: tankId,
        words: `Bund, ${formatTape(box.x1 - box.x0, this.store.units())} × ${formatTape(box.y1 - box.y0, this.store.units())}, ${formatTape(box.z1, this.store.units())} deep`,
        ...rect(box.x0, box.y0, box.x1 - box.x0, box.y1 - box.y0),
      })),
      tongue: p.coupling
        ? `M${s.x(0)} ${top + 0.15 * p.width * s.k}L${s.x(-p.coupling.ahead)} ${top + (p.width / 2) * s.k}L${s.x(0)} ${top + 0.85 * p.width * s.k}`
        : '',
      // What is held in hand is drawn last, over the rest.
      things: [...things.filter((t) => t.id !== this.chosen()), ...things.filter((t) => t.id === this.chosen())],
      named: this.nameOf(things.find((t) => t.id === this.chosen())),
      lines: linesOf(rig, this.plan().lines, s),
      measures: this.measuresOf(
        rig,
        s,
        things.find((t) => t.id === this.chosen()),
      ),
    };
  }

  /** The chosen thing's name over it, where it does not fit inside. */
  private nameOf(t: DrawnThing | undefined) {
    return t && !t.label ? { x: Math.min(Math.max(t.x + t.width / 2, 60), WIDE - 60), y: t.y > 18 ? t.y - 6 : t.y + t.height + 15, text: t.name } : undefined;
  }

  /** How far the chosen thing stands from the front and from the kerb side. */
  private measuresOf(rig: Rig, s: ReturnType<typeof scaleOf>, t: DrawnThing | undefined) {
    if (!t) return [];
    const p = rig.platform!;
    const top = TOP;
    const units = this.store.units();
    const out: Dimension[] = [];
    // Outside the deck, where nothing stands in their way.
    if (t.box.x0 > 0.01) out.push(dimensionAlong(s.x(0), t.x, top - 9, formatTape(t.box.x0, units), { at: t.x, y: t.y }));
    const low = t.y + t.height;
    if (t.box.y0 > 0.01)
      out.push(dimensionUp(low, top + p.width * s.k, s.x(p.length) + 12, formatTape(t.box.y0, units), 'right', { at: low, x: t.x + t.width }));
    return out;
  }

  private sidePart(rig: Rig, s: ReturnType<typeof scaleOf>, top: number, ground: number) {
    const p = rig.platform!;
    const deck = ground - p.height * s.k;
    // While another platform is worked out, what was weighed on the last one is not drawn on it.
    const weighed = this.state();
    const towed = p.kind === 'trailer' && p.coupling !== undefined;
    const state = weighed?.axles.length === p.axles.length && (weighed.tongueKg !== undefined) === towed ? weighed : undefined;
    const r = Math.min(Math.max(0.32, p.height * 0.46), 0.5, p.height * 0.9) * s.k;
    const drives = !p.coupling;
    const nose = Math.min(...p.axles.map((a) => a.at)) - 0.85;
    const mass = (kg: number): string => formatQuantity(kg, 'mass', this.store.units(), { digits: 4 });
    const loads: { readonly id: string; readonly x: number; readonly lines: readonly string[]; readonly verdict: string }[] = [];
    if (state) {
      const over = (id: string): string => {
        const l = state.limits.find((x) => x.id === id);
        return l && l.loadKg > l.ratingKg * 1.0005 ? 'stop' : l && l.loadKg > 0.95 * l.ratingKg ? 'tight' : 'fed';
      };
      const share = state.tongueShare;
      if (state.tongueKg !== undefined)
        loads.push({
          id: 'tongue',
          x: s.x(-p.coupling!.ahead),
          lines: [`tongue ${mass(state.tongueKg)}`, `${formatQuantity(share!, 'ratio', this.store.units())} of the trailer`],
          verdict: over('coupling'),
        });
      const groups = state.tongueKg !== undefined ? [p.axles.map((_, i) => i)] : [[0], p.axles.slice(1).map((_, i) => i + 1)];
      for (const g of groups) {
        if (!g.length) continue;
        const x = g.reduce((t, i) => t + s.x(p.axles[i].at), 0) / g.length;
        const load = g.reduce((t, i) => t + state.axles[i], 0);
        const rating = g.reduce((t, i) => t + p.axles[i].rating, 0);
        const verdict = g
          .map((i) => over(`axle-${i + 1}`))
          .reduce((a, b) => (a === 'stop' || b === 'stop' ? 'stop' : a === 'tight' || b === 'tight' ? 'tight' : 'fed'));
        loads.push({ id: `axle-${g[0]}`, x, lines: [`${g.length > 1 ? 'axles' : 'axle'} ${mass(load)}`, `of ${mass(rating)}`], verdict });
      }
    }
    // Under the ground, each below what carries it; one that would run into the next moves aside.
    const places = placeLabels(
      loads.map((l) => ({ ...l, y: ground, ways: ['below'], size: 16 })),
      [],
      { x0: 8, y0: ground, x1: WIDE - 8, y1: ground + GROUND_ROOM },
    );
    const c = state && { x: s.x(state.centre.x), y: ground - state.centre.z * s.k };
    return {
      top,
      ground: `M6 ${ground}H${WIDE - 6}`,
      bed: { x: s.x(0), y: deck, width: p.length * s.k, height: 5 },
      body: p.headroom === undefined ? undefined : { x: s.x(0), y: deck - p.headroom * s.k, width: p.length * s.k, height: p.headroom * s.k },
      // What drives by itself has its cab before the deck.
      cab: drives
        ? `M${s.x(-0.08)} ${deck + 5}V${ground - 2.05 * s.k}H${s.x(-0.75)}L${s.x(-1.2)} ${ground - 1.25 * s.k}L${s.x(nose)} ${ground - 1.1 * s.k}V${ground - 0.45 * s.k}H${s.x(-0.08)}`
        : '',
      tongue: p.coupling ? `M${s.x(0)} ${deck + 3}L${s.x(-p.coupling.ahead)} ${deck + 8}v10` : '',
      things: sideOf(rig, this.plan(), s, this.levels(), ground),
      wheels: p.axles.map((a) => ({ x: s.x(a.at), y: ground - r, r })),
      centre: c && { ...c, mark: `M${c.x - 9} ${c.y}h18M${c.x} ${c.y - 9}v18` },
      loads: loads.map((l) => ({ ...l, place: places.get(l.id) })),
      words: spell(`from the ‹curb›${state ? ` · cross: ‹center› of the whole, ${formatTape(state.centre.z, this.store.units())} above the ground` : ''}`),
    };
  }

  protected words(t: DrawnThing): string {
    const at = spell(`${formatTape(t.box.x0, this.store.units())} from the front, ${formatTape(t.box.y0, this.store.units())} from the ‹curb› side`);
    return `${t.name}, ${at}${t.verdict === 'fed' ? '' : `: ${SEVERITY_WORDS.fit[t.verdict].toLowerCase()}`}`;
  }

  /** From the screen to drawn units, as the drawing lies now. */
  private onScreen(): DOMMatrix | undefined {
    return this.svg()?.nativeElement.getScreenCTM()?.inverse();
  }

  /** Metres on the deck under a pointer. */
  private under(event: PointerEvent, matrix: DOMMatrix): { readonly x: number; readonly y: number } {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    const s = scaleOf(this.rig(), this.show());
    return { x: (at.x - s.x(0)) / s.k, y: -at.y / s.k };
  }

  protected grip(event: PointerEvent, t: DrawnThing): void {
    this.choose.emit(t.id);
    const matrix = this.onScreen();
    if (!matrix || t.pinned) return;
    const at = this.under(event, matrix);
    (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
    this.held = {
      id: t.id,
      name: t.name,
      x: at.x - t.box.x0,
      y: at.y - t.box.y0,
      pointer: event.pointerId,
      matrix,
      key: `place.${t.id}.${++this.grips}`,
      moved: false,
    };
  }

  protected drag(event: PointerEvent): void {
    const { held } = this;
    // What is told meanwhile may move the drawing on the page: the hand is followed as it lay when it was gripped.
    const at = held && this.under(event, held.matrix);
    const own = held && standingOn(this.rig()).find((t) => t.id === held.id)?.box;
    if (!held || !at || !own || event.pointerId !== held.pointer) return;
    const [dx, dy] = [at.x - held.x - own.x0, at.y - held.y - own.y0];
    if (!held.moved && Math.hypot(dx, dy) < 0.02) return;
    held.moved = true;
    const moved = { ...own, x0: own.x0 + dx, x1: own.x1 + dx, y0: own.y0 + dy, y1: own.y1 + dy };
    const others = standingOn(this.rig()).flatMap((t) => (t.box && t.id !== held.id && t.place?.on !== held.id ? [t.box] : []));
    const cling = event.altKey ? { dx: 0, dy: 0 } : snapped(moved, others, this.rig().platform!, CLING_M);
    const [ex, ey] = [dx + cling.dx, dy + cling.dy];
    if (Math.abs(ex) < 1e-5 && Math.abs(ey) < 1e-5) return;
    this.store.edit(`Move ${held.name}`, (d) => moveThing(d, held.id, ex, ey), held.key, true);
  }

  protected drop(event: PointerEvent): void {
    if (this.held?.pointer !== event.pointerId) return;
    const { moved, name, key } = this.held;
    this.held = undefined;
    // Hoses that follow the deck are cut anew once the thing stands.
    if (moved) this.store.edit(`Move ${name}`, layHoses, key, true);
  }

  protected key(event: KeyboardEvent, t: DrawnThing): void {
    const by = (event.shiftKey ? 6 : 1) * STEP_M;
    const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[event.key];
    if (way && !t.pinned) {
      event.preventDefault();
      this.choose.emit(t.id);
      this.store.edit(
        `Move ${t.name}`,
        (d) => {
          moveThing(d, t.id, way[0], way[1]);
          layHoses(d);
        },
        `place.${t.id}`,
      );
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.choose.emit(t.id);
    }
  }
}
