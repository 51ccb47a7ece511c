import { Injectable, InjectionToken, inject } from '@angular/core';
import { type RigDocument, withoutOptions } from '@pozzo/core';
import { Subject } from 'rxjs';
import * as v from 'valibot';
import { type AssessAnswer, AssessAnswerShape, type AssessRequest } from './messages';

/** Makes the worker; a test gives its own. */
export const MAKE_WORKER = new InjectionToken<() => Worker>('assessment worker');

/** Asks the worker about documents; answers to anything but the latest question are dropped. */
@Injectable({ providedIn: 'root' })
export class AssessClient {
  readonly answers = new Subject<AssessAnswer>();
  private readonly make = inject(MAKE_WORKER);
  private worker: Worker | undefined;
  private sequence = 0;

  ask(document: RigDocument): void {
    this.worker ??= this.start();
    // Options kept beside the build are no part of its figures.
    this.worker.postMessage({ sequence: ++this.sequence, document: withoutOptions(document) } satisfies AssessRequest);
  }

  private start(): Worker {
    const worker = this.make();
    worker.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      const read = v.safeParse(AssessAnswerShape, data);
      if (!read.success)
        return this.answers.next({ sequence: this.sequence, kind: 'failed', message: 'The calculation answered in words that are not known here.' });
      if (read.output.sequence === this.sequence) this.answers.next(read.output);
    });
    worker.addEventListener('error', (event) => {
      this.worker = undefined;
      this.answers.next({ sequence: this.sequence, kind: 'failed', message: event.message || 'The calculation stopped.' });
    });
    return worker;
  }
}
