import { Worker } from 'node:worker_threads';
import { AppError, YardError } from '../errors.js';
import { type JobName, type Jobs, JOBS } from './jobs.js';

/** Does jobs away from what serves requests. */
export interface Work {
  /** @throws {AppError} 503 where it takes too long or too much waits already */
  run<K extends JobName>(name: K, ask: Jobs[K]['ask']): Promise<Jobs[K]['gives']>;
  /** Gets ready, so that the first job waits for nothing. */
  warm(): void;
  stop(): Promise<void>;
}

/** In this very thread: for tests, where no built worker is. */
export const inlineWork: Work = {
  run: (name, ask) => Promise.resolve().then(() => JOBS[name](ask)),
  warm: () => undefined,
  stop: () => Promise.resolve(),
};

interface Waiting {
  readonly id: number;
  readonly name: JobName;
  readonly ask: unknown;
  readonly done: (value: unknown) => void;
  readonly fail: (error: Error) => void;
}

const MOST_WAITING = 200;

/** One worker thread with a queue. A job over its time is ended with its thread; the next one gets a new thread. */
export class WorkThread implements Work {
  private worker: Worker | undefined;
  private readonly queue: Waiting[] = [];
  private now: Waiting | undefined;
  private clock: NodeJS.Timeout | undefined;
  private next = 0;
  private stopped = false;

  constructor(
    private readonly script: URL,
    private readonly limitMs: number,
  ) {}

  run<K extends JobName>(name: K, ask: Jobs[K]['ask']): Promise<Jobs[K]['gives']> {
    return new Promise((done, fail) => {
      if (this.stopped) return fail(new AppError(503, 'stopping', '', '', 'The server is stopping.', 5));
      if (this.queue.length >= MOST_WAITING) return fail(new AppError(503, 'busy', '', '', 'Busy calculating. Try again in a moment.', 2));
      this.queue.push({ id: ++this.next, name, ask, done: done as (value: unknown) => void, fail });
      this.begin();
    });
  }

  private begin(): void {
    if (this.now || this.stopped) return;
    this.now = this.queue.shift();
    if (!this.now) return;
    const { id, name, ask } = this.now;
    this.worker ??= this.start();
    this.clock = setTimeout(() => {
      const w = this.worker;
      this.worker = undefined;
      this.end(new AppError(503, 'too-long', '', `≤ ${this.limitMs / 1000} s`, `This took longer than ${this.limitMs / 1000} s and was stopped.`));
      void w?.terminate();
    }, this.limitMs);
    try {
      this.worker.postMessage({ id, name, ask });
    } catch (error) {
      // What cannot be handed over is told to whoever asked; the thread is free for the next.
      this.end(error as Error);
    }
  }

  warm(): void {
    if (!this.stopped) this.worker ??= this.start();
  }

  private start(): Worker {
    const worker = new Worker(this.script);
    worker.unref();
    worker.on('message', ({ id, value, failed }: { id: number; value?: unknown; failed?: { kind: string; message: string; stack: string } }) => {
      if (this.now?.id !== id) return;
      if (failed === undefined) this.end(undefined, value);
      else this.end(failed.kind === 'YardError' ? new YardError(failed.message) : Object.assign(new Error(failed.message), { stack: failed.stack }));
    });
    const broke = (error: Error): void => {
      if (this.worker !== worker) return;
      this.worker = undefined;
      this.end(error);
    };
    worker.on('error', broke);
    worker.on('exit', (code) => broke(new Error(`The thread of the work ended with ${code}.`)));
    return worker;
  }

  private end(error: Error | undefined, value?: unknown): void {
    const was = this.now;
    clearTimeout(this.clock);
    this.now = undefined;
    if (error) was?.fail(error);
    else was?.done(value);
    this.begin();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    const stopping = new AppError(503, 'stopping', '', '', 'The server is stopping.', 5);
    for (const w of this.queue.splice(0)) w.fail(stopping);
    const worker = this.worker;
    this.worker = undefined;
    this.end(stopping);
    await worker?.terminate();
  }
}
