import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type Cell, cellsOf, type FoldedWaterway, ROOMY, type Row, shownOf } from './folded';
import { SpellPipe } from '../../kit/spell.pipe';

/** Room for the rows, px, and the bounds of one. */
const ROOM = 138;
const LEAST = 23;
const MOST = 32;

/** Where the open station stands: its name, and the thing that it speaks of. */
export interface Here {
  readonly station: string;
  readonly of: string | undefined;
}

/** The waterway in a line a machine or mix, with the tightest and the open station's stretch always in view. */
@Component({
  selector: 'pz-folded-waterway',
  imports: [SpellPipe, NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './folded.html',
  styleUrl: './folded.scss',
})
export class FoldedWaterwayView {
  readonly f = input.required<FoldedWaterway>();
  readonly here = input.required<Here>();
  readonly href = input.required<(c: Cell) => string>();
  readonly picked = output<Cell>();
  protected readonly roomy = ROOMY;

  /** As many rows as there is room for; one place is kept for the words that tell of more. */
  private readonly most = Math.floor(ROOM / LEAST);
  private fit<T>(list: readonly T[], cells: (x: T) => readonly Cell[]): readonly T[] {
    return list.length <= this.most ? list : shownOf(list, this.most - 1, cells, (x) => cells(x).some((c) => this.isHere(c)));
  }
  protected readonly sources = computed(() => this.fit(this.f().sources, (c) => [c]));
  protected readonly tanks = computed(() => this.fit(this.f().tanks, (c) => [c]));
  protected readonly rows = computed(() => this.fit(this.f().rows, cellsOf));
  protected readonly rowHeight = computed(() =>
    Math.min(MOST, Math.floor(ROOM / Math.max(this.rows().length + (this.f().rows.length > this.rows().length ? 1 : 0), 1))),
  );

  protected isHere(c: Cell): boolean {
    const { station, of } = this.here();
    return c.station === station && (of === undefined || of === c.subjectId);
  }
  private rowHere(r: Row): boolean {
    return cellsOf(r).some((c) => this.isHere(c));
  }
  /** The row that the open station speaks of. */
  protected readonly focus = computed(() => this.rows().find((r) => this.rowHere(r))?.key);
  /** What is shown where there is room for one line: what shouts, else what the station speaks of. */
  protected readonly main = computed(() => {
    const all = [...this.sources(), ...this.tanks()];
    const loud = all.find((c) => c.loud)?.key ?? this.rows().find((r) => cellsOf(r).some((c) => c.loud))?.key;
    return loud ?? all.find((c) => this.isHere(c))?.key ?? this.focus() ?? this.rows()[0]?.key ?? all[0]?.key;
  });

  protected go(event: Event, c: Cell): void {
    if (event instanceof MouseEvent && (event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    this.picked.emit(c);
  }
}
