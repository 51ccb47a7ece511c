import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { SHOWN } from '../state/kinds';
import type { AnyRecord } from '../state/open-record';
import { type NotKept, Outbox } from '../state/outbox';
import { ConflictPanel } from './conflict-panel';

/** Said where this browser keeps no edits: by what stands in the way. */
const NOT_KEPT: Readonly<Record<NotKept | 'refused', string>> = {
  'older-tab': 'Another tab shows an older Pozzo and holds this browser’s store of edits: close that tab.',
  'newer-tab': 'A newer Pozzo is open in another tab: load this page again once all is saved.',
  silent: 'This browser’s store of edits does not answer.',
  refused: 'Your edits aren’t saved anywhere: browser storage is full or blocked.',
};

/** All that stands in the way of saving an open record, each with what can be done; nothing while all is well. */
@Component({
  selector: 'pz-saving',
  imports: [ConflictPanel, MatButtonModule],
  template: `
    @if (state().conflict) {
      <pz-conflict [of]="of()" />
    }
    @if (state().saveError; as e) {
      <p class="bad" role="alert">{{ state().save === 'offline' ? '' : 'Last change not saved: ' }}{{ e }}</p>
    }
    @if (state().save === 'deleted') {
      <div class="bad gone" role="alert">
        <span>This {{ word() }} was deleted elsewhere. Your edits are kept here.</span>
        <button mat-flat-button type="button" (click)="of().bringBack()">Restore it</button>
        <button mat-stroked-button type="button" (click)="of().keepAsNew()">Keep it as a new {{ word() }}</button>
      </div>
    }
    @if (!state().kept && state().save !== 'saved') {
      <p class="bad" role="alert">{{ notKept() }} The server doesn’t have them yet. Keep this page open.</p>
    }
  `,
})
export class SavingPanel {
  readonly of = input.required<AnyRecord>();
  private readonly outbox = inject(Outbox);
  protected readonly state = computed(() => this.of().state());
  protected readonly word = computed(() => SHOWN[this.of().of.kind].word);
  /** Why this browser keeps no edits. */
  protected readonly notKept = computed(() => NOT_KEPT[this.outbox.why() ?? 'refused']);
}
