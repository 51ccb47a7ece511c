import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import type { Backups } from '@pozzo/core';
import { Api, asApiError } from '../state/api';
import { when } from '../kit/when';

/** Backups of the yard: those there are, a new one now, and how to bring one back. */
@Component({
  selector: 'pz-backups',
  imports: [MatButtonModule, MatProgressBarModule, MatTableModule, RouterLink],
  template: `
    <main class="page">
      <h1>Backups</h1>
      <p class="quiet">
        Once a day the whole yard is backed up by itself, the last fourteen days are kept. Each is one zip file: the database, checked, and every build as a rig
        file.
        @if (list(); as l) {
          They are in <code>{{ l.folder }}</code>. A folder on another disk is safer: set POZZO_BACKUPS.
        }
      </p>
      @if (list()?.trouble; as t) {
        <p class="bad" role="alert">Last daily backup failed: {{ t }}</p>
      }
      @if (error(); as e) {
        <p class="bad" role="alert">{{ e }}</p>
      }
      <p>
        <button mat-flat-button type="button" [disabled]="working()" (click)="make()">Back up now</button>
        <span class="said" role="status">{{ said() }}</span>
      </p>
      @if (working()) {
        <mat-progress-bar mode="indeterminate" aria-label="Backing up" />
      }
      @if (rows().length) {
        <table mat-table [dataSource]="rows()" aria-label="Backups">
          <ng-container matColumnDef="at">
            <th mat-header-cell *matHeaderCellDef>Made</th>
            <td mat-cell *matCellDef="let b">{{ b.when }}</td>
          </ng-container>
          <ng-container matColumnDef="name">
            <th mat-header-cell *matHeaderCellDef>File</th>
            <td mat-cell *matCellDef="let b">{{ b.name }}</td>
          </ng-container>
          <ng-container matColumnDef="size">
            <th mat-header-cell *matHeaderCellDef class="number">Size, MB</th>
            <td mat-cell *matCellDef="let b" class="number">{{ b.size }}</td>
          </ng-container>
          <ng-container matColumnDef="act">
            <th mat-header-cell *matHeaderCellDef><span class="unseen">What to do</span></th>
            <td mat-cell *matCellDef="let b">
              <a mat-stroked-button [href]="'/api/v1/backups/' + b.name" download [attr.aria-label]="'Download ' + b.name">Download</a>
            </td>
          </ng-container>
          <tr mat-header-row *matHeaderRowDef="columns"></tr>
          <tr mat-row *matRowDef="let row; columns: columns"></tr>
        </table>
      } @else if (list()) {
        <p class="state">There is no backup yet.</p>
      }
      <h2>Restore a backup</h2>
      <p>
        Stop Pozzo, then on the command line: <code>npm run -s pozzo -- restore &lt;file.zip&gt;</code>. What is in the yard now is kept beside it, so that
        nothing is lost by it. To check the yard (read only): <code>npm run -s pozzo -- check</code>.
      </p>
      <p><a mat-button routerLink="/">To the yard</a></p>
    </main>
  `,
  styles: `
    .said {
      margin-left: 12px;
    }
    code {
      overflow-wrap: anywhere;
    }
  `,
})
export class BackupsPage {
  private readonly api = inject(Api);
  protected readonly list = signal<Backups | null>(null);
  protected readonly working = signal(false);
  protected readonly error = signal('');
  protected readonly said = signal('');
  protected readonly columns = ['at', 'name', 'size', 'act'];
  protected readonly rows = computed(() =>
    (this.list()?.backups ?? []).map((b) => ({
      name: b.name,
      when: when(b.at, 'date and time'),
      size: (b.bytes / 1e6).toFixed(b.bytes < 1e7 ? 2 : 0),
    })),
  );

  constructor() {
    void this.load();
  }

  protected async make(): Promise<void> {
    this.working.set(true);
    this.said.set('');
    this.error.set('');
    try {
      const made = await this.api.backUp();
      this.said.set(`Done: ${made.builds} ${made.builds === 1 ? 'build' : 'builds'}, opened and checked.`);
      await this.load();
    } catch (e) {
      this.error.set(asApiError(e).message);
    } finally {
      this.working.set(false);
    }
  }
  private async load(): Promise<void> {
    try {
      this.list.set(await this.api.backups());
    } catch (e) {
      this.error.set(asApiError(e).message);
    }
  }
}
