import { adviseSteps, assess, readRig } from '@pozzo/core';
import type { AssessAnswer, AssessRequest } from './messages';

let latest = 0;
const send = (answer: AssessAnswer): void => postMessage(answer);
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Assesses at once, then tries fixes one at a time, giving way as soon as a newer document comes. */
async function answer({ sequence, document }: AssessRequest): Promise<void> {
  const read = readRig(document);
  if (!read.ok) return send({ sequence, kind: 'refused', problems: read.problems });
  const assessment = assess(read.rig);
  send({ sequence, kind: 'assessed', assessment });
  const steps = adviseSteps(read.document, read.rig, assessment);
  await breath();
  for (let lookUp = performance.now() + 8; ;) {
    if (sequence !== latest) return;
    const step = steps.next();
    if (step.done) return send({ sequence, kind: 'advised', fixes: step.value });
    if (performance.now() > lookUp) {
      await breath();
      lookUp = performance.now() + 8;
    }
  }
}

addEventListener('message', ({ data }: MessageEvent<AssessRequest>) => {
  latest = data.sequence;
  answer(data).catch((error: unknown) => send({ sequence: data.sequence, kind: 'failed', message: error instanceof Error ? error.message : String(error) }));
});
