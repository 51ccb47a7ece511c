import { Component, computed, HostListener, inject, InjectionToken } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink } from '@angular/router';
import { filter, map } from 'rxjs';
import { readerLocale } from '@pozzo/core/page';
import { Store } from '@ngrx/store';
import { SHOWN } from '../state/kinds';
import type { AnyRecord } from '../state/open-record';
import { RigStore } from '../state/rig-store';
import { SettingsActions, settingsFeature, type Theme } from '../state/settings.feature';
import { WorkshopStore } from '../state/workshop-store';
import { when } from '../kit/when';

const SAVE_WORDS = {
  saved: 'Saved',
  changed: 'Saving…',
  saving: 'Saving…',
  offline: 'Offline: saved in this browser',
  conflict: 'Conflict: also saved elsewhere',
  refused: 'Not saved',
  deleted: 'Deleted elsewhere',
} as const;

/** Loads the page anew. */
export const RELOAD = new InjectionToken<() => void>('reload', { factory: () => () => location.reload() });

/** The bar over every view: where you are, whether it is saved, undo, held figures, units and light. */
@Component({
  selector: 'pz-top-bar',
  imports: [MatButtonModule, MatMenuModule, RouterLink],
  template: `
    <header>
      <a class="mark" routerLink="/" aria-label="Pozzo, to the yard">POZZO</a>
      <nav aria-label="Where you are">
        @if (open(); as o) {
          <a class="wide" routerLink="/">Yard</a><span class="wide" aria-hidden="true">/</span><strong [title]="o.name()">{{ o.name() }}</strong>
        } @else {
          <a routerLink="/">Yard</a>
          <a routerLink="/sums">Quick sums</a>
        }
      </nav>
      <span class="gap"></span>
      @if (open(); as o) {
        <span class="save" role="status" [class.warn]="warn()">{{ saveWords() }}</span>
        <button mat-icon-button type="button" (click)="o.undo()" [disabled]="!o.state().past.length" [attr.aria-label]="undoLabel()" [title]="undoLabel()">
          <span class="icon" aria-hidden="true">undo</span>
        </button>
        <button
          mat-icon-button
          class="wide"
          type="button"
          (click)="o.redo()"
          [disabled]="!o.state().future.length"
          aria-label="Redo"
          title="Redo (Ctrl+Shift+Z)"
        >
          <span class="icon" aria-hidden="true">redo</span>
        </button>
        <a mat-icon-button class="wide" [routerLink]="history()" [attr.aria-label]="historyWords()" [title]="historyWords()">
          <span class="icon" aria-hidden="true">history</span>
        </a>
      }
      @if (rig.name()) {
        <button mat-button class="wide" type="button" (click)="rig.hold()" [attr.aria-pressed]="!!rig.held()" title="Show how each figure changes from here on">
          {{ holdWords() }}
        </button>
      }
      <button
        mat-button
        class="wide"
        type="button"
        (click)="swapUnits()"
        [attr.aria-label]="'Units: ' + (units() === 'us' ? 'US' : 'metric') + '. Press to change.'"
      >
        {{ units() === 'us' ? 'US' : 'Metric' }}
      </button>
      <button
        mat-button
        class="wide"
        type="button"
        (click)="swapLocale()"
        [attr.aria-label]="'English: ' + english() + '. Press to change.'"
        [title]="'English: ' + english()"
      >
        {{ locale }}
      </button>
      <a mat-icon-button class="wide" routerLink="/guide" [fragment]="chapter()" aria-label="Guide" title="Guide"
        ><span class="icon" aria-hidden="true">help_outline</span></a
      >
      <button mat-icon-button class="wide" type="button" [matMenuTriggerFor]="light" aria-label="Light" title="Light">
        <span class="icon" aria-hidden="true">contrast</span>
      </button>
      <button mat-icon-button class="slim" type="button" [matMenuTriggerFor]="more" aria-label="More">
        <span class="icon" aria-hidden="true">more_vert</span>
      </button>
      <mat-menu #light="matMenu">
        @for (t of themes; track t.id) {
          <button mat-menu-item type="button" (click)="setTheme(t.id)">{{ t.name }}{{ theme() === t.id ? ' ✓' : '' }}</button>
        }
      </mat-menu>
      <mat-menu #more="matMenu">
        @if (open(); as o) {
          <a mat-menu-item routerLink="/">Yard</a>
          <button mat-menu-item type="button" [disabled]="!o.state().future.length" (click)="o.redo()">Redo</button>
          <a mat-menu-item [routerLink]="history()">History</a>
        }
        @if (rig.name()) {
          <button mat-menu-item type="button" (click)="rig.hold()">{{ holdWords() }}</button>
        }
        <button mat-menu-item type="button" (click)="swapUnits()">{{ units() === 'us' ? 'Show metric units' : 'Show US units' }}</button>
        <button mat-menu-item type="button" (click)="swapLocale()">{{ locale === 'en-US' ? 'British English' : 'American English' }}</button>
        @for (t of themes; track t.id) {
          <button mat-menu-item type="button" (click)="setTheme(t.id)">Theme: {{ t.name }}{{ theme() === t.id ? ' ✓' : '' }}</button>
        }
        <a mat-menu-item routerLink="/guide" [fragment]="chapter()">Guide</a>
      </mat-menu>
    </header>
  `,
  styles: `
    header {
      display: flex;
      align-items: center;
      gap: 6px;
      height: 44px;
      padding: 0 var(--gutter);
      background: var(--bar);
      color: var(--bar-ink);
      --mat-icon-button-icon-color: var(--bar-ink);
      --mat-icon-button-disabled-icon-color: color-mix(in srgb, var(--bar-ink) 40%, transparent);
      --mat-icon-button-state-layer-color: var(--bar-ink);
      --mat-button-text-label-text-color: var(--bar-ink);
      --mat-button-text-state-layer-color: var(--bar-ink);
      --mat-button-text-label-text-weight: 500;
      --mat-button-text-horizontal-padding: 8px;
    }
    .mark {
      font: 600 20px/1 var(--face-head);
      letter-spacing: 0.06em;
      text-decoration: none;
      margin-right: 8px;
    }
    nav {
      display: flex;
      gap: 10px;
      min-width: 0;
      white-space: nowrap;
    }
    nav a,
    nav span {
      color: var(--bar-quiet);
      text-decoration: none;
    }
    nav a:hover {
      text-decoration: underline;
    }
    nav strong {
      font-weight: 500;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .gap {
      flex: 1;
    }
    .save {
      color: var(--bar-quiet);
      white-space: nowrap;
      margin-right: 4px;
    }
    .save.warn {
      color: #ffb38f;
      font-weight: 600;
    }
    [aria-pressed='true'] {
      background: var(--water);
    }
    .slim {
      display: none;
    }
    :host ::ng-deep header :focus-visible {
      outline-color: #8cc6d4;
    }
    @media (max-width: 620px) {
      .wide {
        display: none;
      }
      .slim {
        display: inline-flex;
        align-items: center;
        justify-content: center;
      }
      .save:not(.warn) {
        display: none;
      }
    }
  `,
})
export class TopBar {
  protected readonly rig = inject(RigStore);
  private readonly workshop = inject(WorkshopStore);
  private readonly store = inject(Store);
  protected readonly locale = readerLocale();
  protected readonly english = () => (this.locale === 'en-US' ? 'American' : 'British');
  private readonly reload = inject(RELOAD);
  protected readonly units = this.store.selectSignal(settingsFeature.selectUnits);
  protected readonly theme = this.store.selectSignal(settingsFeature.selectTheme);
  private readonly router = inject(Router);
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map(() => this.router.url),
    ),
    { initialValue: '' },
  );
  /** The chapter of the guide that fits what is open. */
  protected readonly chapter = computed(() => {
    const path = this.router.parseUrl(this.url()).root.children['primary']?.segments.map((s) => s.path) ?? [];
    return path[0] === 'rig' ? path[2] : (path[0] ?? 'yard');
  });
  protected readonly holdWords = computed(() => (this.rig.held() ? 'Stop comparing' : 'Compare from here'));
  /** The record that is open; null on pages without. */
  protected readonly open = computed((): AnyRecord | null => (this.rig.document() ? this.rig : this.workshop.document() ? this.workshop : null));
  protected readonly history = computed(() => {
    const o = this.open();
    return o ? [...SHOWN[o.of.kind].route(o.state().id ?? ''), 'history'] : [];
  });
  protected readonly historyWords = computed(() => `History of this ${SHOWN[this.open()?.of.kind ?? 'build'].word}`);
  protected readonly warn = computed(() => this.notKept() || ['offline', 'conflict', 'refused', 'deleted'].includes(this.open()?.state().save ?? ''));
  /** Neither the server nor this browser has the last edits. */
  private readonly notKept = computed(() => {
    const s = this.open()?.state();
    return !!s && !s.kept && s.save !== 'saved';
  });
  protected readonly saveWords = computed(() => {
    const s = this.open()?.state();
    if (!s) return '';
    const { save, savedAt, version, revision, keptRevision } = s;
    if (this.notKept()) return 'Not saved: keep this tab open';
    if (save === 'offline' && keptRevision < revision) return 'Keeping…';
    if (save === 'saved' && version === 0) return '';
    if (save !== 'saved' || !savedAt) return SAVE_WORDS[save];
    return `Saved ${when(savedAt, 'time')}`;
  });
  protected readonly undoLabel = computed(() => {
    const last = this.open()?.state().past.at(-1);
    return last ? `Undo: ${last.label}` : 'Undo';
  });
  protected readonly themes: readonly { id: Theme; name: string }[] = [
    { id: 'light', name: 'Light' },
    { id: 'dark', name: 'Dark' },
    { id: 'sunlight', name: 'Sunlight' },
  ];

  protected swapUnits(): void {
    this.store.dispatch(SettingsActions.setUnits({ units: this.units() === 'us' ? 'metric' : 'us' }));
  }
  /** Words are spelled once, as the page is loaded: to change them it is loaded anew. What is not saved is kept. */
  protected swapLocale(): void {
    this.store.dispatch(SettingsActions.setLocale({ locale: this.locale === 'en-US' ? 'en-GB' : 'en-US' }));
    this.reload();
  }
  protected setTheme(theme: Theme): void {
    this.store.dispatch(SettingsActions.setTheme({ theme }));
  }

  /** Undo and redo from anywhere but inside a field, which has its own. */
  @HostListener('document:keydown', ['$event'])
  onKey(event: KeyboardEvent): void {
    const open = this.open();
    if (!(event.ctrlKey || event.metaKey) || event.altKey || !open) return;
    const target = event.target as HTMLElement | null;
    if (target && (target.tagName === 'TEXTAREA' || (target instanceof HTMLInputElement && target.dataset['dirty'] === 'true'))) return;
    const key = event.key.toLowerCase();
    if (key === 'z') {
      event.preventDefault();
      if (event.shiftKey) open.redo();
      else open.undo();
    } else if (key === 'y') {
      event.preventDefault();
      open.redo();
    }
  }
}
