import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { blankWorkshop, type Documents, type KindName, pontoonRig } from '@pozzo/core';
import type { AnyRecord } from '../state/open-record';
import { Outbox } from '../state/outbox';
import { openBuild, type RecordState } from '../state/record.feature';
import { render } from '../testing/render';
import { SavingPanel } from './saving-panel';

type State = RecordState<Documents[KindName]>;

function open(state: Partial<State>, kind: KindName = 'build') {
  const asked: string[] = [];
  const says = (what: string) => () => void asked.push(what);
  const initial = openBuild.reducer(undefined, { type: 'none' }) as State;
  const of: AnyRecord = {
    of: { kind },
    name: signal(''),
    state: signal({ ...initial, ...state }),
    undo: says('undo'),
    redo: says('redo'),
    keepMine: says('mine'),
    takeTheirs: says('theirs'),
    bringBack: says('back'),
    keepAsNew: says('new'),
  };
  TestBed.configureTestingModule({ providers: [{ provide: Outbox, useValue: { why: signal(null) } }] });
  return { asked, ...render(SavingPanel, { of }) };
}

test('nothing is said while all is well', () => {
  expect(open({ document: pontoonRig() }).text()).toBe('');
});
test('a build saved elsewhere too: both are shown where they differ, and the person chooses', async () => {
  const theirs = { ...pontoonRig(), name: 'Their name' };
  const s = open({ document: pontoonRig(), save: 'conflict', conflict: { id: 'a', version: 4, document: theirs, updatedAt: '' } });
  expect(s.text()).toContain('This build was saved elsewhere');
  expect([...s.root.querySelectorAll('tbody td')].map((t) => t.textContent)).toEqual(['name', 'Pontoon skid', 'Their name']);
  await s.press('Keep mine');
  await s.press('Take the other');
  expect(s.asked).toEqual(['mine', 'theirs']);
});
test('the workshop is spoken of as one, a logo by its size', () => {
  const logo = `data:image/png;base64,${'A'.repeat(400)}`;
  const document = { ...blankWorkshop(), name: 'Mine', logo };
  const s = open(
    { document, save: 'conflict', conflict: { id: 'own', version: 2, document: { ...blankWorkshop(), name: 'Theirs' }, updatedAt: '' } },
    'workshop',
  );
  expect(s.text()).toContain('This workshop was saved elsewhere');
  expect(s.text()).toMatch(/logo\s*a picture of \d+ bytes\s*\(not there\)/);
});
test('deleted elsewhere, refused and kept nowhere are said, each with what can be done', async () => {
  const s = open({ document: pontoonRig(), save: 'deleted' });
  await s.press('Restore it');
  await s.press('Keep it as a new build');
  expect(s.asked).toEqual(['back', 'new']);
  TestBed.resetTestingModule();
  expect(open({ document: pontoonRig(), save: 'refused', saveError: 'Too small.' }).text()).toBe('Last change not saved: Too small.');
  TestBed.resetTestingModule();
  expect(open({ document: pontoonRig(), save: 'offline', kept: false }).text()).toMatch(/aren’t saved anywhere.*Keep this page open/);
});
