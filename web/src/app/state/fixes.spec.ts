import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { advise, assess, type Fix, parseRig, pontoonRig, type RigDocument, reread } from '@pozzo/core';
import { Subject } from 'rxjs';
import { type AssessAnswer, AssessClient } from '../workers/assess-client';
import * as assessmentEffects from './assessment.effects';
import { assessmentFeature } from './assessment.feature';
import { DocumentActions, openBuild } from './record.feature';
import { RigStore } from './rig-store';
import { settingsFeature } from './settings.feature';

/** The worker, answering when told to. */
class FakeClient {
  readonly answers = new Subject<AssessAnswer>();
  asked: RigDocument | undefined;
  ask(document: RigDocument): void {
    this.asked = document;
  }
  assess(): void {
    this.answers.next({ sequence: 1, kind: 'assessed', assessment: assess(parseRig(this.asked)) });
  }
  advise(): readonly Fix[] {
    const document = JSON.parse(JSON.stringify(this.asked)) as RigDocument;
    const rig = parseRig(document);
    const fixes = advise(document, rig, assess(rig));
    this.answers.next({ sequence: 1, kind: 'advised', fixes });
    return fixes;
  }
}

/** A rig whose fill brings too little, so that there is something to mend. */
function thirsty(): RigDocument {
  const d = pontoonRig();
  d.spigots[0].readings[0].flow = '2 gpm';
  return d;
}

function bench() {
  const client = new FakeClient();
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(openBuild),
      provideState(assessmentFeature),
      provideState(settingsFeature),
      provideEffects(assessmentEffects),
      { provide: AssessClient, useValue: client },
    ],
  });
  const store = TestBed.inject(Store);
  const rig = TestBed.inject(RigStore);
  rig.readBy(reread);
  store.dispatch(DocumentActions.open({ id: 'a' }));
  store.dispatch(DocumentActions.opened({ stored: { id: 'a', version: 1, document: thirsty(), updatedAt: '' }, pending: null, clash: false }));
  client.assess();
  return { client, rig };
}

test('a fix that was tried on the document as it is goes in at once', () => {
  const { client, rig } = bench();
  const [fix] = client.advise();
  rig.apply(fix);
  TestBed.tick();
  expect(rig.waiting()).toBeNull();
  expect(rig.document()).not.toEqual(thirsty());
});

test('one that was tried on an earlier state waits until it was tried on this one, and is then made as tried', () => {
  const { client, rig } = bench();
  const old = client.advise().find((f) => f.patches.some((p) => p.path[0] === 'tanks'))!;
  // A tank goes in before the one that the fix is about: its old patches would change the wrong one.
  rig.edit('A tank first', (d) => void d.tanks.unshift({ ...d.tanks[0], id: 'other', name: 'Other' }));
  const before = rig.document();
  rig.apply(old);
  TestBed.tick();
  expect(rig.waiting()).toBe(old.id);
  expect(rig.document()).toBe(before);
  client.assess();
  TestBed.tick();
  expect(rig.document()).toBe(before);
  const again = client.advise().find((f) => f.id === old.id)!;
  expect(again.patches).not.toEqual(old.patches);
  TestBed.tick();
  expect(rig.waiting()).toBeNull();
  expect(rig.document()!.tanks[0]).toEqual(before!.tanks[0]);
  expect(rig.document()).not.toEqual(before);
});

test('one that helps no more is let go', () => {
  const { client, rig } = bench();
  const [old] = client.advise();
  rig.edit('More water', (d) => void (d.spigots[0].readings[0].flow = '20 gpm'));
  const before = rig.document();
  rig.apply(old);
  client.assess();
  expect(client.advise().some((f) => f.id === old.id)).toBe(false);
  TestBed.tick();
  expect(rig.waiting()).toBeNull();
  expect(rig.document()).toBe(before);
});

test('the rig that views compute with is read once a document, and only what was edited anew', () => {
  const { rig } = bench();
  const first = rig.rig()!;
  expect(rig.rig()).toBe(first);
  rig.edit('Name', (d) => void (d.machines[0].name = 'Left'));
  const next = rig.rig()!;
  expect(next.machines[0].name).toBe('Left');
  expect(next.lines).toBe(first.lines);
  rig.edit('Nonsense', (d) => void (d.machines[0].flow = 'much'));
  expect(rig.rig()).toBeNull();
});
