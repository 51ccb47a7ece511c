import { TestBed } from '@angular/core/testing';
import { assess, asTold, type Figure, figureAt, parseRig, pontoonRig } from '@pozzo/core';
import { type AssessAnswer, AssessClient, MAKE_WORKER } from './assess-client';
import { partOf } from './assessment-part';
import type { AssessMessage, AssessRequest } from './messages';

class FakeWorker extends EventTarget {
  readonly asked: AssessRequest[] = [];
  postMessage(data: AssessRequest): void {
    this.asked.push(data);
  }
  answer(answer: AssessMessage): void {
    this.dispatchEvent(new MessageEvent('message', { data: answer }));
  }
}

function bench() {
  const made: FakeWorker[] = [];
  TestBed.configureTestingModule({ providers: [{ provide: MAKE_WORKER, useValue: () => made[made.push(new FakeWorker()) - 1] as unknown as Worker }] });
  const client = TestBed.inject(AssessClient);
  const heard: AssessAnswer[] = [];
  client.answers.subscribe((a) => heard.push(a));
  return { made, client, heard };
}

test('only the answer to the latest question is heard, and a dead worker is told and replaced', () => {
  const { made, client, heard } = bench();
  client.ask(pontoonRig());
  client.ask(pontoonRig());
  const [worker] = made;
  worker.answer({ sequence: 1, kind: 'advised', fixes: [] });
  expect(heard).toEqual([]);
  worker.answer({ sequence: 2, kind: 'advised', fixes: [] });
  expect(heard).toHaveLength(1);
  worker.dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
  expect(heard[1]).toMatchObject({ kind: 'failed', message: 'out of memory' });
  client.ask(pontoonRig());
  expect(made).toHaveLength(2);
});

test('of a document that was sent before only what changed goes across; a new worker is sent the whole', () => {
  const { made, client } = bench();
  const first = pontoonRig();
  client.ask(first);
  client.ask({ ...first, customer: 'Holiday park' });
  client.ask({ ...first, customer: 'Holiday park', tanks: first.tanks.map((t, i) => (i ? t : { ...t, name: 'Left' })) });
  const partOfRequest = (a: AssessRequest) => {
    if (a.kind !== 'assess') throw new Error('no document');
    return a.part;
  };
  const parts = made[0].asked.map(partOfRequest);
  expect(parts[0].values).toMatchObject({ name: first.name, tanks: first.tanks });
  expect([parts[1].values, parts[1].lists]).toEqual([{ customer: 'Holiday park' }, {}]);
  expect(parts[2].values).toEqual({});
  expect(parts[2].lists).toEqual({ tanks: [{ entry: { ...first.tanks[0], name: 'Left' } }, ...first.tanks.slice(1).map((_, i) => i + 1)] });
  made[0].dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
  client.ask(first);
  expect(partOfRequest(made[1].asked[0]).values).toMatchObject({ tanks: first.tanks });
});

test('an answer in words that are not ours is told, not taken for one', () => {
  const { made, client, heard } = bench();
  client.ask(pontoonRig());
  for (const odd of [{ sequence: 1, kind: 'assessed', part: 7 }, { kind: 'advised' }, 'hello', null]) made[0].answer(odd as never);
  expect(heard.map((a) => a.kind)).toEqual(['failed', 'failed', 'failed', 'failed']);
});

test('an assessment that comes too late is not shown, and the part after it still makes a whole', () => {
  const { made, client, heard } = bench();
  const first = assess(parseRig(pontoonRig()));
  const second = { ...first, headline: { template: 'Later.', values: {} } };
  client.ask(pontoonRig());
  client.ask(pontoonRig());
  made[0].answer({ sequence: 1, kind: 'assessed', part: partOf(first, undefined) });
  expect(heard).toEqual([]);
  made[0].answer({ sequence: 2, kind: 'assessed', part: partOf(second, first) });
  expect(heard).toEqual([{ sequence: 2, kind: 'assessed', assessment: asTold(second) }]);
});

test('a figure’s working is asked for by itself, and nobody is left waiting when the worker dies', async () => {
  const { made, client, heard } = bench();
  const all = assess(parseRig(pontoonRig()));
  await expect(client.explain('tanks.0.usable')).resolves.toBeUndefined();
  client.ask(pontoonRig());
  const [one, two, gone] = [client.explain('tanks.0.usable'), client.explain('tanks.0.usable'), client.explain('tanks.9.usable')];
  expect(made[0].asked.slice(1)).toEqual(['tanks.0.usable', 'tanks.0.usable', 'tanks.9.usable'].map((at) => ({ sequence: 1, kind: 'explain', at })));
  const figure = figureAt(all, 'tanks.0.usable') as Figure;
  made[0].answer({ sequence: 1, kind: 'explained', at: 'tanks.0.usable', figure });
  made[0].answer({ sequence: 1, kind: 'explained', at: 'tanks.9.usable', figure: null });
  expect(await Promise.all([one, two, gone])).toEqual([figure, figure, undefined]);
  expect(heard).toEqual([]);
  const never = client.explain('tanks.0.usable');
  made[0].dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
  await expect(never).resolves.toBeUndefined();
});
