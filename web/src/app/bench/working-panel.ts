import { SpellPipe } from '../kit/spell.pipe';
import { spell } from '@pozzo/core/page';
import { afterRenderEffect, Component, computed, effect, type ElementRef, inject, Injectable, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type Equation, EQUATIONS, type Figure, figureAt, findAssumption, formatQuantity, printParts, type Told } from '@pozzo/core';
import { RigStore } from '../state/rig-store';

/** Which figure's working is open; closing it gives the focus back to what opened it. */
@Injectable({ providedIn: 'root' })
export class OpenWorking {
  private readonly now = signal<{ readonly label: string; readonly at: string } | null>(null);
  private from: HTMLElement | null = null;
  readonly shown = this.now.asReadonly();

  /** @param at dotted path in the assessment, such as `tanks.0.usable` */
  open(label: string, at: string, from: HTMLElement | null): void {
    this.from = from;
    this.now.set({ label, at });
  }
  close(): void {
    if (!this.now()) return;
    this.now.set(null);
    if (this.from?.isConnected) this.from.focus({ preventScroll: true });
    this.from = null;
  }
}

const KIND = { published: 'published', 'common-practice': 'common practice', estimate: 'estimate' } as const;

/** The working of the chosen figure: its equation, the numbers in it, what it assumes. */
@Component({
  selector: 'pz-working',
  imports: [SpellPipe, MatButtonModule],
  template: `
    @if (number(); as n) {
      <section aria-label="Working" #panel tabindex="-1">
        <div class="head">
          <h3>How we got: {{ label() }}</h3>
          <button type="button" mat-icon-button aria-label="Close the working" (click)="open.close()">
            <span class="icon" aria-hidden="true">close</span>
          </button>
        </div>
        <p class="value">{{ print(n) }}</p>
        @if (figure(); as f) {
          <p class="equation">{{ equation()!.text | spell }}</p>
          @if (f.working.inputs.length) {
            <dl>
              @for (i of f.working.inputs; track $index) {
                <div>
                  <dt>
                    {{ i.symbol }} <span class="quiet">{{ i.label === i.symbol ? '' : (i.label | spell) }}</span>
                  </dt>
                  <dd>{{ likeFigure(i.value, i.dimension) }}</dd>
                </div>
              }
            </dl>
          }
          @for (a of assumptions(); track a.id) {
            <p class="assumption">
              <strong>{{ a.label }}: {{ a.text }}</strong> · {{ a.kind }}<br /><span class="quiet">{{ a.source }}{{ a.unverified ? ' Unverified.' : '' }}</span>
            </p>
          }
          <p class="quiet source">
            {{ equation()!.title | spell }}. Source: {{ equation()!.source | spell }}{{ equation()!.unverified ? ', unverified' : '' }}.
          </p>
        } @else if (silent()) {
          <p class="quiet" role="status">Can’t show the math: the calculation stopped.</p>
        }
      </section>
    }
  `,
  styles: `
    // A sheet in view wherever the figure stands; on a phone as wide as the screen.
    section {
      position: fixed;
      right: 0;
      bottom: 0;
      z-index: 5;
      // As wide as the column that it stands in: no figure beside it is covered.
      width: 300px;
      max-width: 100vw;
      max-height: min(62vh, 560px);
      overflow-y: auto;
      background: var(--card);
      border: 1px solid var(--field-line);
      border-top: 3px solid var(--ink);
      padding: 8px 14px;
    }
    section:focus {
      outline: none;
    }
    @media (max-width: 760px) {
      section {
        left: 0;
        width: 100vw;
        max-height: 55vh;
      }
    }
    .head {
      display: flex;
      justify-content: space-between;
      align-items: center;
    }
    .value {
      font: 600 22px/1.2 var(--face-head);
      margin: 4px 0;
    }
    .equation {
      margin: 4px 0;
      padding: 6px 8px;
      background: var(--water-pale);
      border-radius: 4px;
    }
    dl {
      margin: 6px 0;
    }
    dl div {
      display: flex;
      justify-content: space-between;
      gap: 8px;
      border-bottom: 1px solid var(--line);
      padding: 2px 0;
    }
    dd {
      margin: 0;
      font-weight: 600;
      white-space: nowrap;
    }
    .assumption,
    .source {
      font-size: 13.5px;
      margin: 6px 0;
    }
  `,
})
export class WorkingPanel {
  protected readonly open = inject(OpenWorking);
  private readonly rig = inject(RigStore);
  protected readonly label = computed(() => this.open.shown()?.label ?? '');
  /** What was told of the open figure, and whether nobody could. */
  private readonly told = signal<{ readonly at: string; readonly figure: Figure | undefined } | undefined>(undefined);
  protected readonly figure = computed(() => {
    const [shown, told] = [this.open.shown(), this.told()];
    return shown && told?.at === shown.at ? told.figure : undefined;
  });
  protected readonly silent = computed(() => this.told()?.at === this.open.shown()?.at && !this.figure());
  /** Its number; that of the working where there is one, so that both are of the same moment. */
  protected readonly number = computed(() => {
    const shown = this.open.shown();
    const now = shown ? figureAt(this.rig.assessment(), shown.at) : undefined;
    return now && (this.figure() ?? now);
  });
  protected readonly equation = computed(() => {
    const f = this.figure();
    if (!f) return undefined;
    const equation: Equation = EQUATIONS[f.working.equation];
    return equation;
  });
  protected readonly assumptions = computed(() =>
    (this.figure()?.working.assumptions ?? []).map((id) => {
      const a = findAssumption(id)!;
      const own = this.rig.document()?.assumptions[id];
      return {
        id,
        label: spell(a.label),
        text: own ?? a.value,
        kind: own ? 'set for this rig' : KIND[a.kind],
        source: spell(a.source),
        unverified: a.unverified && own === undefined,
      };
    }),
  );

  private readonly panel = viewChild<ElementRef<HTMLElement>>('panel');
  constructor() {
    // Workings do not come with every edit: that of the open figure is asked for, and anew with each assessment.
    effect(() => {
      const shown = this.open.shown();
      if (!shown || !this.rig.assessment()) return this.told.set(undefined);
      void this.rig.explain(shown.at).then((figure) => {
        if (this.open.shown()?.at === shown.at) this.told.set({ at: shown.at, figure });
      });
    });
    // What was asked for is read out, and Escape and Tab go on from there.
    afterRenderEffect(() => {
      if (this.open.shown()) this.panel()?.nativeElement.focus({ preventScroll: true });
    });
  }

  protected print(f: Told): string {
    return this.quantity(f.value, f.dimension);
  }
  /** A number of the working; those of the figure's own kind stand in its unit, so that they can be added up. */
  protected likeFigure(value: number, dimension: Figure['dimension']): string {
    const f = this.figure()!;
    if (dimension !== f.dimension || !Number.isFinite(f.value)) return this.quantity(value, dimension);
    const { unit } = printParts(f.value, f.dimension, this.rig.units());
    return formatQuantity(value, dimension, this.rig.units(), unit && unit !== '$' ? { unit } : {});
  }
  protected quantity(value: number, dimension: Figure['dimension']): string {
    return formatQuantity(value, dimension, this.rig.units());
  }
}
