import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatOptionModule } from '@angular/material/core';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { type Finding, FINDING_KINDS, type Scale, severityWord, type Verdict, VERDICTS } from '@pozzo/core';
import { VerdictMark } from '../kit/verdict';

/** A station as the list needs to know it. */
export interface Listed {
  readonly id: string;
  readonly name: string;
  readonly group: string;
}

/** The worst that was found somewhere, with its word. */
export interface Worst {
  readonly verdict: Verdict;
  readonly about: Scale;
  readonly word: string;
}

export const worstOfFinding = (f: Finding): Worst => ({ verdict: f.verdict, about: FINDING_KINDS[f.code].scale ?? 'feeding', word: severityWord(f) });

interface Group {
  readonly name: string;
  readonly stations: readonly (Listed & { readonly worst: Worst | undefined })[];
  readonly worst: Worst | undefined;
}

/**
 * The stations in groups that open one at a time, so that all of them fit; a closed group shows the worst inside it. On a
 * narrow screen one select, with the stations before and after a press away.
 */
@Component({
  selector: 'pz-station-list',
  imports: [MatButtonModule, MatExpansionModule, MatOptionModule, MatSelectModule, RouterLink, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="Stations">
      <a class="wide todo" [routerLink]="['/rig', rig(), 'todo']" [class.on]="current() === 'todo'" [attr.aria-current]="current() === 'todo' ? 'page' : null"
        >To do
        @if (left(); as n) {
          <span class="left">{{ n }}</span>
        }
      </a>
      <mat-accordion class="wide" displayMode="flat">
        @for (g of shown(); track g.name) {
          <mat-expansion-panel hideToggle [expanded]="g.name === open()">
            <mat-expansion-panel-header collapsedHeight="27px" expandedHeight="27px">
              <mat-panel-title>{{ g.name }}</mat-panel-title>
              @if (g.worst; as w) {
                <span class="of-group"
                  ><pz-verdict [of]="w.verdict" [about]="w.about" [bare]="true" /><span class="unseen">{{ w.word }}</span></span
                >
              }
            </mat-expansion-panel-header>
            @for (s of g.stations; track s.id) {
              <a [routerLink]="['/rig', rig(), s.id]" [class.on]="s.id === current()" [attr.aria-current]="s.id === current() ? 'page' : null"
                >{{ s.name }}
                @if (s.worst; as w) {
                  <pz-verdict [of]="w.verdict" [about]="w.about" [bare]="true" /><span class="unseen">{{ w.word }}</span>
                }
              </a>
            }
          </mat-expansion-panel>
        }
      </mat-accordion>
      <div class="narrow">
        <button mat-icon-button type="button" [disabled]="!before()" (click)="to(before())" aria-label="Station before">
          <span class="icon" aria-hidden="true">chevron_left</span>
        </button>
        <mat-select aria-label="Station" [value]="current()" hideSingleSelectionIndicator (selectionChange)="to($event.value)">
          <mat-option value="todo">To do{{ left() ? ' · ' + left() : '' }}</mat-option>
          @for (g of shown(); track g.name) {
            <mat-optgroup [label]="g.name">
              @for (s of g.stations; track s.id) {
                <mat-option [value]="s.id">{{ s.name }}{{ s.worst ? ' · ' + s.worst.word : '' }}</mat-option>
              }
            </mat-optgroup>
          }
        </mat-select>
        <button mat-icon-button type="button" [disabled]="!after()" (click)="to(after())" aria-label="Next station">
          <span class="icon" aria-hidden="true">chevron_right</span>
        </button>
      </div>
    </nav>
  `,
  styles: `
    nav {
      width: 152px;
      flex: none;
      padding: 6px 0;
      border-right: 1px solid var(--line);
      height: 100%;
    }
    .narrow {
      display: none;
    }
    mat-expansion-panel {
      background: none;
      color: inherit;
    }
    mat-expansion-panel-header {
      padding: 0 10px 0 16px;
    }
    mat-panel-title {
      font: 600 13px/1 var(--face-head);
      letter-spacing: 0.08em;
      text-transform: uppercase;
      color: var(--ink-quiet);
      margin: 0;
    }
    .of-group {
      line-height: 1;
    }
    .mat-expanded > mat-expansion-panel-header .of-group {
      visibility: hidden;
    }
    a {
      display: flex;
      align-items: center;
      justify-content: space-between;
      min-height: 30px;
      padding: 2px 10px 2px 16px;
      text-decoration: none;
      line-height: 1.2;
    }
    .todo {
      font-weight: 600;
      margin-bottom: 4px;
    }
    .left {
      font-variant-numeric: tabular-nums;
    }
    a:hover {
      background: var(--water-pale);
    }
    a.on {
      background: var(--press);
      color: var(--press-ink);
      font-weight: 600;
    }
    a:focus-visible,
    mat-expansion-panel-header:focus-visible {
      outline: 3px solid var(--focus);
      outline-offset: -3px;
    }
    :host ::ng-deep .mat-expansion-panel-body {
      padding: 0 0 4px;
    }
    @media (max-width: 1000px) {
      nav {
        width: auto;
        height: auto;
        padding: 4px 8px;
        border-right: 0;
        border-bottom: 1px solid var(--line);
      }
      .wide {
        display: none;
      }
      .narrow {
        display: flex;
        align-items: center;
        gap: 6px;
      }
      .narrow mat-select {
        flex: 1;
        max-width: 420px;
        height: 36px;
        line-height: 34px;
        padding: 0 10px;
        background: var(--field);
        border: 1px solid var(--field-line);
        border-radius: 4px;
      }
    }
  `,
})
export class StationList {
  private readonly router = inject(Router);
  readonly rig = input.required<string>();
  readonly stations = input.required<readonly Listed[]>();
  readonly groups = input.required<readonly string[]>();
  readonly current = input.required<string>();
  /** The worst at each station; nothing where all is well or nothing was judged. */
  readonly worst = input.required<ReadonlyMap<string, Worst>>();

  /** How much is left to do; nothing where it is not known. */
  readonly left = input<number | null>(null);

  protected readonly shown = computed<readonly Group[]>(() =>
    this.groups()
      .map((name) => {
        const stations = this.stations()
          .filter((s) => s.group === name)
          .map((s) => ({ ...s, worst: this.worst().get(s.id) }));
        const all = stations.map((s) => s.worst).filter((w) => w !== undefined);
        return { name, stations, worst: all.sort((a, b) => VERDICTS.indexOf(b.verdict) - VERDICTS.indexOf(a.verdict))[0] };
      })
      .filter((g) => g.stations.length > 0),
  );
  /** The group of the open station. */
  protected readonly open = computed(() => this.stations().find((s) => s.id === this.current())?.group);
  private readonly order = computed(() => this.shown().flatMap((g) => g.stations.map((s) => s.id)));
  /** Where the last press led to, until it is there: the next press goes on from it. */
  private readonly aim = linkedSignal(() => this.current());
  protected readonly before = computed(() => this.order()[this.order().indexOf(this.aim()) - 1]);
  protected readonly after = computed(() => this.order()[this.order().indexOf(this.aim()) + 1]);

  to(station: string | undefined): void {
    if (station === undefined || station === this.aim()) return;
    this.aim.set(station);
    void this.router.navigate(['/rig', this.rig(), station]);
  }
  /** To the station before (−1) or after (+1) the open one, as the list stands. */
  step(by: -1 | 1): void {
    this.to(by < 0 ? this.before() : this.after());
  }
}
