import {
  arrangeSteps,
  compareOptionsSteps,
  compareWaysSteps,
  type DayChunk,
  type DayModel,
  dayModelSteps,
  type DaySample,
  dayOf,
  gatherSample,
  parseRig,
  type Rig,
  type RigDocument,
  sampleSteps,
  sensitivitySteps,
  simulateSteps,
  sizingSteps,
  telling,
  usualDayDocument,
  variantsOf,
  weighDay,
} from '@pozzo/core';
import { readRigText } from '../yard/rig-file';
import type { HeavyAsk, WorkedDay } from './heavy-messages';

let made: { readonly text: string; readonly rig: Rig; readonly model: DayModel } | undefined;

/** The rig made ready for its days; kept while the same document is asked about. */
function* ready(document: RigDocument): Generator<number, { readonly rig: Rig; readonly model: DayModel }> {
  const text = JSON.stringify(document);
  if (made?.text === text) return made;
  const rig = parseRig(document);
  const model = yield* telling(dayModelSteps(rig), 0);
  made = { text, rig, model };
  return made;
}

function* worked(document: RigDocument): Generator<number, WorkedDay> {
  const { rig, model } = yield* ready(document);
  const day = yield* telling(simulateSteps(model), 0.5);
  return { day, made: rig.brief.day ? undefined : usualDayDocument(rig), weight: weighDay(rig, day) };
}

function* sampled({ document, seed, from, count }: Extract<HeavyAsk, { kind: 'sample' }>): Generator<number, DayChunk> {
  const { model } = yield* ready(document);
  return yield* sampleSteps(model, seed, from, count);
}

function* gathered({ document, seed, part }: Extract<HeavyAsk, { kind: 'gather' }>): Generator<number, DaySample> {
  return gatherSample((yield* ready(document)).model, seed, [part]);
}

/** Work without a place to look up. */
// eslint-disable-next-line require-yield -- done in one go
function* atOnce<T>(get: () => T): Generator<number, T> {
  return get();
}

/** Steps of a piece of work: each gives the share done so far. */
export function stepsOf(ask: HeavyAsk): Generator<number, unknown> {
  switch (ask.kind) {
    case 'read':
      return atOnce(() => readRigText(ask.name, ask.text));
    case 'ways':
      return compareWaysSteps(ask.document, ask.mixId);
    case 'plan':
      return atOnce(() => dayOf(parseRig(ask.document)));
    case 'day':
      return worked(ask.document);
    case 'sample':
      return sampled(ask);
    case 'gather':
      return gathered(ask);
    case 'sizing':
      return sizingSteps(ask.document, ask.most, ask.seed);
    case 'swings':
      return sensitivitySteps(ask.document, ask.days, ask.seed);
    case 'arrange':
      return arrangeSteps(ask.document, ask.way, ask.seed);
    case 'variants':
      return atOnce(() => variantsOf(ask.document).map(({ id, question, title }) => ({ id, question, title })));
    case 'variant':
      return atOnce(() =>
        variantsOf(ask.document)
          .find((x) => x.id === ask.id)
          ?.make(),
      );
    case 'compare':
      return compareOptionsSteps(ask.contenders, ask.most, ask.seed);
  }
}
