/** Apart from their clients, since `import.meta.url` exists only in the built application. */
export const makeAssessWorker = (): Worker => new Worker(new URL('./assess.worker', import.meta.url), { type: 'module' });
export const heavyWorkers = {
  make: (): Worker => new Worker(new URL('./heavy.worker', import.meta.url), { type: 'module' }),
  most: Math.max(1, Math.min(globalThis.navigator?.hardwareConcurrency ?? 2, 8)),
};
