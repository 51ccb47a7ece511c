import { CdkDrag, type CdkDragDrop, CdkDragHandle, CdkDropList } from '@angular/cdk/drag-drop';
import { Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { type PartDocument, partName, type PartShare, shownIn } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { PartFields } from './part-fields';

/** A line as an ordered list of parts, each with its share of the loss. Drag, or move with Alt and the arrows. */
@Component({
  selector: 'pz-line-editor',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, MatButtonModule, MatCheckboxModule, PartFields],
  template: `
    @if (line(); as l) {
      @if (heading()) {
        <h3>{{ heading() }}</h3>
      }
      <ol cdkDropList (cdkDropListDropped)="dropped($event)">
        @for (p of l.parts; track p.id; let i = $index) {
          <li cdkDrag [class.open]="opened() === p.id">
            <div class="row">
              <span class="icon grip" cdkDragHandle aria-hidden="true">drag_indicator</span>
              <button
                type="button"
                class="name"
                [attr.aria-expanded]="opened() === p.id"
                [attr.aria-label]="rowLabel(p, i)"
                (click)="toggle(p.id)"
                (keydown)="key($event, i)"
              >
                {{ title(p) }}
              </button>
              <span class="share">{{ percent(p.id) }}</span>
            </div>
            <div class="track" aria-hidden="true"><span [style.width.%]="100 * share(p.id)" [class.hot]="troubled() && hottest() === p.id"></span></div>
            @if (opened() === p.id) {
              <pz-part-fields [part]="p" [path]="'lines.' + index() + '.parts.' + i" />
              <div class="acts">
                <button type="button" mat-stroked-button class="small" (click)="move(i, -1)" [disabled]="i === 0">Up</button>
                <button type="button" mat-stroked-button class="small" (click)="move(i, 1)" [disabled]="i === l.parts.length - 1">Down</button>
                <button type="button" mat-stroked-button class="small" (click)="duplicate(i)">Duplicate</button>
                <button type="button" mat-stroked-button class="small" (click)="remove(i)">Remove</button>
              </div>
            }
          </li>
        } @empty {
          <li class="quiet none">No parts yet: loss counted as zero.</li>
        }
      </ol>
      <div class="foot">
        <button type="button" mat-stroked-button class="small" (click)="add()">Add a part</button>
        <mat-checkbox class="shut" [checked]="!!l.closed" (change)="shut()">Valve closed</mat-checkbox>
      </div>
    }
  `,
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      background: var(--ground);
      border-bottom: 1px solid var(--line);
      padding: 3px 0 4px;
    }
    .row {
      display: flex;
      align-items: center;
      gap: 6px;
      min-height: 30px;
    }
    .grip {
      cursor: grab;
      color: var(--ink-quiet);
      font-size: 18px;
      touch-action: none;
    }
    .name {
      flex: 1;
      text-align: left;
      border: 0;
      background: none;
      padding: 3px 2px;
      cursor: pointer;
      border-radius: 3px;
      line-height: 1.25;
      min-width: 0;
    }
    .name:hover {
      background: var(--water-pale);
    }
    .open .name {
      font-weight: 600;
    }
    .share {
      color: var(--ink-quiet);
      min-width: 40px;
      text-align: right;
    }
    .track {
      margin: 0 0 2px 24px;
      height: 4px;
      background: var(--track);
      border-radius: 2px;
    }
    .track span {
      display: block;
      height: 4px;
      min-width: 3px;
      background: var(--water);
      border-radius: 2px;
    }
    .track .hot {
      background: var(--attention);
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      padding: 6px 0 6px 24px;
    }
    .foot {
      display: flex;
      justify-content: space-between;
      align-items: center;
      margin: 8px 0 4px;
    }
    .shut {
      display: inline-flex;
      gap: 6px;
      align-items: center;
      min-height: 32px;
    }
    .none {
      padding: 8px 0;
    }
    .cdk-drag-preview {
      box-shadow: 0 2px 10px #0004;
      background: var(--card);
      padding: 3px 6px;
      list-style: none;
      font: 400 15px/1.4 var(--face);
    }
    .cdk-drag-placeholder {
      opacity: 0.3;
    }
  `,
})
export class LineEditor {
  private readonly rig = inject(RigStore);
  private readonly dialog = inject(MatDialog);
  readonly lineId = input.required<string>();
  readonly shares = input<readonly PartShare[]>([]);
  readonly heading = input('');
  /** The line is the trouble: its costliest part is shown as such. */
  readonly troubled = input(false);
  protected readonly opened = signal<string | null>(null);
  protected readonly index = computed(() => this.rig.document()?.lines.findIndex((l) => l.id === this.lineId()) ?? -1);
  protected readonly line = computed(() => this.rig.document()?.lines[this.index()]);
  protected readonly hottest = computed(
    () =>
      this.shares()
        .filter((s) => s.lineId === this.lineId())
        .reduce<PartShare | undefined>((a, b) => (!a || b.lossM > a.lossM ? b : a), undefined)?.partId,
  );

  protected share(partId: string): number {
    return this.shares().find((s) => s.lineId === this.lineId() && s.partId === partId)?.share ?? 0;
  }
  protected percent(partId: string): string {
    if (!this.shares().length) return '';
    const share = this.share(partId);
    return share > 0 && share < 0.005 ? '< 1%' : `${Math.round(100 * share)}%`;
  }
  /** The part as a builder says it: count before, length after. */
  protected title(p: PartDocument): string {
    if (p.kind === 'hose') return `${partName(p, this.rig.units())}, ${shownIn(p.length, 'length', this.rig.units()).text}`;
    const name = partName(p, this.rig.units());
    return p.kind === 'fitting' && p.count !== '1' ? `${p.count} × ${name}` : name;
  }
  protected rowLabel(p: PartDocument, i: number): string {
    return `${i + 1}: ${this.title(p)}, ${this.percent(p.id) || 'no'} share of the loss. Alt with the arrows moves it.`;
  }
  protected toggle(id: string): void {
    this.opened.set(this.opened() === id ? null : id);
  }

  protected key(event: KeyboardEvent, i: number): void {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      this.move(i, event.key === 'ArrowUp' ? -1 : 1);
    } else if (event.key === 'Delete') {
      event.preventDefault();
      this.remove(i);
    } else if (event.key === 'Escape') this.opened.set(null);
  }

  private change(label: string, recipe: (parts: PartDocument[]) => void): void {
    this.rig.edit(label, (d) => recipe(d.lines[this.index()].parts));
  }
  protected dropped(event: CdkDragDrop<unknown>): void {
    if (event.previousIndex !== event.currentIndex)
      this.change('Move a part', (parts) => parts.splice(event.currentIndex, 0, ...parts.splice(event.previousIndex, 1)));
  }
  protected move(i: number, by: number): void {
    const to = i + by;
    if (to < 0 || to >= this.line()!.parts.length) return;
    this.change('Move a part', (parts) => parts.splice(to, 0, ...parts.splice(i, 1)));
    // The row moves under the reader's hand: keep the keyboard on it.
    setTimeout(() => document.querySelectorAll<HTMLElement>('pz-line-editor .name')[to]?.focus());
  }
  protected duplicate(i: number): void {
    this.change('Duplicate a part', (parts) => parts.splice(i + 1, 0, { ...parts[i], id: unusedPartId(parts) }));
  }
  protected remove(i: number): void {
    this.opened.set(null);
    this.change(`Remove ${partName(this.line()!.parts[i], this.rig.units())}`, (parts) => parts.splice(i, 1));
  }
  protected shut(): void {
    this.rig.edit('Isolating valve', (d) => {
      const line = d.lines[this.index()];
      if (line.closed) delete line.closed;
      else line.closed = true;
    });
  }
  protected async add(): Promise<void> {
    const { CatalogueDialog } = await import('./catalogue-dialog');
    this.dialog
      .open(CatalogueDialog, { width: '520px', maxHeight: '80vh', autoFocus: 'dialog' })
      .afterClosed()
      .subscribe((part?: PartDocument) => {
        if (part) this.change(`Add ${partName(part, this.rig.units())}`, (parts) => void parts.push({ ...part, id: unusedPartId(parts) }));
      });
  }
}

/** An id that no part of the list has. */
export function unusedPartId(parts: readonly { id: string }[]): string {
  for (let i = parts.length + 1; ; i++) if (!parts.some((p) => p.id === `p${i}`)) return `p${i}`;
}
