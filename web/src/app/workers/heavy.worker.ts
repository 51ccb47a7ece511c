import './reader';
import { RigError } from '@pozzo/core';
import * as v from 'valibot';
import { type HeavyAnswer, type HeavyAsk, HeavyRequestShape } from './heavy-messages';
import { stepsOf } from './heavy-work';

const cancelled = new Set<number>();
const send = (answer: HeavyAnswer): void => postMessage(answer);
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

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

/** What went wrong, for people: a rig that is not sound in the words of its fields, without their addresses. */
function words(error: unknown): string {
  if (error instanceof RigError) return error.problems.map((p) => p.message).join(' ');
  return error instanceof Error ? error.message : String(error);
}

addEventListener('message', ({ data: sent }: MessageEvent<unknown>) => {
  const read = v.safeParse(HeavyRequestShape, sent);
  // What is not ours is set aside: there is nobody to tell.
  if (!read.success) return;
  const data = read.output;
  if ('cancel' in data) cancelled.add(data.id);
  else work(data.id, data.ask).catch((error: unknown) => send({ id: data.id, state: 'failed', message: words(error) }));
});
