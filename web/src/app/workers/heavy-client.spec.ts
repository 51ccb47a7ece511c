import { TestBed } from '@angular/core/testing';
import { pontoonRig } from '@pozzo/core';
import { HEAVY_WORKERS, HeavyClient } from './heavy-client';
import type { HeavyAnswer, HeavyRequest } from './heavy-messages';

class FakeWorker extends EventTarget {
  readonly heard: HeavyRequest[] = [];
  postMessage(data: HeavyRequest): void {
    this.heard.push(data);
  }
  answer(answer: HeavyAnswer): void {
    this.dispatchEvent(new MessageEvent('message', { data: answer }));
  }
}

function bench(most = 2) {
  const made: FakeWorker[] = [];
  TestBed.configureTestingModule({
    providers: [{ provide: HEAVY_WORKERS, useValue: { make: () => made[made.push(new FakeWorker()) - 1] as unknown as Worker, most } }],
  });
  return { made, client: TestBed.inject(HeavyClient) };
}
const ask = { document: pontoonRig(), mixId: 'mix' };

test('long work tells its progress, gives its result and ends', () => {
  const { made, client } = bench();
  const heard: unknown[] = [];
  let ended = false;
  client.run('ways', ask).subscribe({ next: (p) => heard.push(p), complete: () => (ended = true) });
  made[0].answer({ id: 1, state: 'working', share: 0.4 });
  made[0].answer({ id: 9, state: 'done', value: 'another' });
  made[0].answer({ id: 1, state: 'done', value: [] });
  expect(heard).toEqual([
    { id: 1, state: 'working', share: 0.4 },
    { state: 'done', value: [] },
  ]);
  expect(ended).toBe(true);
});

test('work is spread over no more workers than there are cores; an idle one is used again', () => {
  const { made, client } = bench(2);
  for (let i = 0; i < 4; i++) client.run('ways', ask).subscribe();
  expect(made.map((w) => w.heard.length)).toEqual([2, 2]);
  made[1].answer({ id: 2, state: 'done', value: [] });
  made[1].answer({ id: 4, state: 'done', value: [] });
  client.run('ways', ask).subscribe();
  expect(made.map((w) => w.heard.length)).toEqual([2, 3]);
});

test('leaving cancels; a failure and a dead worker are errors, and the dead one is replaced', () => {
  const { made, client } = bench(1);
  client.run('ways', ask).subscribe().unsubscribe();
  expect(made[0].heard[1]).toEqual({ id: 1, cancel: true });
  const errors: string[] = [];
  client.run('ways', ask).subscribe({ error: (e: Error) => errors.push(e.message) });
  made[0].answer({ id: 2, state: 'failed', message: 'no way' });
  client.run('ways', ask).subscribe({ error: (e: Error) => errors.push(e.message) });
  made[0].dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
  expect(errors).toEqual(['no way', 'out of memory']);
  client.run('ways', ask).subscribe();
  expect(made).toHaveLength(2);
});

test('an answer in words that are not ours ends the work with an error', () => {
  const { made, client } = bench(1);
  const errors: string[] = [];
  client.run('ways', ask).subscribe({ error: (e: Error) => errors.push(e.message) });
  made[0].answer({ id: 1, state: 'dreaming' } as never);
  expect(errors).toEqual([expect.stringContaining('not known here')]);
});
