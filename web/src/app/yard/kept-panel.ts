import { Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { KeptActions, keptFeature, type KeptLeft } from '../state/kept.feature';

/** Edits kept in this browser that the server did not take: what each is, and what can be done with it. */
@Component({
  selector: 'pz-kept-panel',
  imports: [MatButtonModule, RouterLink],
  template: `
    @for (k of left(); track k.id + k.tab) {
      <div class="kept" role="alert">
        <span
          ><strong>Edits of “{{ k.name }}” are kept here only</strong> (since {{ when(k) }}). {{ k.message }}</span
        >
        @if (k.why !== 'deleted') {
          <a mat-stroked-button [routerLink]="['/rig', k.id]">Open</a>
        }
        <button mat-stroked-button type="button" (click)="keepAsNew(k)">Keep as a new build</button>
        <button mat-button type="button" (click)="forget(k)">Throw away</button>
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
    return new Date(k.at).toLocaleString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
  }
  protected keepAsNew({ id, tab }: KeptLeft): void {
    this.store.dispatch(KeptActions.keepAsNew({ id, tab }));
  }
  protected forget({ id, tab }: KeptLeft): void {
    this.store.dispatch(KeptActions.forget({ id, tab }));
  }
}
