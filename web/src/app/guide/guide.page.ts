import { Location } from '@angular/common';
import { afterNextRender, afterRenderEffect, Component, ElementRef, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { spell } from '@pozzo/core/page';
import guide from './guide.md';
import { chaptersOf } from './chapters';

/** The guide, opened at the chapter that the address names. */
@Component({
  selector: 'pz-guide',
  imports: [MatButtonModule, RouterLink],
  template: `
    <main>
      <nav aria-label="Chapters">
        <button mat-stroked-button type="button" class="small" (click)="back()">Back to the work</button>
        @for (c of chapters; track c.id) {
          <a routerLink="/guide" [fragment]="c.id" [class.deep]="c.depth > 2" [attr.aria-current]="c.id === fragment() ? 'true' : null">{{ c.title }}</a>
        }
      </nav>
      <div class="text">
        <h1>Guide</h1>
        @for (c of chapters; track c.id) {
          <section [id]="c.id">
            @if (c.depth > 2) {
              <h3 tabindex="-1">{{ c.title }}</h3>
            } @else {
              <h2 tabindex="-1">{{ c.title }}</h2>
            }
            <div [innerHTML]="c.html"></div>
          </section>
        }
      </div>
    </main>
  `,
  styles: `
    main {
      display: grid;
      grid-template-columns: 220px minmax(0, 760px);
      gap: 24px;
      padding: 16px var(--gutter) 48px;
      max-width: 1080px;
      margin: 0 auto;
    }
    nav {
      position: sticky;
      top: 12px;
      align-self: start;
      display: flex;
      flex-direction: column;
      max-height: calc(100vh - 24px);
      overflow-y: auto;
    }
    nav a {
      padding: 3px 8px;
      text-decoration: none;
      font-weight: 600;
    }
    nav button {
      margin: 4px 4px 10px;
    }
    nav a.deep {
      padding-left: 20px;
      font-weight: 400;
    }
    nav a[aria-current] {
      background: var(--water-pale);
    }
    h1 {
      font-size: 28px;
    }
    h2 {
      margin-top: 26px;
    }
    h3 {
      margin-top: 18px;
      color: var(--ink);
      font-size: 19px;
    }
    :is(h2, h3):focus {
      outline: none;
    }
    section {
      scroll-margin-top: 12px;
    }
    @media (max-width: 760px) {
      main {
        grid-template-columns: minmax(0, 1fr);
      }
      nav {
        position: static;
        max-height: none;
      }
      nav a {
        display: none;
      }
    }
  `,
})
export class GuidePage {
  private readonly location = inject(Location);
  private readonly root = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly chapters = chaptersOf(spell(guide));
  protected readonly fragment = toSignal(inject(ActivatedRoute).fragment, { initialValue: null });

  constructor() {
    afterNextRender(() => this.show());
    afterRenderEffect(() => {
      this.fragment();
      this.show();
    });
  }
  private show(): void {
    const chapter = this.chapters.find((c) => c.id === this.fragment());
    if (!chapter) return;
    const section = this.root.nativeElement.querySelector(`#${chapter.id}`);
    section?.scrollIntoView?.({ block: 'start' });
    section?.querySelector<HTMLElement>('h2, h3')?.focus({ preventScroll: true });
  }
  protected back(): void {
    this.location.back();
  }
}
