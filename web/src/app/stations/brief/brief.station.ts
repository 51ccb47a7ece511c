import { Component, computed, inject } from '@angular/core';
import { ASSUMPTIONS, assumptionRule, findAssumption, readField } from '@pozzo/core';
import { Facts, type Fact } from '../../kit/facts';
import { NameField } from '../../kit/name-field';
import { QuantityField } from '../../kit/quantity-field';
import { StationFrame } from '../../kit/station-frame';
import { RigStore } from '../../state/rig-store';

const KIND = { published: 'published', 'common-practice': 'common practice', estimate: 'estimate' } as const;

/** Who it is for, how long they work, and what the figures take for granted. */
@Component({
  selector: 'pz-brief-station',
  imports: [Facts, NameField, QuantityField, StationFrame],
  template: `
    <pz-station heading="Brief" station="brief" calm="The brief holds nothing against the rig.">
      <div set>
        <pz-name label="Build" path="name" />
        <pz-name label="Customer" path="customer" [optional]="true" />
        <pz-quantity label="Longest job" path="brief.job" />
        <pz-quantity label="Trigger pulled" hint="share of the job" path="brief.triggerShare" />
        <pz-quantity label="Water, usually" path="brief.water" />
        <pz-quantity label="Altitude" path="brief.altitude" />
      </div>
      <div does>
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
            @for (a of assumptions(); track a.id) {
              <tr [class.own]="a.own">
                <td>
                  {{ a.label }}<small>{{ a.source }}</small>
                </td>
                <td class="kind">{{ a.kind }}</td>
                <td>
                  <input #box type="text" [value]="a.text" [attr.aria-label]="a.label" (change)="set(a.id, box.value, box)" />
                  @if (a.own) {
                    <button
                      type="button"
                      class="plain"
                      [attr.aria-label]="'Back to the usual value of ' + a.label"
                      title="Back to the usual value"
                      (click)="set(a.id, '', box)"
                    >
                      <span class="icon" aria-hidden="true">undo</span>
                    </button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
        @if (error) {
          <p role="alert" class="shout">{{ error }}</p>
        }
      </div>
    </pz-station>
  `,
  styles: `
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
  protected error = '';
  protected readonly facts = computed<Fact[]>(() => {
    const a = this.rig.assessment();
    if (!a) return [];
    const used = a.assumptionsUsed.map((id) => findAssumption(id)!);
    return [
      { label: 'Cases solved', text: String(a.solves) },
      { label: 'Assumptions used', text: `${used.length}, ${used.filter((x) => x.kind === 'estimate').length} of them estimates` },
    ];
  });
  protected readonly assumptions = computed(() => {
    const own = this.rig.document()?.assumptions ?? {};
    return ASSUMPTIONS.map((a) => ({ id: a.id, label: a.label, source: a.source, kind: KIND[a.kind], own: a.id in own, text: own[a.id] ?? a.value }));
  });

  protected set(id: string, text: string, box: HTMLInputElement): void {
    const assumption = findAssumption(id)!;
    this.error = '';
    if (text.trim() === '') return this.rig.edit(assumption.label, (d) => void delete d.assumptions[id]);
    const unit = assumption.value.replace(/^[-\d.,\s/]+/, '');
    const read = readField(assumptionRule(assumption.dimension), text, unit);
    if (!read.ok) {
      this.error = `${assumption.label}: ${read.error.message}`;
      box.value = this.assumptions().find((a) => a.id === id)!.text;
      return;
    }
    this.rig.edit(assumption.label, (d) => void (d.assumptions[id] = read.text));
  }
}
