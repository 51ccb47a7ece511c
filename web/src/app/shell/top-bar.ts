import { Component, computed, HostListener, inject } from '@angular/core';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { RigStore } from '../state/rig-store';
import { SettingsActions, settingsFeature, type Theme } from '../state/settings.feature';

const SAVE_WORDS = {
  saved: 'Saved',
  changed: 'Saving…',
  saving: 'Saving…',
  offline: 'Offline, kept here',
  conflict: 'Saved elsewhere too',
  refused: 'Not saved',
  deleted: 'Deleted elsewhere',
} as const;

/** The bar over every view: where you are, whether it is saved, undo, held figures, units and light. */
@Component({
  selector: 'pz-top-bar',
  imports: [RouterLink, MatMenuModule],
  template: `
    <header>
      <a class="mark" routerLink="/" aria-label="Pozzo, to the yard">POZZO</a>
      <nav aria-label="Where you are">
        <a routerLink="/">Yard</a>
        @if (name(); as n) {
          <span aria-hidden="true">/</span><strong>{{ n }}</strong>
        } @else {
          <a routerLink="/sums">Quick sums</a>
        }
      </nav>
      <span class="gap"></span>
      @if (name()) {
        <span class="save" role="status" [class.warn]="warn()">{{ saveWords() }}</span>
        <a class="bar" [routerLink]="['/rig', rig.state().id, 'history']" aria-label="History of this build" title="History of this build">
          <span class="icon" aria-hidden="true">history</span>
        </a>
        <button class="bar" type="button" (click)="rig.undo()" [disabled]="!rig.state().past.length" [attr.aria-label]="undoLabel()" [title]="undoLabel()">
          <span class="icon" aria-hidden="true">undo</span>
        </button>
        <button class="bar" type="button" (click)="rig.redo()" [disabled]="!rig.state().future.length" aria-label="Redo" title="Redo (Ctrl+Shift+Z)">
          <span class="icon" aria-hidden="true">redo</span>
        </button>
        <button
          class="bar word"
          type="button"
          (click)="rig.hold()"
          [attr.aria-pressed]="!!rig.held()"
          title="Keep today’s figures beside the new ones while you try things"
        >
          {{ rig.held() ? 'Let figures go' : 'Hold figures' }}
        </button>
      }
      <button class="bar word" type="button" (click)="swapUnits()" [attr.aria-label]="'Units: ' + (units() === 'us' ? 'US' : 'metric') + '. Press to change.'">
        {{ units() === 'us' ? 'US' : 'Metric' }}
      </button>
      <button class="bar" type="button" [matMenuTriggerFor]="light" aria-label="Light"><span class="icon" aria-hidden="true">contrast</span></button>
      <mat-menu #light="matMenu">
        @for (t of themes; track t.id) {
          <button mat-menu-item type="button" (click)="setTheme(t.id)">{{ t.name }}{{ theme() === t.id ? ' ✓' : '' }}</button>
        }
      </mat-menu>
    </header>
  `,
  styles: `
    header {
      display: flex;
      align-items: center;
      gap: 10px;
      height: 44px;
      padding: 0 var(--gutter);
      background: var(--bar);
      color: var(--bar-ink);
    }
    .mark {
      font: 600 20px/1 var(--face-head);
      letter-spacing: 0.06em;
      text-decoration: none;
      margin-right: 4px;
    }
    nav {
      display: flex;
      gap: 10px;
      min-width: 0;
      white-space: nowrap;
    }
    nav a {
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
    }
    .save.warn {
      color: #ffb38f;
      font-weight: 600;
    }
    .bar {
      text-decoration: none;
      background: none;
      border: 0;
      color: var(--bar-ink);
      min-width: 36px;
      min-height: 36px;
      border-radius: 4px;
      cursor: pointer;
      padding: 4px 6px;
      display: inline-flex;
      align-items: center;
      justify-content: center;
    }
    .bar:hover:not(:disabled) {
      background: #ffffff22;
    }
    .bar:disabled {
      opacity: 0.35;
      cursor: default;
    }
    .bar.word {
      font-weight: 500;
      white-space: nowrap;
    }
    .bar[aria-pressed='true'] {
      background: var(--water);
    }
    :host ::ng-deep header :focus-visible {
      outline-color: #8cc6d4;
    }
    @media (max-width: 560px) {
      .save:not(.warn) {
        display: none;
      }
      .bar.word {
        font-size: 13px;
      }
    }
  `,
})
export class TopBar {
  protected readonly rig = inject(RigStore);
  private readonly store = inject(Store);
  protected readonly units = this.store.selectSignal(settingsFeature.selectUnits);
  protected readonly theme = this.store.selectSignal(settingsFeature.selectTheme);
  protected readonly name = computed(() => this.rig.document()?.name);
  protected readonly warn = computed(() => this.notKept() || ['offline', 'conflict', 'refused', 'deleted'].includes(this.rig.state().save));
  /** Neither the server nor this browser has the last edits. */
  private readonly notKept = computed(() => !this.rig.state().kept && this.rig.state().save !== 'saved');
  protected readonly saveWords = computed(() => {
    const { save, savedAt } = this.rig.state();
    if (this.notKept()) return 'Not kept: do not close';
    if (save !== 'saved' || !savedAt) return SAVE_WORDS[save];
    return `Saved ${new Date(savedAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`;
  });
  protected readonly undoLabel = computed(() => {
    const last = this.rig.state().past.at(-1);
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
  protected setTheme(theme: Theme): void {
    this.store.dispatch(SettingsActions.setTheme({ theme }));
  }

  /** Undo and redo from anywhere but inside a field, which has its own. */
  @HostListener('document:keydown', ['$event'])
  onKey(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.altKey || !this.name()) return;
    const target = event.target as HTMLElement | null;
    if (target && (target.tagName === 'TEXTAREA' || (target instanceof HTMLInputElement && target.dataset['dirty'] === 'true'))) return;
    const key = event.key.toLowerCase();
    if (key === 'z') {
      event.preventDefault();
      if (event.shiftKey) this.rig.redo();
      else this.rig.undo();
    } else if (key === 'y') {
      event.preventDefault();
      this.rig.redo();
    }
  }
}
