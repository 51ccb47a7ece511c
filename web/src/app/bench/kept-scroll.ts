import { Injectable } from '@angular/core';

/** How far the columns of each station were scrolled, as long as the application is open. */
@Injectable({ providedIn: 'root' })
export class KeptScroll {
  private readonly kept = new Map<string, readonly number[]>();

  keep(key: string, columns: readonly Element[]): void {
    this.kept.set(
      key,
      columns.map((c) => c.scrollTop),
    );
  }
  /** Puts columns back where they were. @returns whether all of them are long enough for that yet */
  restore(key: string, columns: readonly Element[]): boolean {
    const tops = this.kept.get(key) ?? [];
    columns.forEach((c, i) => (c.scrollTop = tops[i] ?? 0));
    return columns.every((c, i) => Math.abs(c.scrollTop - (tops[i] ?? 0)) < 2);
  }
}
