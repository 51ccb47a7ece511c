import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { pontoonRig, type RigDocument } from '@pozzo/core';
import { Subject } from 'rxjs';
import { answered } from './answered';
import { HeavyClient, type Progress } from './heavy-client';

const document = signal<RigDocument | null>(null);

@Component({ template: '{{ plan().value?.starts }}' })
class Asks {
  readonly plan = answered('plan', () => (document() ? { document: document()! } : null));
}

function bench() {
  const runs: { kind: string; out: Subject<Progress<unknown>> }[] = [];
  const run = (kind: string) => runs[runs.push({ kind, out: new Subject() }) - 1].out;
  TestBed.configureTestingModule({ providers: [{ provide: HeavyClient, useValue: { run } }] });
  document.set(null);
  const fixture = TestBed.createComponent(Asks);
  const ask = (d: RigDocument | null): void => {
    document.set(d);
    fixture.detectChanges();
  };
  return { runs, ask, plan: fixture.componentInstance.plan };
}
const day = (starts: number) => ({ state: 'done', value: { starts } }) as const;

test('nothing is asked until there is a question; a newer one drops the older, whose answer stands until the next', () => {
  const { runs, ask, plan } = bench();
  ask(null);
  expect(runs).toHaveLength(0);
  ask(pontoonRig());
  expect(plan()).toEqual({ value: undefined, error: '' });
  runs[0].out.next({ state: 'working', share: 0.5 });
  runs[0].out.next(day(1));
  expect(plan().value).toEqual({ starts: 1 });
  ask({ ...pontoonRig(), name: 'Another' });
  expect(runs[0].out.observed).toBe(false);
  expect(plan().value).toEqual({ starts: 1 });
  runs[0].out.next(day(9));
  runs[1].out.next(day(2));
  expect(plan().value).toEqual({ starts: 2 });
  ask(null);
  expect(plan().value).toEqual({ starts: 2 });
});
test('a failure is told in its words, and the next answer takes it back', () => {
  const { runs, ask, plan } = bench();
  ask(pontoonRig());
  runs[0].out.error(new Error('out of memory'));
  expect(plan()).toEqual({ value: undefined, error: 'out of memory' });
  ask({ ...pontoonRig(), name: 'Another' });
  runs[1].out.next(day(3));
  expect(plan()).toEqual({ value: { starts: 3 }, error: '' });
});
