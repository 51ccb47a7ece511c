import { effect, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideState, provideStore, ScannedActionsSubject } from '@ngrx/store';
import { type BuildPage, type BuildSummary, pontoonRig, type RigDocument, type StoredBuild } from '@pozzo/core';
import { produceWithPatches } from 'immer';
import { AssessmentActions, assessmentFeature } from './assessment.feature';
import { BuildsActions, buildsFeature } from './builds.feature';
import { DocumentActions, openBuild, type BuildState, remember, type Step } from './record.feature';
import { RigStore, setAt, valueAt } from './rig-store';
import { keepSettings, keptSettings, SettingsActions, settingsFeature } from './settings.feature';

const build: StoredBuild = { id: 'a', version: 3, document: pontoonRig(), updatedAt: '2026-01-01T10:00:00.000Z' };
const reduce = openBuild.reducer;
const opened = (): BuildState =>
  reduce(reduce(undefined, DocumentActions.open({ id: 'a' })), DocumentActions.opened({ stored: build, pending: null, clash: false }));
const step = (doc: RigDocument, recipe: (d: RigDocument) => void, key = '', at = 0): Step => {
  const [, patches, inverse] = produceWithPatches(doc, (d) => {
    recipe(d);
  });
  return { label: 'x', patches, inverse, key, at };
};
const edit = (s: BuildState, recipe: (d: RigDocument) => void, key = '', at = 0): BuildState =>
  reduce(s, DocumentActions.edited({ step: step(s.document!, recipe, key, at) }));

describe('the open document', () => {
  test('is undone and redone to the letter', () => {
    const first = opened();
    const second = edit(first, (d) => void (d.name = 'B'));
    const third = edit(second, (d) => void d.lines.splice(1, 1));
    const back = reduce(reduce(third, DocumentActions.undo()), DocumentActions.undo());
    expect(back.document).toEqual(first.document);
    const forth = reduce(reduce(back, DocumentActions.redo()), DocumentActions.redo());
    expect(forth.document).toEqual(third.document);
    expect(reduce(forth, DocumentActions.redo())).toBe(forth);
  });

  test('a new edit drops what was undone', () => {
    const s = edit(
      reduce(
        edit(opened(), (d) => void (d.name = 'B')),
        DocumentActions.undo(),
      ),
      (d) => void (d.name = 'C'),
    );
    expect(s.future).toEqual([]);
    expect(s.document?.name).toBe('C');
  });

  test('keystrokes in one field are one step, after a pause two', () => {
    let s = opened();
    for (const [i, text] of ['8', '8 ', '8 gpm'].entries()) s = edit(s, (d) => void (d.machines[0].flow = `${text}${i}`), 'machines.0.flow', i * 200);
    expect(s.past).toHaveLength(1);
    s = edit(s, (d) => void (d.machines[0].flow = '9 gpm'), 'machines.0.flow', 9000);
    expect(s.past).toHaveLength(2);
    expect(reduce(reduce(s, DocumentActions.undo()), DocumentActions.undo()).document).toEqual(pontoonRig());
  });

  test('one movement of the hand is one step, however long it waits on the way; the next is another', () => {
    const drag = (past: readonly Step[], x: string, key: string, at: number): readonly Step[] =>
      remember(past, { ...step(pontoonRig(), (d) => void (d.name = x), key, at), gesture: true });
    const once = drag(drag(drag([], 'a', 'place.water.1', 0), 'b', 'place.water.1', 100), 'c', 'place.water.1', 60_000);
    expect(once).toHaveLength(1);
    expect(once[0].inverse).toHaveLength(3);
    expect(drag(once, 'd', 'place.water.2', 60_001)).toHaveLength(2);
  });

  test('history is bounded', () => {
    let past: readonly Step[] = [];
    for (let i = 0; i < 700; i++)
      past = remember(
        past,
        step(pontoonRig(), (d) => void (d.name = `n${i}`)),
      );
    expect(past).toHaveLength(500);
  });

  test('an edit made while a save is on its way stays to be saved', () => {
    const saving = reduce(
      edit(opened(), (d) => void (d.name = 'B')),
      DocumentActions.saving(),
    );
    const { revision } = saving;
    const later = edit(saving, (d) => void (d.name = 'C'));
    const s = reduce(later, DocumentActions.saved({ id: 'a', version: 4, at: 'now', revision }));
    expect([s.version, s.save]).toEqual([4, 'changed']);
    expect(reduce(s, DocumentActions.saved({ id: 'other', version: 9, at: 'now', revision: s.revision }))).toBe(s);
  });

  test('a clash keeps mine over the server’s version, or takes theirs whole', () => {
    const theirs: StoredBuild = { ...build, version: 7, document: { ...pontoonRig(), name: 'Theirs' } };
    const clash = reduce(
      edit(opened(), (d) => void (d.name = 'Mine')),
      DocumentActions.saveConflict({ id: 'a', current: theirs }),
    );
    expect(clash.save).toBe('conflict');
    const mine = reduce(clash, DocumentActions.keepMine());
    expect([mine.version, mine.document?.name, mine.save]).toEqual([7, 'Mine', 'changed']);
    const taken = reduce(clash, DocumentActions.takeTheirs());
    expect([taken.version, taken.document?.name, taken.save, taken.past.length]).toEqual([7, 'Theirs', 'saved', 0]);
  });

  test('edits kept from before come back as unsaved', () => {
    const s = reduce(
      reduce(undefined, DocumentActions.open({ id: 'a' })),
      DocumentActions.opened({ stored: build, pending: { ...pontoonRig(), name: 'Kept' }, clash: false }),
    );
    expect([s.document?.name, s.save]).toEqual(['Kept', 'changed']);
  });

  test('a failed opening says why; one of another build says nothing', () => {
    const opening = reduce(undefined, DocumentActions.open({ id: 'a' }));
    expect(reduce(opening, DocumentActions.openFailed({ id: 'a', message: 'away', orphan: null })).loadError).toBe('away');
    expect(reduce(opening, DocumentActions.openFailed({ id: 'b', message: 'away', orphan: null }))).toBe(opening);
  });
  test('a late answer about another build changes nothing', () => {
    const s = edit(opened(), (d) => void (d.name = 'B'));
    for (const late of [
      DocumentActions.saveOffline({ id: 'b', message: null }),
      DocumentActions.saveRefused({ id: 'b', message: 'no' }),
      DocumentActions.saveConflict({ id: 'b', current: build }),
      DocumentActions.saveDeleted({ id: 'b' }),
    ])
      expect(reduce(s, late)).toBe(s);
  });
  test('of a build deleted elsewhere an edit stays unsaved until it is brought back', () => {
    const gone = reduce(
      edit(opened(), (d) => void (d.name = 'B')),
      DocumentActions.saveDeleted({ id: 'a' }),
    );
    expect(edit(gone, (d) => void (d.name = 'C')).save).toBe('deleted');
    expect(reduce(gone, DocumentActions.broughtBack({ id: 'a', version: 5 }))).toMatchObject({ save: 'changed', version: 5 });
  });
  test('that nothing is kept is remembered from build to build', () => {
    const s = reduce(opened(), DocumentActions.keepingFailed());
    expect([s.kept, reduce(s, DocumentActions.open({ id: 'b' })).kept, reduce(s, DocumentActions.keepingWorks({ id: 'b', revision: 3 })).kept]).toEqual([
      false,
      false,
      true,
    ]);
  });
});

