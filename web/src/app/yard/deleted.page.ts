import { Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import type { BuildSummary } from '@pozzo/core';
import { Api, asApiError } from '../state/api';
import { useWhose } from '../state/settings.feature';
import { when } from '../kit/when';

const PAGE = 50;

/** Deleted builds, the last one first, to be brought back. */
@Component({
  selector: 'pz-deleted',
  imports: [MatButtonModule, MatTableModule, RouterLink],
  template: `
    <main class="page">
      <h1>Deleted builds</h1>
      <p class="quiet">Deleted builds stay here, history included, until you restore them.</p>
      @if (error(); as e) {
        <p class="bad" role="alert">{{ e }} <button mat-stroked-button type="button" (click)="load(0)">Try again</button></p>
      }
      @if (rows().length) {
        <table mat-table [dataSource]="rows()" aria-label="Deleted builds">
          <ng-container matColumnDef="name">
            <th mat-header-cell *matHeaderCellDef>Build</th>
            <td mat-cell *matCellDef="let b">
              <strong>{{ b.name || 'Damaged build' }}</strong>
            </td>
          </ng-container>
          <ng-container matColumnDef="customer">
            <th mat-header-cell *matHeaderCellDef>Customer</th>
            <td mat-cell *matCellDef="let b">{{ b.customer }}</td>
          </ng-container>
          <ng-container matColumnDef="deleted">
            <th mat-header-cell *matHeaderCellDef>Deleted</th>
            <td mat-cell *matCellDef="let b">{{ when(b) }}</td>
          </ng-container>
          <ng-container matColumnDef="act">
            <th mat-header-cell *matHeaderCellDef><span class="unseen">What to do</span></th>
            <td mat-cell *matCellDef="let b">
              <button mat-stroked-button type="button" [attr.aria-label]="'Restore ' + b.name" (click)="bringBack(b)">Restore</button>
            </td>
          </ng-container>
          <tr mat-header-row *matHeaderRowDef="columns"></tr>
          <tr mat-row *matRowDef="let row; columns: columns"></tr>
        </table>
        @if (rows().length < total()) {
          <p>
            <button mat-stroked-button type="button" (click)="load(rows().length)">Show more ({{ total() - rows().length }} left)</button>
          </p>
        }
      } @else if (known() && !error()) {
        <p class="state">No build has been deleted.</p>
      } @else if (!error()) {
        <p class="state" role="status">Looking…</p>
      }
      <p><a mat-button routerLink="/">To the yard</a></p>
    </main>
  `,
})
export class DeletedPage {
  private readonly api = inject(Api);
  private readonly whose = useWhose();
  protected readonly rows = signal<readonly BuildSummary[]>([]);
  protected readonly total = signal(0);
  protected readonly known = signal(false);
  protected readonly error = signal('');
  protected readonly columns = ['name', 'customer', 'deleted', 'act'];

  constructor() {
    void this.load(0);
  }

  protected async load(from: number): Promise<void> {
    try {
      const page = await this.api.page({ from, count: PAGE, deleted: true });
      this.rows.update((rows) => [...rows.slice(0, from), ...page.builds]);
      this.total.set(page.total);
      this.known.set(true);
      this.error.set('');
    } catch (e) {
      this.error.set(asApiError(e).message);
    }
  }
  protected async bringBack(b: BuildSummary): Promise<void> {
    try {
      await this.api.restore('build', b.id, this.whose());
      await this.load(0);
    } catch (e) {
      this.error.set(asApiError(e).message);
    }
  }
  protected when(b: BuildSummary): string {
    return b.deletedAt ? when(b.deletedAt, 'date and time') : '';
  }
}
