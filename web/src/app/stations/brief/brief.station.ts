import { spell } from '@pozzo/core/page';
import { Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { assumptionRule, ASSUMPTIONS, EQUATIONS, findAssumption, parseQuantity, readField, shownIn } from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { Facts, type Fact } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { DayDiffers } from '../../bench/day-differs';
import { StationFrame } from '../../bench/station-frame';
import { Later } from '../../kit/later';
import { CellTemplate, type Column, DataTable, type TableRow } from '../../kit/table';
import { Near } from '../../kit/near';
import { RigStore } from '../../state/rig-store';
import { DaySummary } from './day-summary';
import { SURFACE_OPTIONS } from '../../kit/wash-options';

/** Assumptions that the work day rests on, whatever the rig. */
const OF_THE_DAY = /^(day-|float-travel|refill-flow|winter-water|summer-water|corner-hose)/;

const KIND = { published: 'published', 'common-practice': 'common practice', estimate: 'estimate' } as const;

/** Assumptions that are drawn in one go; the others follow at once, a few at a time. */
const ROWS_AT_ONCE = 6;

const EQUATION_COUNT = Object.keys(EQUATIONS).length;
const UNVERIFIED_EQUATIONS = Object.values(EQUATIONS).filter((e) => 'unverified' in e).length;

/** Who it is for, how long they work, and what the figures take for granted. */
@Component({
  selector: 'pz-brief-station',
  imports: [
    CellTemplate,
    ChoiceField,
    DataTable,
    DayDiffers,
    DaySummary,
    Facts,
    Later,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    NameField,
    Near,
    QuantityField,
    StationFrame,
  ],
  template: `
    <pz-station heading="Brief" station="brief" calm="">
      <div set>
        <pz-name label="Build" path="name" />
        <pz-name label="Customer" path="customer" [optional]="true" />
        <pz-quantity label="Longest job" path="brief.job" />
        <pz-quantity label="Trigger pulled" hint="share of the job" path="brief.triggerShare" />
        <pz-quantity label="Usual water temp" path="brief.water" />
        <pz-quantity label="Altitude" path="brief.altitude" />
        <ng-container *pzLater>
          <h3>Typical soft wash day</h3>
          @for (w of washes(); track $index; let i = $index) {
            <div class="wash">
              <pz-choice label="Surface" [path]="'brief.washes.' + i + '.surface'" [options]="surfaces" />
              <pz-quantity label="Area of a job" [path]="'brief.washes.' + i + '.area'" />
              <pz-quantity label="Jobs a day" [path]="'brief.washes.' + i + '.perDay'" />
              <button type="button" mat-stroked-button class="small" [attr.aria-label]="'Remove job ' + (i + 1)" (click)="dropWash(i)">Remove</button>
            </div>
          }
          <div class="acts"><button type="button" mat-stroked-button class="small" (click)="addWash()">Add a job type</button></div>
          <pz-quantity label="Days of work a week" path="brief.daysPerWeek" placeholder="5" />
          <pz-quantity label="Tap water TDS" path="brief.tapSolids" placeholder="not measured" />
        </ng-container>
      </div>
      <div does>
        <pz-day-differs />
        <pz-day-summary *pzLater />
        <h2>Assumptions</h2>
        <pz-facts [facts]="facts()" />
        <pz-table *pzLater label="Assumptions" [columns]="columns" [rows]="rows()">
          <ng-template pzCell="what" let-row>
            {{ one(row.id).label }}<small>{{ one(row.id).source }}</small>
          </ng-template>
          <ng-template pzCell="value" let-row>
            @let a = one(row.id);
            <span class="value" [class.own]="a.own">
              @if (a.own) {
                <button
                  type="button"
                  mat-icon-button
                  [attr.aria-label]="'Back to the usual value of ' + a.label"
                  title="Back to the usual value"
                  (click)="set(a.id, '')"
                >
                  <span class="icon" aria-hidden="true">undo</span>
                </button>
              }
              <mat-form-field *pzNear="words" appearance="outline" subscriptSizing="dynamic">
                <input
                  matInput
                  #box
                  type="text"
                  [value]="a.text"
                  [attr.aria-label]="a.label"
                  [attr.aria-invalid]="a.error ? 'true' : null"
                  [aria-describedby]="a.error ? 'error-' + a.id : a.typed ? 'typed-' + a.id : ''"
                  (change)="set(a.id, box.value); box.value = one(a.id).text"
                  (keydown.escape)="forget(a.id); box.value = a.stored"
                />
              </mat-form-field>
              <ng-template #words
                ><span class="far">{{ a.text }}</span></ng-template
              >
            </span>
            @if (a.typed) {
              <small class="typed" [id]="'typed-' + a.id">typed {{ a.typed }}</small>
            }
            @if (a.error) {
              <p role="alert" class="shout" [id]="'error-' + a.id">{{ a.error }}</p>
            }
          </ng-template>
        </pz-table>
        <button type="button" mat-stroked-button class="small" (click)="all.set(!all())">
          {{ all() ? 'Only ones this rig uses' : 'All ' + assumptions().length + ' assumptions' }}
        </button>
      </div>
    </pz-station>
  `,
  styles: `
    .wash {
      border-left: 4px solid var(--chem);
      padding: 0 0 8px 10px;
      margin: 6px 0;
    }
    .wash .mdc-button {
      margin-top: 6px;
    }
    small {
      display: block;
      color: var(--ink-quiet);
      font-size: 12.5px;
      font-weight: 400;
    }
    .value {
      display: flex;
      justify-content: flex-end;
      align-items: center;
    }
    .value mat-form-field {
      width: 104px;
    }
    .value input {
      text-align: right;
      font-weight: 600;
    }
    .typed {
      text-align: right;
    }
    .far {
      line-height: 30px;
      padding-right: 8px;
      font-weight: 600;
    }
    .value.own mat-form-field {
      --mat-form-field-outlined-outline-color: var(--water);
      --mat-form-field-outlined-outline-width: 2px;
    }
    p.shout {
      margin: 2px 0 0;
      font-size: 13.5px;
    }
  `,
})
export class BriefStation {
  private readonly rig = inject(RigStore);
  /** What was typed for an assumption and could not be read, with the reason: it stays in its box. */
  private readonly refused = signal<Readonly<Record<string, { readonly text: string; readonly reason: string }>>>({});
  protected readonly surfaces = SURFACE_OPTIONS;
  protected readonly washes = computed(() => this.rig.document()?.brief.washes ?? []);
  protected readonly all = signal(false);
  /** Those that a figure rests on, and those that the rig has set itself. */
  protected readonly shown = computed(() => {
    const used = new Set(this.rig.assessment()?.assumptionsUsed ?? []);
    return this.all() ? this.assumptions() : this.assumptions().filter((a) => used.has(a.id) || a.own || OF_THE_DAY.test(a.id));
  });
  protected addWash(): void {
    this.rig.edit('Add a job type', (d) => void (d.brief.washes ??= []).push({ surface: 'house', area: '2500 ft²', perDay: '2' }));
  }
  protected dropWash(i: number): void {
    this.rig.edit('Remove a kind of job', (d) => {
      d.brief.washes!.splice(i, 1);
      if (!d.brief.washes!.length) delete d.brief.washes;
    });
  }
  protected readonly facts = computed<Fact[]>(() => {
    const a = this.rig.assessment();
    if (!a) return [];
    const used = a.assumptionsUsed.map((id) => findAssumption(id)!);
    return [
      { label: 'Cases solved', text: String(a.solves) },
      { label: 'Assumptions used', text: `${used.length}, ${used.filter((x) => x.kind === 'estimate').length} of them estimates` },
      {
        label: 'Sources not verified',
        text: `${used.filter((x) => x.unverified).length} assumptions, ${UNVERIFIED_EQUATIONS} of ${EQUATION_COUNT} equations`,
      },
    ];
  });
  protected readonly assumptions = computed(() => {
    const own = this.rig.document()?.assumptions ?? {};
    const refused = this.refused();
    return ASSUMPTIONS.map((a) => {
      const { text: stored, typed } = shownIn(own[a.id] ?? a.value, a.dimension, this.rig.units());
      const { text, reason } = refused[a.id] ?? { text: stored, reason: '' };
      return {
        id: a.id,
        label: spell(a.label),
        source: `${spell(a.source)}${a.unverified ? ' Unverified.' : ''}`,
        kind: KIND[a.kind],
        own: a.id in own,
        stored,
        typed: a.id in own ? typed : '',
        text,
        error: reason,
      };
    });
  });

  protected readonly columns: readonly Column[] = [
    { id: 'what', name: 'Assumption', sorts: true },
    { id: 'kind', name: 'Kind', sorts: true },
    { id: 'value', name: 'Value', number: true },
  ];
  /** How many rows are drawn so far: a hundred boxes at once would hold the page up for a third of a second. */
  private readonly drawn = signal(ROWS_AT_ONCE);
  /** One row a name for as long as it is shown, so that what is being typed keeps its box. */
  protected readonly rows = computed<TableRow[]>(() =>
    this.shown()
      .slice(0, this.drawn())
      .map((a) => ({ id: a.id, cells: { what: spell(a.label), kind: a.kind } })),
  );

  constructor() {
    effect((onCleanup) => {
      if (this.drawn() >= this.shown().length) return;
      const more = setTimeout(() => this.drawn.update((n) => n + ROWS_AT_ONCE));
      onCleanup(() => clearTimeout(more));
    });
  }

  private readonly byId = computed(() => new Map(this.assumptions().map((a) => [a.id as string, a])));

  protected one(id: string) {
    return this.byId().get(id)!;
  }
  protected forget(id: string): void {
    this.refused.update(({ [id]: _gone, ...rest }) => rest);
  }
  protected set(id: string, text: string): void {
    const assumption = findAssumption(id)!;
    this.forget(id);
    if (text.trim() === '') return this.rig.edit(spell(assumption.label), (d) => void delete d.assumptions[id]);
    // As it is shown, it is as it was.
    if (text === this.one(id).stored) return;
    const { dimension } = assumption;
    const shown = parseQuantity(shownIn(assumption.value, dimension, this.rig.units()).text, dimension);
    const read = readField(assumptionRule(assumption), text, shown.ok ? shown.unit : '', this.rig.units());
    if (read.ok) return this.rig.edit(spell(assumption.label), (d) => void (d.assumptions[id] = read.text));
    this.refused.update((all) => ({ ...all, [id]: { text, reason: read.error.message } }));
  }
}
