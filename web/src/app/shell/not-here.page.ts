import { Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'pz-not-here',
  imports: [MatButtonModule, RouterLink],
  template: `<main>
    <h2>There is nothing at this address.</h2>
    <p><a mat-stroked-button routerLink="/">To the yard</a></p>
  </main>`,
  styles: `
    main {
      padding: 48px var(--gutter);
      max-width: 640px;
      margin: auto;
    }
  `,
})
export class NotHerePage {}
