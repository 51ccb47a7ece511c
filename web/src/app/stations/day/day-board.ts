import { Component, computed, type ElementRef, inject, input, output, signal, viewChild } from '@angular/core';
import { MatSliderModule } from '@angular/material/slider';
import type { DayResult } from '@pozzo/core';
import { RigStore } from '../../state/rig-store';
import { type BoardBlock, layoutBoard, placeAt, timeAt } from './board-layout';
import { clockWords } from '../../kit/clock';

/** A phase on the board, by its places. */
export interface BoardPlace {
  readonly job: number;
  readonly phase: number;
}

/** What was done to a phase on the board. */
export type BoardChange = BoardPlace &
  (
    | { readonly does: 'move'; readonly by: number }
    | { readonly does: 'pass'; readonly by: number }
    | { readonly does: 'stretch'; readonly bySeconds: number }
    | { readonly does: 'remove' }
  );

const ROW = 30;
/** Steps of the scrub along the board. */
const SCRUB = 1000;

/**
 * The day as a board: hands and machines down, time across. Blocks are picked, moved (drag, or Alt with arrows), given to
 * another hand (drag, or Alt with up and down), made longer (drag the right edge, or plus and minus) and taken off (Delete).
 */
@Component({
  selector: 'pz-day-board',
  imports: [MatSliderModule],
  template: `
    <div class="frame">
      <div class="names" aria-hidden="true" [style.padding-top.px]="24">
        @for (r of board().rows; track $index) {
          <div class="rowname" [class.machine]="r.machine">{{ r.label }}</div>
        }
      </div>
      <div class="scroll">
        <div
          #field
          class="field"
          role="group"
          aria-label="Phases of the day"
          [style.min-width.px]="board().width"
          [style.height.px]="24 + board().rows.length * 30"
        >
          @for (j of board().jobs; track $index) {
            <div class="job" aria-hidden="true" [style.left.%]="100 * j.left" [style.width.%]="100 * j.width">{{ j.name }}</div>
          }
          @for (t of board().ticks; track t.text) {
            <div class="tick" aria-hidden="true" [style.left.%]="100 * t.left"></div>
          }
          @for (b of board().bars; track $index) {
            <div
              class="bar"
              aria-hidden="true"
              [class.chem]="b.chem"
              [style.left.%]="100 * b.left"
              [style.width.%]="100 * b.width"
              [style.top.px]="24 + b.row * 30 + 9"
            ></div>
          }
          @for (b of board().blocks; track b.key) {
            <button
              type="button"
              class="block"
              [class]="b.paint"
              [class.on]="b.key === chosen()"
              [class.undone]="b.undone"
              [class.held]="drag()?.key === b.key"
              [style.left.%]="100 * b.left"
              [style.width.%]="100 * b.width"
              [style.top.px]="24 + b.row * 30 + 2"
              [style.height.px]="b.rows * 30 - 4"
              [style.transform]="drag()?.key === b.key && !drag()!.edge ? 'translate(' + drag()!.dx + 'px,' + drag()!.dy + 'px)' : null"
              [style.padding-right.px]="drag()?.key === b.key && drag()!.edge ? drag()!.dx : null"
              [attr.aria-pressed]="b.key === chosen()"
              [attr.aria-label]="b.spoken"
              [attr.data-block]="b.key"
              [title]="b.spoken"
              (click)="pick.emit(b)"
              (keydown)="key($event, b)"
              (pointerdown)="grab($event, b, false)"
            >
              @if (b.narrow) {
                <span class="icon" aria-hidden="true">{{ b.icon }}</span>
              } @else {
                <span class="words">{{ b.label }}</span>
              }
              @if (b.waited > 0) {
                <span class="waited" [style.width.%]="100 * b.waited"></span>
              }
              <span class="edge" (pointerdown)="grab($event, b, true)"></span>
            </button>
          }
          @if (minute() !== null) {
            <div class="now" aria-hidden="true" [style.left.%]="100 * nowAt()"></div>
          }
        </div>
        <div class="axis" aria-hidden="true" [style.min-width.px]="board().width">
          @for (t of board().ticks; track t.text) {
            <span [style.left.%]="100 * t.left">{{ t.text }}</span>
          }
        </div>
        <mat-slider class="scrub" min="0" step="1" [max]="scrubs" [style.min-width.px]="board().width">
          <input
            matSliderThumb
            aria-label="Minute of the day"
            [value]="scrubs * nowAt()"
            [attr.aria-valuetext]="clock(minute() ?? 0)"
            (input)="slide($event)"
          />
        </mat-slider>
      </div>
    </div>
  `,
  styleUrl: './day-board.scss',
})
export class DayBoard {
  private readonly rig = inject(RigStore);
  readonly day = input.required<DayResult>();
  readonly chosen = input<string>();
  readonly minute = input<number | null>(null);
  readonly pick = output<BoardPlace>();
  readonly edited = output<BoardChange>();
  readonly look = output<number>();
  private readonly field = viewChild.required<ElementRef<HTMLElement>>('field');
  protected readonly board = computed(() => layoutBoard(this.day(), this.rig.document()!, this.rig.units()));
  protected readonly scrubs = SCRUB;
  protected readonly nowAt = computed(() => placeAt(this.board().axis, this.minute() ?? 0));
  protected readonly drag = signal<{ readonly key: string; readonly edge: boolean; readonly dx: number; readonly dy: number } | null>(null);

