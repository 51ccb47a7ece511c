import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { differences, differenceWords, type Documents, type KindName, type Revisions } from '@pozzo/core';
import { KINDS } from '@pozzo/core/page';
import { Api, asApiError } from '../state/api';
import { SHOWN, shownOf } from '../state/kinds';
import { newId } from '../state/new-id';
import { useWhose } from '../state/settings.feature';
import { when } from '../kit/when';

type Revision = Revisions['revisions'][number];
type Deed = Revisions['deeds'][number];
interface HistoryLine {
  readonly key: string;
  readonly at: string;
  readonly deed?: Deed;
  readonly revision?: Revision;
}
/** A document of any kind. */
type AnyDocument = Documents[KindName];
/** Differences told of one version at most. */
const MOST_TOLD = 60;

/** The versions of a record that are kept: when, by whom, what changed, how each differs from today's, and the way back. */
@Component({
  selector: 'pz-history',
  imports: [MatButtonModule, RouterLink],
  template: `
    <main class="page">
      <h1>History{{ name() ? ' of ' + name() : '' }}</h1>
      <p class="quiet">Today: every save. Before that: one a day, then one a week. Restoring a version makes it the newest; nothing is lost.</p>
      @if (error(); as e) {
        <p class="bad" role="alert">{{ e }}</p>
      }
      <ol>
        @for (line of lines(); track line.key) {
          @if (line.deed; as d) {
            <li class="line">
              <strong class="when">{{ when(d.at) }}</strong>
              <span class="words">
                <span>{{ deedWords[d.what] }}</span>
                @if (d.by) {
                  <span class="quiet">by {{ d.by }}</span>
                }
              </span>
            </li>
          } @else if (line.revision; as r) {
            <li [class.on]="looked()?.version === r.version">
              <div class="line">
                <strong class="when">{{ when(r.savedAt) }}</strong>
                <span class="words">
                  @for (c of r.changed; track $index) {
                    <span>{{ c }}</span>
                  }
                  @if (r.more) {
                    <span class="quiet">and {{ r.more }} more</span>
                  }
                  @if (r.by) {
                    <span class="quiet">by {{ r.by }}</span>
                  }
                </span>
                @if (r.version === newest()) {
                  <span class="quiet now">Current</span>
                } @else {
                  <button mat-stroked-button type="button" [attr.aria-label]="'Compare version ' + r.version" (click)="look(r)">Compare</button>
                  <button mat-stroked-button type="button" [disabled]="busy()" [attr.aria-label]="'Restore version ' + r.version" (click)="takeBack(r)">
                    Restore
                  </button>
                }
              </div>
              @if (looked(); as l) {
                @if (l.version === r.version) {
                  <div class="looked" role="region" [attr.aria-label]="'Version ' + r.version">
                    @if (l.told.length) {
                      <p>From this version to today:</p>
                      <ul>
                        @for (t of l.told; track $index) {
                          <li>{{ t }}</li>
                        }
                      </ul>
                      @if (l.more) {
                        <p class="quiet">And {{ l.more }} more.</p>
                      }
                    } @else {
                      <p>{{ l.current ? 'Same as current.' : 'Today’s version cannot be read; this one can.' }}</p>
                    }
                    @if (isMany()) {
                      <button mat-stroked-button type="button" [disabled]="busy()" (click)="keepAsNew(l.document)">Save as new {{ word() }}</button>
                    }
                  </div>
                }
              }
            </li>
          }
        }
      </ol>
      @if (list().length < total()) {
        <p><button mat-stroked-button type="button" (click)="load(list().at(-1)?.version)">Show older</button></p>
      }
      <p>
        <a mat-flat-button [routerLink]="route()">Back to the {{ word() }}</a> <a mat-button routerLink="/">To the yard</a>
      </p>
    </main>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 12px 0;
      padding: 0;
    }
    ol > li {
      border-bottom: 1px solid var(--line);
      padding: 6px 0;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      align-items: center;
      min-height: 36px;
    }
    .when {
      flex: 0 0 150px;
    }
    .words {
      flex: 1 1 300px;
      display: flex;
      flex-wrap: wrap;
      gap: 2px 14px;
    }
    .looked {
      padding: 4px 12px 10px;
      background: var(--water-pale);
      border-left: 3px solid var(--water);
      margin: 6px 0;
    }
    .looked ul {
      margin: 4px 0 10px;
      padding-left: 20px;
    }
  `,
})
export class HistoryPage {
  readonly kind = input<KindName>('build');
  readonly id = input<string>('');
  /** The record asked for; of a kind that has one only, that one. */
  private readonly which = computed(() => KINDS[this.kind()].only ?? this.id());
  protected readonly word = computed(() => SHOWN[this.kind()].word);
  protected readonly isMany = computed(() => KINDS[this.kind()].only === undefined);
  protected readonly route = computed(() => SHOWN[this.kind()].route(this.id()));
  private readonly whose = useWhose();
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly list = signal<readonly Revision[]>([]);
  private readonly deeds = signal<readonly Deed[]>([]);
  protected readonly deedWords: Readonly<Record<Deed['what'], string>> = { deleted: 'Deleted.', restored: 'Brought back.' };
  /** Versions, and what else was done since the oldest of them that is shown, the last first. */
  protected readonly lines = computed((): readonly HistoryLine[] => {
    const list = this.list();
    const oldest = list.length < this.total() ? (list.at(-1)?.savedAt ?? '') : '';
    const deeds = this.deeds().filter((d) => d.at >= oldest);
    return [
      ...deeds.map((deed) => ({ key: `${deed.what} ${deed.at}`, at: deed.at, deed })),
      ...list.map((revision) => ({ key: `${revision.version}`, at: revision.savedAt, revision })),
    ].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
  });
  protected readonly total = signal(0);
  protected readonly error = signal('');
  protected readonly busy = signal(false);
  protected readonly newest = computed(() => this.list()[0]?.version ?? 0);
  protected readonly name = signal('');
  protected readonly looked = signal<{
    readonly version: number;
    readonly document: AnyDocument;
    readonly current: boolean;
    readonly told: readonly string[];
    readonly more: number;
  } | null>(null);

