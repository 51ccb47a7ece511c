import type { Logger } from 'pino';
import { message } from '@pozzo/core';
import { AppError } from '../errors.js';
import type { Given, JudgementStore, Waiting } from '../store/judgements.js';
import type { Work } from './work.js';

/** How many are judged before they are written, at most. */
const BATCH = 8;
const WRITE_AFTER_MS = 400;
const REST_MS = 30_000;
/** Refusals of a thread that is ending, or has too much to do. */
const NOBODY: ReadonlySet<string> = new Set(['stopping', 'busy']);

/**
 * Judges the yard in the background: what was just saved first, then all that this engine has not judged, then the days
 * of each. One at a time, in a thread of its own; it never holds up a save.
 */
export class JudgeYard {
  private readonly urgent: string[] = [];
  private wakeUp: (() => void) | undefined;
  private stopped = false;
  private running: Promise<void> | undefined;

  constructor(
    private readonly store: JudgementStore,
    private readonly work: Work,
    private readonly log: Logger,
  ) {}

  start(): void {
    this.running ??= this.loop();
  }

  /** A build was saved: it comes next. */
  wake(id?: string): void {
    if (id !== undefined && !this.urgent.includes(id)) this.urgent.push(id);
    if (this.urgent.length > 500) this.urgent.splice(0, this.urgent.length - 500);
    this.wakeUp?.();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    this.wakeUp?.();
    await this.running;
  }

  private async loop(): Promise<void> {
    while (!this.stopped) {
      try {
        if (await this.round()) continue;
      } catch (error) {
        if (!this.stopped) this.log.warn({ err: error }, 'judging the yard was held up');
      }
      if (this.stopped) break;
      await new Promise<void>((done) => {
        const clock = setTimeout(done, this.urgent.length ? 1000 : REST_MS);
        clock.unref();
        this.wakeUp = () => {
          clearTimeout(clock);
          done();
        };
      });
      this.wakeUp = undefined;
    }
  }

  /** Judges a handful; false when nothing waits. */
  private async round(): Promise<boolean> {
    const id = this.urgent.shift();
    if (id !== undefined) {
      const w = await this.store.waits(id);
      if (!w) return true;
      if (!w.known) await this.store.put([await this.one('judge', w)]);
      // Its days wait until no save does.
      if (!this.urgent.length) await this.store.put([await this.one('sample', w)]);
      return true;
    }
    const unjudged = await this.store.waiting(BATCH, false);
    const many = unjudged.length ? unjudged : await this.store.waiting(BATCH, true);
    if (!many.length) return false;
    let given: Given[] = [];
    let since = performance.now();
    for (const w of many) {
      if (this.stopped || this.urgent.length) break;
      given.push(await this.one(unjudged.length ? 'judge' : 'sample', w));
      if (performance.now() - since < WRITE_AFTER_MS) continue;
      await this.store.put(given);
      given = [];
      since = performance.now();
    }
    if (given.length) await this.store.put(given);
    return true;
  }

  private async one(name: 'judge' | 'sample', w: Waiting): Promise<Given> {
    try {
      return { id: w.id, version: w.version, judgement: await this.work.run(name, { document: w.document }) };
    } catch (error) {
      // That there was nobody to judge says nothing of the build: it waits.
      if (this.stopped || (error instanceof AppError && NOBODY.has(error.code))) throw error;
      this.log.warn({ err: error, build: w.id }, 'a build could not be judged');
      const headline = message('This build could not be judged: the calculation stopped. The server’s log says why.');
      return { id: w.id, version: w.version, judgement: { verdict: 'stop', scale: 'feeding', headline, chance: null, sampled: true } };
    }
  }
}
