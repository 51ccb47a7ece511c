import { Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { differences, differenceWords, type Revisions, type RigDocument } from '@pozzo/core';
import { Api, asApiError } from '../state/api';
import { newId } from '../state/new-id';

type Revision = Revisions['revisions'][number];
/** Differences told of one version at most. */
const MOST_TOLD = 60;

/** The versions of a build that are kept: when, what changed, how each differs from today's, and the way back. */
@Component({
  selector: 'pz-history',
  imports: [MatButtonModule, RouterLink],
  template: `
    <main class="page">
      <h1>History{{ name() ? ' of ' + name() : '' }}</h1>
      <p class="quiet">
        Every save of today is here, of earlier days the last of each, before that one a week. Taking one back makes it the newest: nothing is lost by it.
      </p>
      @if (error(); as e) {
        <p class="bad" role="alert">{{ e }}</p>
      }
      <ol>
        @for (r of list(); track r.version) {
          <li [class.on]="looked()?.version === r.version">
            <div class="line">
              <strong class="when">{{ when(r) }}</strong>
              <span class="words">
                @for (c of r.changed; track $index) {
                  <span>{{ c }}</span>
                }
                @if (r.more) {
                  <span class="quiet">and {{ r.more }} more</span>
                }
              </span>
              @if (r.version === newest()) {
                <span class="quiet now">As it is now</span>
              } @else {
                <button mat-stroked-button type="button" [attr.aria-label]="'Look at version ' + r.version" (click)="look(r)">Look</button>
                <button mat-stroked-button type="button" [disabled]="busy()" [attr.aria-label]="'Take back version ' + r.version" (click)="takeBack(r)">
                  Take back
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
                    <p>{{ l.current ? 'It is the same as today’s.' : 'Today’s version cannot be read; this one can.' }}</p>
                  }
                  <button mat-stroked-button type="button" [disabled]="busy()" (click)="keepAsNew(l.document)">Make it a build of its own</button>
                </div>
              }
            }
          </li>
        }
      </ol>
      @if (list().length < total()) {
        <p><button mat-stroked-button type="button" (click)="load(list().at(-1)?.version)">Show older</button></p>
      }
      <p><a mat-flat-button [routerLink]="['/rig', id()]">Back to the build</a> <a mat-button routerLink="/">To the yard</a></p>
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
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly list = signal<readonly Revision[]>([]);
  protected readonly total = signal(0);
  protected readonly error = signal('');
  protected readonly busy = signal(false);
  protected readonly newest = computed(() => this.list()[0]?.version ?? 0);
  protected readonly name = signal('');
  protected readonly looked = signal<{
    readonly version: number;
    readonly document: RigDocument;
    readonly current: boolean;
    readonly told: readonly string[];
    readonly more: number;
  } | null>(null);

  constructor() {
    effect(() => {
      this.id();
      this.looked.set(null);
      this.list.set([]);
      void this.load();
    });
  }

  protected when(r: Revision): string {
    return new Date(r.savedAt).toLocaleString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', second: '2-digit' });
  }
  protected load(before?: number): Promise<void> {
    return this.trying(async () => {
      const found = await this.api.revisions(this.id(), before);
      this.list.update((l) => (before === undefined ? found.revisions : [...l, ...found.revisions]));
      this.total.set(found.total);
      if (before === undefined) this.name.set((await this.today())?.name ?? '');
    });
  }
  /** Today's document; undefined where it is damaged or deleted. */
  private today(): Promise<RigDocument | undefined> {
    return this.api.get(this.id()).then(
      (b) => b.document,
      () => undefined,
    );
  }
  protected look(r: Revision): Promise<void> {
    return this.trying(async () => {
      if (this.looked()?.version === r.version) return this.looked.set(null);
      const [then, now] = await Promise.all([this.api.revision(this.id(), r.version), this.today()]);
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
      const [then, fresh] = await Promise.all([this.api.revision(this.id(), r.version), this.api.revisions(this.id())]);
      await this.api.save(this.id(), fresh.revisions[0].version, then.document, { request: newId(), unanswered: [] });
      await this.router.navigate(['/rig', this.id()]);
    });
  }
  protected keepAsNew(document: RigDocument): Promise<void> {
    return this.trying(async () => {
      const made = await this.api.add(newId(), { ...document, name: `${document.name.slice(0, 66)}, taken back` });
      await this.router.navigate(['/rig', made.id]);
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
