import { Injectable, InjectionToken, inject } from '@angular/core';
import type { Figure, RigDocument } from '@pozzo/core';
import { withoutOptions } from '@pozzo/core/page';
import { Subject } from 'rxjs';
import * as v from 'valibot';
import { type ToldAssessment, wholeOf } from './assessment-part';
import { partOfDocument } from './document-part';
import { AssessAnswerShape, type AssessMessage, type AssessRequest } from './messages';

/** What is heard of the worker, assessments whole. */
export type AssessAnswer =
  Exclude<AssessMessage, { kind: 'assessed' | 'explained' }> | { readonly sequence: number; readonly kind: 'assessed'; readonly assessment: ToldAssessment };

/** Makes the worker; a test gives its own. */
export const MAKE_WORKER = new InjectionToken<() => Worker>('assessment worker');

/** Asks the worker about documents; answers to anything but the latest question are dropped. */
@Injectable({ providedIn: 'root' })
export class AssessClient {
  readonly answers = new Subject<AssessAnswer>();
  private readonly make = inject(MAKE_WORKER);
  private worker: Worker | undefined;
  /** What this worker has sent so far. */
  private whole: ToldAssessment | undefined;
  /** The document that this worker was sent last. */
  private sent: RigDocument | undefined;
  private sequence = 0;
  private wanted: { readonly at: string; readonly told: (figure: Figure | undefined) => void }[] = [];

  ask(document: RigDocument): void {
    this.worker ??= this.start();
    // Options kept beside the build are no part of its figures.
    const own = withoutOptions(document);
    this.worker.postMessage({ sequence: ++this.sequence, kind: 'assess', part: partOfDocument(own, this.sent) } satisfies AssessRequest);
    this.sent = own;
  }

  /** How a figure of the last assessment came about, by its dotted path; undefined where there is none, or nobody left to ask. */
  explain(at: string): Promise<Figure | undefined> {
    const { worker, sequence } = this;
    if (!worker || !sequence) return Promise.resolve(undefined);
    return new Promise((told) => {
      this.wanted.push({ at, told });
      worker.postMessage({ sequence, kind: 'explain', at } satisfies AssessRequest);
    });
  }

  private start(): Worker {
    const worker = this.make();
    this.whole = undefined;
    this.sent = undefined;
    worker.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      const read = v.safeParse(AssessAnswerShape, data);
      if (!read.success)
        return this.answers.next({ sequence: this.sequence, kind: 'failed', message: 'The calculation answered in words that are not known here.' });
      const message = read.output;
      if (message.kind === 'explained') {
        const { at, figure } = message;
        for (const w of this.wanted) if (w.at === at) w.told(figure ?? undefined);
        this.wanted = this.wanted.filter((w) => w.at !== at);
        return;
      }
      // Answers that come too late are put together all the same: the next part lies over them.
      if (message.kind === 'assessed') this.whole = wholeOf(message.part, this.whole);
      if (message.sequence !== this.sequence) return;
      this.answers.next(message.kind === 'assessed' ? { sequence: message.sequence, kind: 'assessed', assessment: this.whole! } : message);
    });
    worker.addEventListener('error', (event) => {
      this.worker = undefined;
      for (const w of this.wanted) w.told(undefined);
      this.wanted = [];
      this.answers.next({ sequence: this.sequence, kind: 'failed', message: event.message || 'The calculation stopped.' });
    });
    return worker;
  }
}
