import { compareWaysSteps } from '@pozzo/core';
import type { HeavyAnswer, HeavyAsk, HeavyRequest } from './heavy-messages';

const cancelled = new Set<number>();
const send = (answer: HeavyAnswer): void => postMessage(answer);
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Steps of a piece of work: each gives the share done so far. */
function stepsOf(ask: HeavyAsk): Generator<number, unknown> {
  switch (ask.kind) {
    case 'ways':
      return compareWaysSteps(ask.document, ask.mixId);
  }
}

/** Runs step by step, looking up between them for a word to stop. */
async function work(id: number, ask: HeavyAsk): Promise<void> {
  const steps = stepsOf(ask);
  await breath();
  for (let lookUp = performance.now() + 12; ;) {
    if (cancelled.delete(id)) return send({ id, state: 'cancelled' });
    const step = steps.next();
    if (step.done) return send({ id, state: 'done', value: step.value });
    if (performance.now() > lookUp) {
      send({ id, state: 'working', share: step.value });
      await breath();
      lookUp = performance.now() + 12;
    }
  }
}

addEventListener('message', ({ data }: MessageEvent<HeavyRequest>) => {
  if ('cancel' in data) cancelled.add(data.id);
  else
    work(data.id, data.ask).catch((error: unknown) => send({ id: data.id, state: 'failed', message: error instanceof Error ? error.message : String(error) }));
});
