import { Component, input } from '@angular/core';
import type { Station } from '@pozzo/core';
import { HelpColumn } from './help-column';

/** The three columns of every station: what you set, what the water does, what would help. */
@Component({
  selector: 'pz-station',
  imports: [HelpColumn],
  template: `
    <section class="set" aria-label="What you set">
      <h2>{{ heading() }}</h2>
      <ng-content select="[set]" />
    </section>
    <section class="does" aria-label="What the water does"><ng-content select="[does]" /></section>
    <aside class="help" aria-label="What would help"><ng-content select="[help]" /><pz-help [station]="station()" [calm]="calm()" /></aside>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 300px minmax(0, 1fr) 300px;
      flex: 1;
      min-width: 0;
    }
    section,
    aside {
      padding: 16px;
      min-width: 0;
    }
    .set {
      border-right: 1px solid var(--line);
    }
    .does {
      background: var(--ground-2);
    }
    .help {
      border-left: 1px solid var(--line);
    }
    h2 {
      margin-bottom: 6px;
    }
    @media (max-width: 1080px) {
      :host {
        grid-template-columns: 290px minmax(0, 1fr);
      }
      .help {
        grid-column: 1 / -1;
        border-left: 0;
        border-top: 1px solid var(--line);
      }
    }
    @media (max-width: 760px) {
      :host {
        display: block;
      }
      .set {
        border-right: 0;
      }
    }
  `,
})
export class StationFrame {
  readonly heading = input.required<string>();
  readonly station = input.required<Station>();
  readonly calm = input('Nothing here holds the work back.');
}
