import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { assumptionRule, ASSUMPTIONS, EQUATIONS, findAssumption, readField } from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { Facts, type Fact } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { RigStore } from '../../state/rig-store';
import { DaySummary } from './day-summary';
import { SURFACE_OPTIONS } from '../../kit/wash-options';

/** Assumptions that the work day rests on, whatever the rig. */
const OF_THE_DAY = /^(day-|float-travel|refill-flow|winter-water|summer-water|corner-hose)/;

const KIND = { published: 'published', 'common-practice': 'common practice', estimate: 'estimate' } as const;

const EQUATION_COUNT = Object.keys(EQUATIONS).length;
const UNVERIFIED_EQUATIONS = Object.values(EQUATIONS).filter((e) => 'unverified' in e).length;

/** Who it is for, how long they work, and what the figures take for granted. */
@Component({
  selector: 'pz-brief-station',
  imports: [ChoiceField, DaySummary, Facts, MatButtonModule, NameField, QuantityField, StationFrame],
  template: `
    <pz-station heading="Brief" station="brief" calm="The brief holds nothing against the rig.">
      <div set>
        <pz-name label="Build" path="name" />
        <pz-name label="Customer" path="customer" [optional]="true" />
        <pz-quantity label="Longest job" path="brief.job" />
        <pz-quantity label="Trigger pulled" hint="share of the job" path="brief.triggerShare" />
        <pz-quantity label="Water, usually" path="brief.water" />
        <pz-quantity label="Altitude" path="brief.altitude" />
        <h3>Soft washed on a usual day</h3>
        @for (w of washes(); track $index; let i = $index) {
          <div class="wash">
            <pz-choice label="Surface" [path]="'brief.washes.' + i + '.surface'" [options]="surfaces" />
            <pz-quantity label="Area of a job" [path]="'brief.washes.' + i + '.area'" />
            <pz-quantity label="Jobs a day" [path]="'brief.washes.' + i + '.perDay'" />
            <button type="button" mat-stroked-button class="small" [attr.aria-label]="'Remove job ' + (i + 1)" (click)="dropWash(i)">Remove</button>
          </div>
        }
        <div class="acts"><button type="button" mat-stroked-button class="small" (click)="addWash()">Add a kind of job</button></div>
        <pz-quantity label="Days of work a week" path="brief.daysPerWeek" placeholder="5" />
        <pz-quantity label="Dissolved solids of the tap" path="brief.tapSolids" placeholder="not measured" />
      </div>
      <div does>
        <pz-day-summary />
        <h2>What the figures take for granted</h2>
        <pz-facts [facts]="facts()" />
        <table>
          <caption class="unseen">
            Assumptions
          </caption>
          <thead>
            <tr>
              <th>Assumption</th>
              <th>Kind</th>
              <th>Value</th>
            </tr>
          </thead>
          <tbody>
            @for (a of shown(); track a.id) {
              <tr [class.own]="a.own">
                <td>
                  {{ a.label }}<small>{{ a.source }}</small>
                </td>
                <td class="kind">{{ a.kind }}</td>
                <td>
                  <input
                    #box
                    type="text"
                    [value]="a.text"
                    [attr.aria-label]="a.label"
                    [attr.aria-invalid]="a.error ? 'true' : null"
                    [attr.aria-describedby]="a.error ? 'error-' + a.id : null"
                    (change)="set(a.id, box.value); box.value = textOf(a.id)"
                    (keydown.escape)="forget(a.id); box.value = a.stored"
                  />
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
                  @if (a.error) {
                    <p role="alert" class="shout" [id]="'error-' + a.id">{{ a.error }}</p>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
        <button type="button" mat-stroked-button class="small" (click)="all.set(!all())">
          {{ all() ? 'Only those used here' : 'All ' + assumptions().length + ' assumptions' }}
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
    table {
      width: 100%;
      border-collapse: collapse;
      margin-top: 8px;
    }
    th {
      text-align: left;
      font-weight: 600;
      color: var(--ink-quiet);
      border-bottom: 2px solid var(--line);
      padding: 4px 8px 4px 0;
    }
    td {
      border-bottom: 1px solid var(--line);
      padding: 5px 8px 5px 0;
      vertical-align: top;
    }
    small {
      display: block;
      color: var(--ink-quiet);
      font-size: 12.5px;
    }
    .kind {
      white-space: nowrap;
      color: var(--ink-quiet);
    }
    td:last-child {
      white-space: nowrap;
    }
    td p {
      margin: 2px 0 0;
      max-width: 190px;
      white-space: normal;
      font-size: 13.5px;
    }
    input {
      width: 92px;
      height: 29px;
      text-align: right;
      padding: 2px 8px;
      font-weight: 600;
      border: 1px solid var(--field-line);
      border-radius: 4px;
      background: var(--field);
    }
    .own input {
      border-color: var(--water);
      border-width: 2px;
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
    this.rig.edit('Add a kind of job', (d) => void (d.brief.washes ??= []).push({ surface: 'house', area: '2500 ft²', perDay: '2' }));
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
        label: 'Sources not looked up',
        text: `${used.filter((x) => x.unverified).length} assumptions, ${UNVERIFIED_EQUATIONS} of ${EQUATION_COUNT} equations`,
      },
    ];
  });
  protected readonly assumptions = computed(() => {
    const own = this.rig.document()?.assumptions ?? {};
    const refused = this.refused();
    return ASSUMPTIONS.map((a) => {
      const stored = own[a.id] ?? a.value;
      const { text, reason } = refused[a.id] ?? { text: stored, reason: '' };
      return {
        id: a.id,
        label: a.label,
        source: `${a.source}${a.unverified ? ' Unverified.' : ''}`,
        kind: KIND[a.kind],
        own: a.id in own,
        stored,
        text,
        error: reason,
      };
    });
  });

  protected textOf(id: string): string {
    return this.assumptions().find((a) => a.id === id)!.text;
  }
  protected forget(id: string): void {
    this.refused.update(({ [id]: _gone, ...rest }) => rest);
  }
  protected set(id: string, text: string): void {
    const assumption = findAssumption(id)!;
    this.forget(id);
    if (text.trim() === '') return this.rig.edit(assumption.label, (d) => void delete d.assumptions[id]);
    const unit = assumption.value.replace(/^[-\d.,\s/]+/, '');
    const read = readField(assumptionRule(assumption), text, unit);
    if (read.ok) return this.rig.edit(assumption.label, (d) => void (d.assumptions[id] = read.text));
    this.refused.update((all) => ({ ...all, [id]: { text, reason: read.error.message } }));
  }
}