  constructor() {
    effect(() => {
      this.which();
      this.looked.set(null);
      this.list.set([]);
      untracked(() => void this.load());
    });
  }

  protected when(at: string): string {
    return when(at, 'to the second');
  }
  protected load(before?: number): Promise<void> {
    return this.trying(async () => {
      const found = await this.api.revisions(this.kind(), this.which(), before);
      this.list.update((l) => (before === undefined ? found.revisions : [...l, ...found.revisions]));
      this.total.set(found.total);
      this.deeds.set(found.deeds);
      if (before === undefined) this.name.set(await this.nameToday());
    });
  }
  /** Today's document; undefined where it is damaged or deleted. */
  private today(): Promise<AnyDocument | undefined> {
    return this.api.get(this.kind(), this.which()).then(
      (b) => b.document,
      () => undefined,
    );
  }
  private async nameToday(): Promise<string> {
    const document = await this.today();
    return document ? shownOf(this.kind()).nameOf(document) : '';
  }
  protected look(r: Revision): Promise<void> {
    return this.trying(async () => {
      if (this.looked()?.version === r.version) return this.looked.set(null);
      const [then, now] = await Promise.all([this.api.revision(this.kind(), this.which(), r.version), this.today()]);
      const all = now ? differences(then.document, now) : [];
      this.looked.set({
        version: r.version,
        document: then.document,
        current: !!now,
        told: all.slice(0, MOST_TOLD).map(differenceWords),
        more: Math.max(0, all.length - MOST_TOLD),
      });
    });
  }
  /** Saves the old document over the newest version, whatever that is. */
  protected takeBack(r: Revision): Promise<void> {
    return this.trying(async () => {
      const [then, fresh] = await Promise.all([this.api.revision(this.kind(), this.which(), r.version), this.api.revisions(this.kind(), this.which())]);
      await this.api.save(this.kind(), this.which(), fresh.revisions[0].version, then.document, { request: newId(), unanswered: [], ...this.whose() });
      await this.router.navigate([...this.route()]);
    });
  }
  protected keepAsNew(document: AnyDocument): Promise<void> {
    return this.trying(async () => {
      const kind = this.kind();
      const made = await this.api.add(kind, newId(), { ...document, name: `${document.name.slice(0, 66)}, taken back` }, this.whose());
      await this.router.navigate([...SHOWN[kind].route(made.id)]);
    });
  }
  private async trying(work: () => Promise<void>): Promise<void> {
    this.busy.set(true);
    this.error.set('');
    try {
      await work();
    } catch (e) {
      this.error.set(asApiError(e).message);
    } finally {
      this.busy.set(false);
    }
  }
}
