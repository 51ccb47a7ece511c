import { Component, computed, inject, Injectable, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { EQUATIONS, type Figure, findAssumption, formatQuantity } from '@pozzo/core';
import { RigStore } from '../state/rig-store';

/** Which figure's working is open. */
@Injectable({ providedIn: 'root' })
export class OpenWorking {
  readonly shown = signal<{ readonly label: string; readonly at: string } | null>(null);
}

const KIND = { published: 'published', 'common-practice': 'common practice', estimate: 'estimate' } as const;

/** The working of the chosen figure: its equation, the numbers in it, what it assumes. */
@Component({
  selector: 'pz-working',
  imports: [MatButtonModule],
  template: `
    @if (figure(); as f) {
      <section aria-label="Working">
        <div class="head">
          <h3>Working: {{ label() }}</h3>
          <button type="button" mat-icon-button aria-label="Close the working" (click)="open.shown.set(null)">
            <span class="icon" aria-hidden="true">close</span>
          </button>
        </div>
        <p class="value">{{ print(f) }}</p>
        <p class="equation">{{ equation()!.text }}</p>
        @if (f.working.inputs.length) {
          <dl>
            @for (i of f.working.inputs; track $index) {
              <div>
                <dt>
                  {{ i.symbol }} <span class="quiet">{{ i.label === i.symbol ? '' : i.label }}</span>
                </dt>
                <dd>{{ quantity(i.value, i.dimension) }}</dd>
              </div>
            }
          </dl>
        }
        @for (a of assumptions(); track a.id) {
          <p class="assumption">
            <strong>{{ a.label }}: {{ a.text }}</strong> · {{ a.kind }}<br /><span class="quiet">{{ a.source }}</span>
          </p>
        }
        <p class="quiet source">{{ equation()!.title }}. Source: {{ equation()!.source }}.</p>
      </section>
    }
  `,
  styles: `
    section {
      border-top: 2px solid var(--ink);
      padding-top: 8px;
      margin-top: 12px;
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
  protected readonly figure = computed(() => {
    const shown = this.open.shown();
    return shown ? figureAt(this.rig.assessment(), shown.at) : undefined;
  });
  protected readonly equation = computed(() => {
    const f = this.figure();
    return f ? EQUATIONS[f.working.equation] : undefined;
  });
  protected readonly assumptions = computed(() =>
    (this.figure()?.working.assumptions ?? []).map((id) => {
      const a = findAssumption(id)!;
      const own = this.rig.document()?.assumptions[id];
      return { id, label: a.label, text: own ?? a.value, kind: own ? 'set for this rig' : KIND[a.kind], source: a.source };
    }),
  );

  protected print(f: Figure): string {
    return this.quantity(f.value, f.dimension);
  }
  protected quantity(value: number, dimension: Figure['dimension']): string {
    return formatQuantity(value, dimension, this.rig.units());
  }
}

/** The figure at a dotted path of an assessment, or undefined. */
export function figureAt(assessment: unknown, at: string): Figure | undefined {
  const found = at.split('.').reduce<unknown>((x, key) => (x === null || typeof x !== 'object' ? undefined : (x as Record<string, unknown>)[key]), assessment);
  return found && typeof found === 'object' && 'working' in found ? (found as Figure) : undefined;
}
