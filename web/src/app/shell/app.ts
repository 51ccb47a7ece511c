import { Component, DOCUMENT, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { AwayBar } from './away-bar';
import { TopBar } from './top-bar';

@Component({
  selector: 'pz-root',
  imports: [AwayBar, RouterOutlet, TopBar],
  template: `<a class="skip" href="#work" (click)="skip($event)">Skip to content</a><pz-top-bar /><pz-away /><router-outlet />`,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 100%;
    }
    .skip {
      position: absolute;
      left: 8px;
      top: -60px;
      z-index: 10;
      padding: 10px 16px;
      background: var(--card);
      border: 2px solid var(--ink);
      border-radius: 4px;
      font-weight: 600;
    }
    .skip:focus {
      top: 6px;
    }
  `,
})
export class App {
  private readonly document = inject(DOCUMENT);
  /** Past the bar, the waterway and the list of stations. */
  protected skip(event: Event): void {
    event.preventDefault();
    const main = this.document.querySelector<HTMLElement>('main');
    main?.setAttribute('tabindex', '-1');
    main?.focus();
  }
}
