import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { STATION_WORDS } from '../bench/station-words';
import { Away } from './away';

/** Tells what could not be fetched, and that it is tried again. */
@Component({
  selector: 'pz-away',
  imports: [MatButtonModule],
  template: `@if (away.missing() !== null) {
    <p class="away" role="alert">
      <span>{{ words() }}</span>
      <button mat-stroked-button type="button" (click)="again()">Try again</button>
    </p>
  }`,
  styles: `
    .away {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      align-items: center;
      margin: 0;
      padding: 10px var(--gutter);
      background: var(--attention-pale);
      border-left: 4px solid var(--attention);
      font-weight: 600;
    }
  `,
})
export class AwayBar {
  protected readonly away = inject(Away);
  protected readonly words = computed(() => {
    const url = this.away.missing();
    if (!url) return 'Part of this page could not be fetched: the server was away. What you typed is kept.';
    return `The server is away: ${this.nameOf(url)} opens as soon as it is back. What you typed is kept.`;
  });

  private nameOf(url: string): string {
    const [, room, , station] = url.split(/[?#]/)[0].split('/');
    if (room !== 'rig') return 'the page you asked for';
    return station !== undefined && station in STATION_WORDS ? STATION_WORDS[station as keyof typeof STATION_WORDS].name : 'the build';
  }

  protected again(): void {
    void this.away.look();
  }
}
