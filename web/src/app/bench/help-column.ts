import { spell } from '@pozzo/core/page';
import { Component, computed, effect, type ElementRef, inject, input, type OnDestroy, signal, untracked, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { type Finding, FINDING_KINDS, type Fix, formatDifference, formatQuantity, say, type Station } from '@pozzo/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { RigStore } from '../state/rig-store';
import { SettingsActions, settingsFeature } from '../state/settings.feature';
import { STATION_WORDS } from './station-words';
import { VerdictMark } from '../kit/verdict';
import { WorkingPanel } from './working-panel';
import { SpellPipe } from '../kit/spell.pipe';

/** The third question: what would help. Findings of the station in words, fixes that were tried, cautions, working. */
@Component({
  selector: 'pz-help',
  imports: [SpellPipe, MatButtonModule, MatExpansionModule, RouterLink, VerdictMark, WorkingPanel],
  template: `
    <div class="findings" #findingsBox tabindex="-1">
      @for (f of findings(); track $index) {
        <div class="finding" [class]="f.verdict">
          <pz-verdict [of]="f.verdict" [about]="scaleOf(f)" />
          <p>{{ words(f.message) }}</p>
        </div>
      } @empty {
        @if (nothing(); as words) {
          <p class="quiet">{{ words }}</p>
        } @else if (rig.assessment() && calm()) {
          <div class="finding fed">
            <pz-verdict of="fed" [about]="about()" />
            <p>{{ calm() }}</p>
          </div>
        }
      }
    </div>
    @if (elsewhere(); as n) {
      <p class="small">
        <a [routerLink]="['/rig', rig.state().id, n.first.station]">{{ n.words }}</a>
        @if (n.more) {
          <span class="quiet"> {{ n.more }} more on other stations.</span>
        }
      </p>
    }

    @if (fixes().length) {
      <h3>Best fixes</h3>
      @for (fix of shown(); track fix.id; let first = $first) {
        <div class="card fix">
          <strong>{{ words(fix.title) }}</strong>
          <span class="numbers"
            ><span class="gain">{{ gain(fix) }}</span> <span>{{ money(fix) }}</span> <span>{{ mass(fix) }}</span></span
          >
          @if (fix.cures) {
            <span class="small cure">{{ cureWords(fix) }}</span>
          }
          <button
            type="button"
            mat-stroked-button
            class="small"
            [class.strong]="first"
            [attr.data-fix]="fix.id"
            [disabled]="rig.waiting() !== null"
            (click)="apply(fix)"
            [attr.aria-label]="'Try it: ' + words(fix.title)"
          >
            {{ rig.waiting() === fix.id ? 'Trying…' : 'Try it' }}
          </button>
        </div>
      }
      @if (fixes().length > 3) {
        <button type="button" mat-stroked-button class="small" (click)="all.set(!all())">{{ all() ? 'Fewer' : 'All ' + fixes().length }}</button>
      }
      <p class="quiet small">Prices and weights are estimates from the {{ '‹catalog›' | spell }}.</p>
    } @else if (findings().length && rig.fixing()) {
      <p class="quiet" role="status">Trying fixes…</p>
    } @else if (findings().length) {
      <p class="quiet">No single change we tried helps enough.</p>
    }
    @if (cautions().length) {
      <mat-expansion-panel class="cautions" displayMode="flat" [expanded]="fresh()" (expandedChange)="opened($event)">
        <mat-expansion-panel-header collapsedHeight="34px" expandedHeight="34px">
          <mat-panel-title><strong>Safety</strong></mat-panel-title>
        </mat-expansion-panel-header>
        @for (c of cautions(); track c.key) {
          <p class="caution">{{ c.text | spell }}</p>
        }
      </mat-expansion-panel>
    }
    <pz-working />
  `,
  styles: `
    :host {
      display: block;
    }
    .finding {
      background: var(--water-pale);
      border-left: 4px solid var(--water);
      padding: 9px 12px;
      margin-bottom: 8px;
    }
    .finding.tight,
    .finding.starved {
      background: var(--attention-pale);
      border-color: var(--attention);
    }
    .finding.stop {
      background: var(--danger-pale);
      border-color: var(--danger);
    }
    .finding p {
      margin: 4px 0 0;
    }
    h3 {
      margin: 14px 0 6px;
    }
    .fix {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 3px 10px;
      margin-bottom: 8px;
      align-items: center;
    }
    .fix strong {
      grid-column: 1 / -1;
      line-height: 1.25;
      font-weight: 600;
    }
    .numbers {
      grid-column: 1 / -1;
      display: flex;
      gap: 3px 11px;
      color: var(--ink-quiet);
      flex-wrap: wrap;
      font-size: 14px;
    }
    .numbers span {
      white-space: nowrap;
    }
    .gain {
      color: var(--water);
      font-weight: 700;
    }
    .cure {
      grid-column: 1;
      color: var(--ink-quiet);
    }
    .fix button {
      grid-column: 2;
    }
    .small {
      font-size: 13.5px;
    }
    .findings:focus {
      outline: none;
    }
    .cautions {
      margin-top: 12px;
      background: none;
      color: inherit;
      border-top: 1px solid var(--line);
    }
    .cautions mat-expansion-panel-header {
      padding: 0;
    }
    .cautions ::ng-deep .mat-expansion-panel-body {
      padding: 0;
    }
    .cautions strong {
      color: var(--danger);
    }
    .caution {
      font-size: 13.5px;
      margin: 0 0 8px;
      color: var(--ink-quiet);
    }
  `,
})
export class HelpColumn implements OnDestroy {
  private readonly store = inject(Store);
  /** What being well is about at this station. */
  protected readonly about = computed(() => STATION_WORDS[this.station()].about);
  protected readonly rig = inject(RigStore);
  readonly station = input.required<Station>();
  /** Said where there is nothing to find; empty to say nothing. */
  readonly calm = input('No problems found here.');
  protected readonly all = signal(false);
  protected readonly findings = computed(() => (this.rig.assessment()?.findings ?? []).filter((f) => f.station === this.station()));
  /** What holds the rig back most on another station, and how much more there is. */
  protected readonly elsewhere = computed(() => {
    const [first, ...rest] = (this.rig.assessment()?.findings ?? []).filter((f) => f.station !== this.station());
    if (!first) return null;
    // What stands above as the rig's verdict is not said twice.
    const above = this.rig.assessment()?.findings[0] === first;
    return { first, more: rest.length, words: above ? `See ${STATION_WORDS[first.station].name} for the problem above.` : this.words(first.message) };
  });
  /** The sentence for nothing there; empty where something was judged. */
  protected readonly nothing = computed(() => {
    const a = this.rig.assessment();
    const { judged, words } = STATION_WORDS[this.station()];
    return a && !judged(a) ? words : '';
  });
  /** Those of the station, the best first; of some that say the same, the first: two findings may ask for one change. */
  protected readonly fixes = computed(() => {
    const said = new Set<string>();
    return this.rig.fixes().filter((f) => {
      const words = say(f.title, this.rig.units());
      return f.station === this.station() && !said.has(words) && !!said.add(words);
    });
  });
  protected readonly shown = computed(() => (this.all() ? this.fixes() : this.fixes().slice(0, 3)));
  protected readonly cautions = computed(() => (this.rig.assessment()?.cautions ?? []).filter((c) => c.station === this.station()));

  private readonly read = this.store.selectSignal(settingsFeature.selectRead);
  /** Whether a caution of the station was never read on this device: it then stands open. Decided as the station opens. */
  protected readonly fresh = signal(false);
  private readonly findingsBox = viewChild<ElementRef<HTMLElement>>('findingsBox');

  constructor() {
    effect(() => {
      const cautions = this.cautions();
      const read = untracked(this.read);
      this.fresh.set(cautions.some((c) => !read.includes(c.key)));
    });
  }
  protected opened(open: boolean): void {
    if (!open) this.haveRead();
  }
  private haveRead(): void {
    const keys = this.cautions().map((c) => c.key);
    if (keys.some((k) => !this.read().includes(k))) this.store.dispatch(SettingsActions.haveRead({ keys }));
  }
  ngOnDestroy(): void {
    this.haveRead();
  }

  protected readonly scaleOf = (f: Finding) => FINDING_KINDS[f.code].scale;
  protected words(message: Parameters<typeof say>[0]): string {
    return say(message, this.rig.units());
  }
  protected gain(fix: Fix): string {
    const { before, after, dimension, better } = fix.gain;
    const label = spell(fix.gain.label);
    if (dimension === 'number') return '';
    const change = after - before;
    if (!Number.isFinite(change)) return `${label}: no limit`;
    if (better === 'less') return `${formatDifference(Math.abs(change), dimension, this.rig.units(), { digits: 2 })} less ${label}`;
    return `${formatDifference(change, dimension, this.rig.units(), { signed: true, digits: 2 })} ${label}`;
  }
  protected money(fix: Fix): string {
    const rounded = Math.round(fix.price);
    // What costs nothing says nothing of money, nor what weighs nothing of weight.
    return rounded === 0 ? '' : rounded < 0 ? `saves $${-rounded}` : `$${rounded}`;
  }
  protected mass(fix: Fix): string {
    if (Math.abs(fix.massKg) < 0.2) return '';
    const text = formatQuantity(fix.massKg, 'mass', this.rig.units(), { signed: true, digits: 2 });
    return `${text} on the road`;
  }
  /** Said of a fix that ends what it answers: "clears this page" only where the station is calm then. */
  protected cureWords(fix: Fix): string {
    if (fix.left > 0) return `fixes this; ${fix.left} left here`;
    return 'clears this page';
  }
  protected apply(fix: Fix): void {
    this.rig.apply(fix);
    // Its button goes with it: who works by keyboard stays where the new verdict is told.
    this.findingsBox()?.nativeElement.focus({ preventScroll: true });
  }
}
