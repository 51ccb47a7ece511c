import { TestBed } from '@angular/core/testing';
import { pontoonRig } from '@pozzo/core';
import { AssessClient, MAKE_WORKER } from './assess-client';
import type { AssessAnswer, AssessRequest } from './messages';

class FakeWorker extends EventTarget {
  readonly asked: AssessRequest[] = [];
  postMessage(data: AssessRequest): void {
    this.asked.push(data);
  }
  answer(answer: AssessAnswer): void {
    this.dispatchEvent(new MessageEvent('message', { data: answer }));
  }
}

test('only the answer to the latest question is heard, and a dead worker is told and replaced', () => {
  const made: FakeWorker[] = [];
  TestBed.configureTestingModule({ providers: [{ provide: MAKE_WORKER, useValue: () => made[made.push(new FakeWorker()) - 1] as unknown as Worker }] });
  const client = TestBed.inject(AssessClient);
  const heard: AssessAnswer[] = [];
  client.answers.subscribe((a) => heard.push(a));
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

test('an answer in words that are not ours is told, not taken for one', () => {
  const made: FakeWorker[] = [];
  TestBed.configureTestingModule({ providers: [{ provide: MAKE_WORKER, useValue: () => made[made.push(new FakeWorker()) - 1] as unknown as Worker }] });
  const client = TestBed.inject(AssessClient);
  const heard: AssessAnswer[] = [];
  client.answers.subscribe((a) => heard.push(a));
  client.ask(pontoonRig());
  for (const odd of [{ sequence: 1, kind: 'assessed', assessment: 7 }, { kind: 'advised' }, 'hello', null]) made[0].answer(odd as never);
  expect(heard.map((a) => a.kind)).toEqual(['failed', 'failed', 'failed', 'failed']);
});
