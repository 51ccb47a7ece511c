/** Apart from its client, since `import.meta.url` exists only in the built application. */
export const makeAssessWorker = (): Worker => new Worker(new URL('./assess.worker', import.meta.url), { type: 'module' });
