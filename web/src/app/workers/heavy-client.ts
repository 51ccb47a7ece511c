import { inject, Injectable, InjectionToken } from '@angular/core';
import { filter, map, Observable } from 'rxjs';
import * as v from 'valibot';
import { HeavyAnswerShape, type HeavyAsk, type HeavyKind, type HeavyRequest, type HeavyWork } from './heavy-messages';

/** Makes a worker for long work, and says how many may run at once; a test gives its own. */
export const HEAVY_WORKERS = new InjectionToken<{ readonly make: () => Worker; readonly most: number }>('workers for long work');

export type Progress<T> = { readonly state: 'working'; readonly share: number } | { readonly state: 'done'; readonly value: T };

/** Why a piece of work failed, for people. */
export const reasonOf = (error: unknown): string => (error instanceof Error ? error.message : 'The calculation stopped.');

/** Only what a piece of work gives in the end. */
export const doneOf = <T>(work: Observable<Progress<T>>): Observable<T> =>
  work.pipe(
    filter((p) => p.state === 'done'),
    map((p) => p.value),
  );

interface Hand {
  readonly worker: Worker;
  busy: number;
}

/** Long work in as many workers as the machine has cores. Unsubscribing cancels; a failure is an error of the stream. */
@Injectable({ providedIn: 'root' })
export class HeavyClient {
  private readonly kind = inject(HEAVY_WORKERS);
  private readonly hands: Hand[] = [];
  private next = 0;

  get most(): number {
    return this.kind.most;
  }

  run<K extends HeavyKind>(kind: K, ask: HeavyWork[K]['ask']): Observable<Progress<HeavyWork[K]['gives']>> {
    return new Observable((out) => {
      const id = ++this.next;
      const hand = this.hand();
      const { worker } = hand;
      let over = false;
      hand.busy++;
      const end = (): void => {
        if (!over) hand.busy--;
        over = true;
      };
      const heard = ({ data: sent }: MessageEvent<unknown>): void => {
        const read = v.safeParse(HeavyAnswerShape, sent);
        if (!read.success) {
          end();
          return out.error(new Error('The calculation answered in words that are not known here.'));
        }
        const data = read.output;
        if (data.id !== id) return;
        if (data.state === 'working') return out.next(data);
        end();
        if (data.state === 'done') out.next({ state: 'done', value: data.value as HeavyWork[K]['gives'] });
        if (data.state === 'failed') out.error(new Error(data.message));
        else out.complete();
      };
      const broke = (event: ErrorEvent): void => {
        end();
        const place = this.hands.indexOf(hand);
        if (place >= 0) this.hands.splice(place, 1);
        out.error(new Error(event.message || 'The calculation stopped.'));
      };
      worker.addEventListener('message', heard);
      worker.addEventListener('error', broke);
      worker.postMessage({ id, ask: { kind, ...ask } as HeavyAsk } satisfies HeavyRequest);
      return () => {
        worker.removeEventListener('message', heard);
        worker.removeEventListener('error', broke);
        if (!over) worker.postMessage({ id, cancel: true } satisfies HeavyRequest);
        end();
      };
    });
  }

  /** The idlest worker; a new one while there may be more and none is idle. */
  private hand(): Hand {
    const idlest = this.hands.reduce<Hand | undefined>((a, b) => (!a || b.busy < a.busy ? b : a), undefined);
    if (idlest && (idlest.busy === 0 || this.hands.length >= this.kind.most)) return idlest;
    const made: Hand = { worker: this.kind.make(), busy: 0 };
    this.hands.push(made);
    return made;
  }
}