const line = (id: string): BuildSummary => ({
  id,
  version: 1,
  updatedAt: '',
  name: id,
  customer: '',
  machines: 1,
  tanks: 1,
  damaged: false,
  deletedAt: null,
  judged: null,
});
const page = (from: number, ids: string[], total: number): BuildPage => ({ builds: ids.map(line), from, total, all: total });

describe('the yard', () => {
  test('keeps what it showed while it looks again', () => {
    const loaded = buildsFeature.reducer(undefined, BuildsActions.loaded({ find: '', page: page(0, ['a'], 1) }));
    expect(buildsFeature.reducer(loaded, BuildsActions.load()).load).toBe('loaded');
    expect(buildsFeature.reducer(loaded, BuildsActions.failed({ message: 'away' })).load).toBe('loaded');
    expect(buildsFeature.reducer(undefined, BuildsActions.failed({ message: 'away' })).load).toBe('failed');
    expect(buildsFeature.reducer(loaded, BuildsActions.removed({ id: 'a', name: 'A' })).rows).toEqual([]);
  });
  test('lays pages where they belong; a page of an older search is dropped', () => {
    let s = buildsFeature.reducer(undefined, BuildsActions.loaded({ find: '', page: page(0, ['a', 'b'], 5) }));
    expect(s.rows.map((r) => r?.id ?? null)).toEqual(['a', 'b', null, null, null]);
    s = buildsFeature.reducer(s, BuildsActions.loaded({ find: '', page: page(3, ['d', 'e'], 5) }));
    expect(s.rows.map((r) => r?.id ?? null)).toEqual(['a', 'b', null, 'd', 'e']);
    expect(buildsFeature.reducer(s, BuildsActions.loaded({ find: 'quay', page: page(0, ['z'], 1) }))).toBe(s);
    // One went: what stood elsewhere may have moved.
    s = buildsFeature.reducer(s, BuildsActions.loaded({ find: '', page: page(0, ['a', 'b'], 4) }));
    expect(s.rows.map((r) => r?.id ?? null)).toEqual(['a', 'b', null, null]);
  });
});

