import { readerLocale } from '@pozzo/core/page';

/** Apart from their clients, since `import.meta.url` exists only in the built application. A worker is called by the reader's locale, which it spells in. */
export const makeAssessWorker = (): Worker => new Worker(new URL('./assess.worker', import.meta.url), { type: 'module', name: readerLocale() });
export const heavyWorkers = {
  make: (): Worker => new Worker(new URL('./heavy.worker', import.meta.url), { type: 'module', name: readerLocale() }),
  most: Math.max(1, Math.min(globalThis.navigator?.hardwareConcurrency ?? 2, 8)),
};
