import { ErrorHandler, inject, Injectable } from '@angular/core';

/** How long a stretch of drawing goes on before the page may do something else, ms. */
const STRETCH_MS = 12;

/** What is drawn a moment later than the page around it, in the order it was asked for, a stretch at a time. */
@Injectable({ providedIn: 'root' })
export class Pieces {
  private readonly errors = inject(ErrorHandler);
  private readonly waiting = new Set<() => void>();
  private going = false;

  /** Draws it when its turn comes; what is given back takes it off the list. */
  add(draw: () => void): () => void {
    this.waiting.add(draw);
    if (!this.going) this.go();
    return () => void this.waiting.delete(draw);
  }

  private go(): void {
    this.going = true;
    setTimeout(() => {
      const from = performance.now();
      for (const draw of this.waiting) {
        this.waiting.delete(draw);
        // One that cannot be drawn does not keep the rest from it.
        try {
          draw();
        } catch (error) {
          this.errors.handleError(error);
        }
        if (performance.now() - from > STRETCH_MS) break;
      }
      this.going = false;
      if (this.waiting.size) this.go();
    });
  }
}