  protected clock(seconds: number): string {
    return clockWords(this.day().startsS + seconds);
  }
  protected slide(event: Event): void {
    const share = Number((event.target as HTMLInputElement).value) / SCRUB;
    this.look.emit(Math.round(timeAt(this.board().axis, share)));
  }

  protected key(event: KeyboardEvent, b: BoardBlock): void {
    const change = this.changeOf(event, b);
    if (!change) return;
    event.preventDefault();
    this.edited.emit(change);
  }
  private changeOf(event: KeyboardEvent, { job, phase }: BoardBlock): BoardChange | undefined {
    const by = event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : -1;
    if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) return { does: 'move', job, phase, by };
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) return { does: 'pass', job, phase, by };
    if (event.key === '+' || event.key === '=') return { does: 'stretch', job, phase, bySeconds: 300 };
    if (event.key === '-') return { does: 'stretch', job, phase, bySeconds: -300 };
    if (event.key === 'Delete') return { does: 'remove', job, phase };
    if (!event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      const blocks = this.board().blocks;
      const next = blocks[blocks.findIndex((x) => x.job === job && x.phase === phase) + by];
      if (next) this.field().nativeElement.querySelector<HTMLElement>(`[data-block="${next.key}"]`)?.focus();
      event.preventDefault();
    }
    return undefined;
  }

  /** Drags a block, or its right edge: told as a change when let go. */
  protected grab(event: PointerEvent, b: BoardBlock, edge: boolean): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    const field = this.field().nativeElement;
    const target = event.currentTarget as HTMLElement;
    target.setPointerCapture(event.pointerId);
    // Measured on the board, which the page may move meanwhile.
    const on = (e: PointerEvent): { x: number; y: number } => {
      const box = field.getBoundingClientRect();
      return { x: e.clientX - box.left, y: e.clientY - box.top };
    };
    const from = on(event);
    const gone = (e: PointerEvent): { dx: number; dy: number } => ({ dx: on(e).x - from.x, dy: on(e).y - from.y });
    const move = (e: PointerEvent): void => this.drag.set({ key: b.key, edge, ...gone(e) });
    const end = (e: PointerEvent): void => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', end);
      target.removeEventListener('pointercancel', end);
      this.drag.set(null);
      if (e.type === 'pointercancel') return;
      const { dx, dy } = gone(e);
      // The day may have been worked anew meanwhile: the block is taken as it stands now.
      const now = this.board().blocks.find((x) => x.key === b.key);
      if (now) this.letGo(now, edge, dx / field.clientWidth, Math.round(dy / ROW));
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', end);
    target.addEventListener('pointercancel', end);
  }

  /** @param by how far it was dragged, share of the board's width */
  private letGo(b: BoardBlock, edge: boolean, by: number, rows: number): void {
    const { job, phase } = b;
    const { axis, blocks } = this.board();
    if (edge) {
      const end = b.left + b.width;
      // Beyond its own end a block grows at the pace it is drawn in.
      const pace = (timeAt(axis, end) - timeAt(axis, b.left)) / Math.max(b.width, 1e-6);
      if (Math.abs(by * pace) >= 30) this.edited.emit({ does: 'stretch', job, phase, bySeconds: by * pace });
      return;
    }
    if (rows !== 0) this.edited.emit({ does: 'pass', job, phase, by: rows });
    const middle = b.left + b.width / 2 + by;
    const before = blocks.filter((x) => x.job === job && x.key !== b.key && x.left + x.width / 2 < middle).length;
    if (Math.abs(by) > 0.01 && before !== phase) this.edited.emit({ does: 'move', job, phase, by: before - phase });
  }
}
