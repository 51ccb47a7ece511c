import './reader';
import { adviseSteps, type Assessed, type Figure, figureAt, reassess, reread, type RigReading } from '@pozzo/core';
import * as v from 'valibot';
import { partOf } from './assessment-part';
import { wholeDocument } from './document-part';
import { type AssessMessage, type AssessRequest, AssessRequestShape } from './messages';

let latest = 0;
/** The document that was sent last. */
let document: unknown;
/** The last document read and assessed: the next one is commonly the same, an edit further. */
let last: { readonly read: RigReading; readonly assessed: Assessed } | undefined;
const send = (answer: AssessMessage): void => postMessage(answer);
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Assesses at once, then tries fixes one at a time, giving way as soon as a newer document comes. */
async function answer({ sequence, part }: Extract<AssessRequest, { kind: 'assess' }>): Promise<void> {
  document = wholeDocument(part, document);
  const read = reread(document, last?.read);
  if (!read.ok) return send({ sequence, kind: 'refused', problems: read.problems });
  const assessed = reassess(read.rig, last?.assessed);
  const { assessment } = assessed;
  send({ sequence, kind: 'assessed', part: partOf(assessment, last?.assessed.assessment) });
  last = { read, assessed };
  const steps = adviseSteps(read, assessment, assessed);
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

addEventListener('message', ({ data: sent }: MessageEvent<unknown>) => {
  const asked = v.safeParse(AssessRequestShape, sent);
  // What is not ours is set aside: there is nobody to tell.
  if (!asked.success) return;
  const data = asked.output;
  if (data.kind === 'explain') {
    const figure = figureAt(last?.assessed.assessment, data.at);
    return send({ sequence: data.sequence, kind: 'explained', at: data.at, figure: figure && 'working' in figure ? (figure as Figure) : null });
  }
  latest = data.sequence;
  answer(data).catch((error: unknown) => send({ sequence: data.sequence, kind: 'failed', message: error instanceof Error ? error.message : String(error) }));
});
