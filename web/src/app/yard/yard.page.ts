import { ScrollingModule } from '@angular/cdk/scrolling';
import { Component, computed, inject, type OnDestroy, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatDialog } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { formatQuantity, say } from '@pozzo/core/page';
import { Store } from '@ngrx/store';
import { VerdictMark } from '../kit/verdict';
import { BuildsActions, buildsFeature, type BuildSummary } from '../state/builds.feature';
import { settingsFeature } from '../state/settings.feature';
import { BackupTrouble } from './backup-trouble';
import { KeptPanel } from './kept-panel';
import { RigFiles } from './rig-files';
import type { RigFile } from './picked-file';
import { SpellPipe } from '../kit/spell.pipe';
import { when } from '../kit/when';

/** Height of a row, px; on a narrow screen its sentence takes lines of its own. */
const ROW = 82;
const NARROW_ROW = 150;

/** The yard: every build with its verdict, a page at a time from the server. */
@Component({
  selector: 'pz-yard',
  imports: [SpellPipe, BackupTrouble, KeptPanel, MatButtonModule, MatFormFieldModule, MatInputModule, MatMenuModule, RouterLink, ScrollingModule, VerdictMark],
  templateUrl: './yard.page.html',
  styleUrl: './yard.page.scss',
})
export class YardPage implements OnDestroy {
  private readonly store = inject(Store);
  private readonly dialog = inject(MatDialog);
  private readonly rigFiles = inject(RigFiles);
  private readonly units = this.store.selectSignal(settingsFeature.selectUnits);
  protected readonly load = this.store.selectSignal(buildsFeature.selectLoad);
  protected readonly error = this.store.selectSignal(buildsFeature.selectError);
  protected readonly found = this.store.selectSignal(buildsFeature.selectFind);
  protected readonly many = this.store.selectSignal(buildsFeature.selectAll);
  private readonly fetched = this.store.selectSignal(buildsFeature.selectRows);
  /** With their place, since a row that is not fetched has nothing else to be told by. */
  protected readonly rows = computed(() => this.fetched().map((b, place) => ({ place, b })));
  protected readonly rowHeight = typeof matchMedia === 'function' && matchMedia('(max-width: 860px)').matches ? NARROW_ROW : ROW;

  constructor() {
    this.store.dispatch(BuildsActions.find({ find: '' }));
    this.reload();
  }

  ngOnDestroy(): void {
    this.store.dispatch(BuildsActions.leave());
  }

  protected readonly byPlace = (_i: number, row: { readonly place: number; readonly b: BuildSummary | null }): string => row.b?.id ?? `row-${row.place}`;
  protected onScreen(from: number): void {
    const height = typeof window === 'undefined' ? 800 : window.innerHeight;
    this.store.dispatch(BuildsActions.show({ from, to: from + Math.ceil(height / this.rowHeight) + 8 }));
  }
  protected look(words: string): void {
    this.store.dispatch(BuildsActions.find({ find: words.trim() }));
  }

  /** Chance of a short day in words, and whether it is more than the customer allows; null until it is known. */
  protected chance(b: BuildSummary): { readonly words: string; readonly over: boolean } | null {
    const c = b.judged?.chance;
    if (!c) return b.judged?.sampled ? { words: 'days not checked', over: false } : null;
    const share = formatQuantity(c.short.chance, 'ratio', this.units(), { digits: 2 });
    return { words: c.short.chance === 0 ? `0 of ${c.short.days} days short` : `${share} short days`, over: c.short.chance > c.tolerance };
  }
  /** The judgement of a build; none while it would be calm before its days are known. */
  protected known(b: BuildSummary): BuildSummary['judged'] {
    return b.judged && (b.judged.sampled || b.judged.verdict !== 'fed') ? b.judged : null;
  }
  protected reload(): void {
    this.store.dispatch(BuildsActions.load());
  }
  protected headline(b: BuildSummary): string {
    if (b.damaged) return 'This build’s record is damaged. Restore an earlier version from History.';
    return b.judged ? say(b.judged.headline, this.units()) : 'Being judged…';
  }
  protected contents(b: BuildSummary): string {
    const n = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
    return `${n(b.machines, 'machine')}, ${n(b.tanks, 'tank')}`;
  }
  /** Heaviest on the road, against what it may weigh; empty while that is not judged. */
  protected weight(b: BuildSummary): { readonly words: string; readonly over: boolean } | undefined {
    const w = b.judged?.weight;
    if (!w) return undefined;
    const q = (kg: number): string => formatQuantity(kg, 'mass', this.units(), { digits: 4 });
    return { words: `${q(w.heaviestKg)} of ${q(w.ratingKg)}`, over: w.heaviestKg > w.ratingKg * 1.0005 };
  }
  protected day(b: BuildSummary): string {
    return when(b.updatedAt, 'day');
  }

  /** Files that could not be read, until they are closed. */
  protected readonly refused = signal<readonly Extract<RigFile, { ok: false }>[]>([]);
  /** Files of several that became builds, until told no more. */
  protected readonly taken = signal<readonly { readonly file: string; readonly build: string }[]>([]);
  protected readonly hovering = signal(false);
  protected over(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.hovering.set(true);
  }
  protected drop(event: DragEvent): void {
    this.hovering.set(false);
    const files = [...(event.dataTransfer?.files ?? [])];
    if (!files.length) return;
    event.preventDefault();
    void this.takeIn(files);
  }
  protected pick(box: HTMLInputElement): void {
    const files = [...(box.files ?? [])];
    // The same file may be picked again once it is mended.
    box.value = '';
    void this.takeIn(files);
  }
  /** Each sound file becomes a build of its own; a single one is opened. */
  async takeIn(files: readonly Pick<File, 'name' | 'size' | 'text'>[]): Promise<void> {
    this.refused.set([]);
    this.taken.set([]);
    for (const file of files) {
      const read = await this.rigFiles.read(file);
      if (read.ok) {
        this.store.dispatch(BuildsActions.add({ document: read.document, open: files.length === 1 }));
        if (files.length > 1) this.taken.update((list) => [...list, { file: file.name, build: read.document.name }]);
      } else this.refused.update((list) => [...list, read]);
    }
  }
  protected forget(file: RigFile): void {
    this.refused.update((list) => list.filter((r) => r !== file));
  }
  protected async rename(b: BuildSummary): Promise<void> {
    const { RenameDialog } = await import('./rename-dialog');
    this.dialog
      .open(RenameDialog, { data: { name: b.name, customer: b.customer }, width: '420px', autoFocus: 'dialog' })
      .afterClosed()
      .subscribe((names?: { name: string; customer: string }) => {
        if (names) this.store.dispatch(BuildsActions.rename({ id: b.id, ...names }));
      });
  }
  protected duplicate(b: BuildSummary): void {
    this.store.dispatch(BuildsActions.duplicate({ id: b.id }));
  }
  protected remove(b: BuildSummary): void {
    this.store.dispatch(BuildsActions.remove({ id: b.id, name: b.name }));
  }
}