describe('figures', () => {
  test('are held and let go, and forgotten with the build', () => {
    const assessment = { verdict: 'fed' } as never;
    const s = assessmentFeature.reducer(assessmentFeature.reducer(undefined, AssessmentActions.assessed({ assessment })), AssessmentActions.hold());
    expect(s.held).toBe(assessment);
    expect(assessmentFeature.reducer(s, AssessmentActions.letGo()).held).toBeNull();
    expect(assessmentFeature.reducer(s, DocumentActions.open({ id: 'b' })).now).toBeNull();
  });
  test('that could not be worked out are told until they are asked for again', () => {
    const s = assessmentFeature.reducer(undefined, AssessmentActions.failed({ message: 'It stopped.' }));
    expect(s.failed).toBe('It stopped.');
    expect(assessmentFeature.reducer(s, AssessmentActions.again()).failed).toBeNull();
  });
  test('stay while a half-typed document is refused', () => {
    const s = assessmentFeature.reducer(undefined, AssessmentActions.assessed({ assessment: { verdict: 'fed' } as never }));
    expect(assessmentFeature.reducer(s, AssessmentActions.refused({ problems: [{ code: '', path: '', bound: '', message: 'no' }] }))).toMatchObject({
      now: { verdict: 'fed' },
      problems: [{ message: 'no' }],
    });
  });
});

describe('paths', () => {
  test('reach in and change', () => {
    const d = pontoonRig();
    expect(valueAt(d, 'lines.0.parts.0.bore')).toBe('5/8 in');
    expect(valueAt(d, 'lines.99.parts.0.bore')).toBeUndefined();
    setAt(d, 'tanks.0.base', '4 in');
    expect(d.tanks[0].base).toBe('4 in');
    setAt(d, 'machines.0.npshRequired', undefined);
    expect('npshRequired' in d.machines[0]).toBe(false);
  });
});

describe('settings', () => {
  test.each([
    ['{"units":"metric","theme":"sunlight"}', 'metric', 'sunlight'],
    ['{"units":"ells"}', 'us', 'dark'],
    ['not json', 'us', 'dark'],
    [null, 'us', 'dark'],
  ])('%s', (kept, units, theme) =>
    expect(keptSettings(() => ({ getItem: () => kept }), true)).toMatchObject({ units, theme, letters: true, by: '', read: [] }),
  );
  test('letters turned off and cautions that were read stay so; what another version left falls back by itself', () => {
    const kept = (text: string) => keptSettings(() => ({ getItem: () => text }), false);
    expect(kept('{"letters":false,"read":["Goggles."]}')).toMatchObject({ letters: false, by: '', read: ['Goggles.'] });
    expect(kept('{"units":"metric","letters":"no","read":[7]}')).toMatchObject({ units: 'metric', letters: true, by: '', read: [] });
    const s = settingsFeature.reducer(undefined, SettingsActions.haveRead({ keys: ['a', 'b'] }));
    expect(settingsFeature.reducer(s, SettingsActions.haveRead({ keys: ['b', 'c'] })).read).toEqual(['a', 'b', 'c']);
    const many = Array.from({ length: 150 }, (_, i) => `caution ${i}`);
    expect(settingsFeature.reducer(s, SettingsActions.haveRead({ keys: many })).read).toHaveLength(100);
  });
  test('storage that is full, or may not be named, costs nothing', () => {
    const forbidden = (): never => {
      throw new DOMException('no', 'SecurityError');
    };
    expect(keptSettings(forbidden, false)).toEqual({ units: 'us', locale: null, theme: 'light', letters: true, by: '', read: [] });
    expect(() => keepSettings(forbidden, { units: 'us', locale: null, theme: 'light', letters: true, by: '', read: [] })).not.toThrow();
    expect(() =>
      keepSettings(
        () => ({
          setItem: () => {
            throw new Error('full');
          },
        }),
        { units: 'us', locale: null, theme: 'light', letters: false, by: '', read: ['Goggles.'] },
      ),
    ).not.toThrow();
  });
});

describe('the stores that views tell', () => {
  test('a build that an effect opens is opened once, whatever those that hear of it read', () => {
    TestBed.configureTestingModule({ providers: [provideStore(), provideState(openBuild), provideState(assessmentFeature), provideState(settingsFeature)] });
    const rig = TestBed.inject(RigStore);
    const why = signal('can keep');
    let times = 0;
    TestBed.inject(ScannedActionsSubject).subscribe((action) => {
      if (action.type === DocumentActions.open.type) times += why() ? 1 : 0;
    });
    TestBed.runInInjectionContext(() => effect(() => rig.open('a')));
    TestBed.tick();
    why.set('keeps again');
    TestBed.tick();
    expect(times).toBe(1);
  });
});
