import {
  arrangeSteps,
  compareOptionsSteps,
  compareWaysSteps,
  type DayModel,
  dayModel,
  gatherSample,
  parseRig,
  type RigDocument,
  RigError,
  sampleSteps,
  sensitivitySteps,
  simulateModel,
  sizingSteps,
} from '@pozzo/core';
import * as v from 'valibot';
import { readRigText } from '../yard/rig-file';
import { type HeavyAnswer, type HeavyAsk, HeavyRequestShape } from './heavy-messages';

const cancelled = new Set<number>();
const send = (answer: HeavyAnswer): void => postMessage(answer);
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

let made: { readonly text: string; readonly model: DayModel } | undefined;

/** The rig made ready for its days; kept while the same document is asked about. */
function ready(document: RigDocument): DayModel {
  const text = JSON.stringify(document);
  if (made?.text !== text) made = { text, model: dayModel(parseRig(document)) };
  return made.model;
}

/** Work without a place to look up. */
// eslint-disable-next-line require-yield -- done in one go
function* atOnce<T>(get: () => T): Generator<number, T> {
  return get();
}

/** Steps of a piece of work: each gives the share done so far. */
function stepsOf(ask: HeavyAsk): Generator<number, unknown> {
  switch (ask.kind) {
    case 'read':
      return atOnce(() => readRigText(ask.name, ask.text));
    case 'ways':
      return compareWaysSteps(ask.document, ask.mixId);
    case 'day':
      return atOnce(() => simulateModel(ready(ask.document)));
    case 'sample':
      return sampleSteps(ready(ask.document), ask.seed, ask.from, ask.count);
    case 'gather':
      return atOnce(() => gatherSample(ready(ask.document), ask.seed, [ask.part]));
    case 'sizing':
      return sizingSteps(ask.document, ask.days, ask.seed);
    case 'swings':
      return sensitivitySteps(ask.document, ask.days, ask.seed);
    case 'arrange':
      return arrangeSteps(ask.document, ask.way, ask.seed);
    case 'compare':
      return compareOptionsSteps(ask.contenders, ask.days, ask.seed);
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
