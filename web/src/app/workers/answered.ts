import { effect, inject, type Signal, signal, untracked } from '@angular/core';
import { switchMap, timer } from 'rxjs';
import { doneOf, HeavyClient, reasonOf } from './heavy-client';
import type { HeavyKind, HeavyWork } from './heavy-messages';

export interface Answered<T> {
  /** Undefined until the first answer, and where the last question failed. */
  readonly value: T | undefined;
  /** Why there is none; empty while all is well. */
  readonly error: string;
}

/**
 * What a worker gives to a question that follows signals: asked once they rest, the answer of before stands until the
 * next is there. A question of `null` asks nothing, and leaves it standing.
 * @param afterMs how long they rest; 0 asks at once
 */
export function answered<K extends HeavyKind>(kind: K, ask: () => HeavyWork[K]['ask'] | null, afterMs = 0): Signal<Answered<HeavyWork[K]['gives']>> {
  const heavy = inject(HeavyClient);
  const out = signal<Answered<HeavyWork[K]['gives']>>({ value: undefined, error: '' });
  effect((onCleanup) => {
    const asked = ask();
    if (asked === null) return;
    const run = () => doneOf(heavy.run(kind, asked));
    const work = untracked(() =>
      (afterMs > 0 ? timer(afterMs).pipe(switchMap(run)) : run()).subscribe({
        next: (value) => out.set({ value, error: '' }),
        error: (e: unknown) => out.set({ value: undefined, error: reasonOf(e) }),
      }),
    );
    onCleanup(() => work.unsubscribe());
  });
  return out.asReadonly();
}
