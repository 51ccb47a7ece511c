import { Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { TopBar } from './top-bar';

@Component({
  selector: 'pz-root',
  imports: [RouterOutlet, TopBar],
  template: `<pz-top-bar /><router-outlet />`,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 100%;
    }
  `,
})
export class App {}
