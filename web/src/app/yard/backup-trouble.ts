import { Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { Api } from '../state/api';

/** Told in the yard, where a builder looks every day, while the daily backup does not work. */
@Component({
  selector: 'pz-backup-trouble',
  imports: [MatButtonModule, RouterLink],
  template: `@if (trouble(); as t) {
    <p class="bad" role="alert">
      <span>Last daily backup failed: {{ t }}</span>
      <a mat-stroked-button routerLink="/backups">Backups</a>
    </p>
  }`,
  styles: `
    .bad {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      align-items: center;
      margin: 0 0 12px;
      padding: 8px 16px;
      background: var(--attention-pale);
      border-left: 4px solid var(--attention);
    }
  `,
})
export class BackupTrouble {
  protected readonly trouble = signal<string | null>(null);

  constructor() {
    // A server that is away is told of by the yard itself.
    void inject(Api)
      .backups()
      .then(
        (b) => this.trouble.set(b.trouble),
        () => undefined,
      );
  }
}
