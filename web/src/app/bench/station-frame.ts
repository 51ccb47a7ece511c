import { afterNextRender, Component, ElementRef, inject, input, type OnDestroy } from '@angular/core';
import type { Station } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { HelpColumn } from './help-column';
import { KeptScroll } from './kept-scroll';

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
    // Each column scrolls by itself; what stands above them stays.
    @media screen and (min-width: 1081px) and (min-height: 600px) {
      :host {
        grid-template-rows: minmax(0, 1fr);
        min-height: 0;
      }
      section,
      aside {
        overflow-y: auto;
        overscroll-behavior: contain;
        scrollbar-gutter: stable;
      }
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
export class StationFrame implements OnDestroy {
  private readonly root = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly rig = inject(RigStore);
  private readonly scrolled = inject(KeptScroll);
  readonly heading = input.required<string>();
  readonly station = input.required<Station>();
  readonly calm = input('No problems found here.');

  constructor() {
    const root = this.root.nativeElement;
    afterNextRender(() => {
      const key = `${this.rig.state().id}/${this.station()}`;
      const columns = [...root.children];
      // Charts and tables come a moment after the page; a hand that comes first has its way.
      let handed = false;
      for (const by of ['wheel', 'pointerdown', 'keydown']) root.addEventListener(by, () => (handed = true), { passive: true, once: true });
      const put = (tries: number): void => {
        if (!handed && !this.scrolled.restore(key, columns) && tries > 0) this.later = setTimeout(() => put(tries - 1), 120);
        else root.addEventListener('scroll', () => this.scrolled.keep(key, columns), { capture: true, passive: true });
      };
      put(25);
    });
  }
  private later: ReturnType<typeof setTimeout> | undefined;
  ngOnDestroy(): void {
    clearTimeout(this.later);
  }
}
