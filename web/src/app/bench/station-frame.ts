import { Component, computed, inject, input } from '@angular/core';
import type { Station } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { HelpColumn } from './help-column';

/** The three columns of every station: what you set, what the water does, what would help. */
@Component({
  selector: 'pz-station',
  imports: [HelpColumn],
  host: { '[class.slim]': 'slim()' },
  template: `
    <section class="set" aria-label="What you set">
      <h2>{{ heading() }}</h2>
      <ng-content select="[set]" />
    </section>
    <section class="does" aria-label="What the water does"><ng-content select="[does]" /></section>
    <aside class="help" aria-label="What would help"><ng-content select="[help]" /><pz-help [station]="station()" [calm]="calm()" [slim]="slim()" /></aside>
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
    // Where there is little to say, it is a line above the drawing, which has the room.
    :host(.slim) {
      grid-template-columns: 300px minmax(0, 1fr);
      grid-template-rows: auto 1fr;
    }
    :host(.slim) .set {
      grid-row: 1 / span 2;
    }
    :host(.slim) .help {
      grid-column: 2;
      grid-row: 1;
      border-left: 0;
      background: var(--ground-2);
      padding-bottom: 0;
    }
    :host(.slim) .does {
      grid-column: 2;
      grid-row: 2;
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
      :host(.slim) .help {
        border-top: 0;
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
  readonly calm = input('No problems found here.');
  /** Whether the station puts something of its own beside what would help. */
  readonly helps = input(false);
  private readonly rig = inject(RigStore);
  /** Whether there is little to say: then it needs no column of its own. */
  protected readonly slim = computed(
    () =>
      !this.helps() &&
      !this.rig.assessment()?.findings.some((f) => f.station === this.station()) &&
      !this.rig.fixes().some((f) => f.station === this.station()),
  );
}
