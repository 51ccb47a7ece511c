import { Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { KINDS } from '@pozzo/core/page';
import { Store } from '@ngrx/store';
import { SHOWN } from '../state/kinds';
import { KeptActions, keptFeature, type KeptLeft } from '../state/kept.feature';
import { when } from '../kit/when';

/** Edits kept in this browser that the server did not take: what each is, and what can be done with it. */
@Component({
  selector: 'pz-kept-panel',
  imports: [MatButtonModule, RouterLink],
  template: `
    @for (k of left(); track k.kind + k.id + k.tab) {
      <div class="kept" role="alert">
        <span
          ><strong>Edits of “{{ k.name }}” are only in this browser</strong> (since {{ when(k) }}). {{ k.message }}</span
        >
        @if (k.why !== 'deleted') {
          <a mat-stroked-button [routerLink]="route(k)">Open</a>
        }
        @if (isMany(k)) {
          <button mat-stroked-button type="button" (click)="keepAsNew(k)">Keep as a new {{ word(k) }}</button>
        }
        <button mat-button type="button" (click)="forget(k)">Discard</button>
      </div>
    }
  `,
  styles: `
    .kept {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      background: var(--attention-pale);
      border-left: 4px solid var(--attention);
      padding: 8px 12px;
      margin-bottom: 10px;
    }
    .kept > span {
      flex: 1 1 320px;
    }
  `,
})
export class KeptPanel {
  private readonly store = inject(Store);
  protected readonly left = this.store.selectSignal(keptFeature.selectLeft);

  protected when(k: KeptLeft): string {
    return when(k.at, 'day and time');
  }
  protected readonly word = ({ kind }: KeptLeft): string => SHOWN[kind].word;
  protected readonly route = ({ kind, id }: KeptLeft): readonly string[] => SHOWN[kind].route(id);
  /** Whether there may be another one. */
  protected readonly isMany = ({ kind }: KeptLeft): boolean => KINDS[kind].only === undefined;
  protected keepAsNew({ kind, id, tab }: KeptLeft): void {
    this.store.dispatch(KeptActions.keepAsNew({ kind, id, tab }));
  }
  protected forget({ kind, id, tab }: KeptLeft): void {
    this.store.dispatch(KeptActions.forget({ kind, id, tab }));
  }
}
