import { TestBed } from '@angular/core/testing';
import { pontoonRig, type RigDocument } from '@pozzo/core';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { Api, ApiError } from './api';
import * as documentEffects from './document.effects';
import { DocumentActions, documentFeature, type DocumentState, type StoredBuild } from './document.feature';
import { type KeptEdit, KeptEdits } from './kept-edits';
import { RigStore } from './rig-store';

/** A server in memory that can be away, refuse, or have moved on. */
class FakeApi {
  stored: StoredBuild = { id: 'a', version: 1, document: pontoonRig(), updatedAt: '2026-01-01T00:00:00.000Z' };
  away = false;
  refuse = '';
  saves = 0;

  async get(): Promise<StoredBuild> {
    if (this.away) throw new ApiError(0, 'The server is away.');
    return this.stored;
  }
  async save(_id: string, version: number, document: RigDocument): Promise<{ version: number; updatedAt: string }> {
    if (this.away) throw new ApiError(0, 'The server is away.');
    if (this.refuse) throw new ApiError(400, this.refuse);
    if (version !== this.stored.version) throw new ApiError(409, 'stale', { current: this.stored });
    this.saves++;
    this.stored = { ...this.stored, version: version + 1, document, updatedAt: '2026-01-01T00:01:00.000Z' };
    return { version: this.stored.version, updatedAt: this.stored.updatedAt };
  }
}

class FakeKept {
  readonly edits = new Map<string, KeptEdit>();
  async keep(edit: KeptEdit): Promise<void> {
    this.edits.set(edit.id, edit);
  }
  async get(id: string): Promise<KeptEdit | undefined> {
    return this.edits.get(id);
  }
  async forget(id: string): Promise<void> {
    this.edits.delete(id);
  }
}

function setUp() {
  const api = new FakeApi();
  const kept = new FakeKept();
  TestBed.configureTestingModule({
    providers: [
      provideStore(),
      provideState(documentFeature),
      provideEffects(documentEffects),
      { provide: Api, useValue: api },
      { provide: KeptEdits, useValue: kept },
    ],
  });
  const store = TestBed.inject(Store);
  const state = (): DocumentState => store.selectSignal(documentFeature.selectDocumentState)();
  const edit = (name: string): void => {
    const before = state().document!.name;
    store.dispatch(
      DocumentActions.edited({
        step: {
          label: 'Name',
          key: '',
          at: 0,
          patches: [{ op: 'replace', path: ['name'], value: name }],
          inverse: [{ op: 'replace', path: ['name'], value: before }],
        },
      }),
    );
  };
  const pass = async (ms: number): Promise<void> => {
    await jest.advanceTimersByTimeAsync(ms);
  };
  return { api, kept, store, state, edit, pass };
}

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe('saving', () => {
  test('happens once, a moment after the last of many edits, and forgets what was kept', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    for (const name of ['A', 'AB', 'ABC']) {
      edit(name);
      await pass(100);
    }
    expect(api.saves).toBe(0);
    expect(kept.edits.get('a')?.document.name).toBe('ABC');
    await pass(600);
    expect(api.saves).toBe(1);
    expect(state()).toMatchObject({ save: 'saved', version: 2 });
    expect(api.stored.document.name).toBe('ABC');
    expect(kept.edits.size).toBe(0);
  });

  test('waits for an absent server, tells, and comes through when it is back', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.away = true;
    edit('Offline');
    await pass(700);
    expect(state().save).toBe('offline');
    edit('Offline still');
    await pass(5000);
    expect(kept.edits.get('a')?.document.name).toBe('Offline still');
    api.away = false;
    await pass(5000);
    expect(state().save).toBe('saved');
    expect(api.stored.document.name).toBe('Offline still');
  });

  test('of a version that moved on shows both and overwrites nothing', async () => {
    const { api, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.stored = { ...api.stored, version: 5, document: { ...pontoonRig(), name: 'Theirs' } };
    edit('Mine');
    await pass(700);
    expect(state().save).toBe('conflict');
    expect(api.stored.document.name).toBe('Theirs');
    edit('Mine, more');
    await pass(5000);
    expect(api.stored.document.name).toBe('Theirs');
    store.dispatch(DocumentActions.keepMine());
    await pass(700);
    expect(api.stored).toMatchObject({ version: 6, document: { name: 'Mine, more' } });
  });

  test('that the server refuses is told with its reason', async () => {
    const { api, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.refuse = 'A name has at most 80 characters.';
    edit('x'.repeat(81));
    await pass(700);
    expect(state()).toMatchObject({ save: 'refused', saveError: 'A name has at most 80 characters.' });
    api.refuse = '';
    edit('short');
    await pass(700);
    expect(state().save).toBe('saved');
  });
});

describe('opening', () => {
  test('brings back edits that were never acknowledged, and saves them', async () => {
    const { api, kept, store, state, pass } = setUp();
    kept.edits.set('a', { id: 'a', version: 1, document: { ...pontoonRig(), name: 'Kept' } });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    expect(state().document?.name).toBe('Kept');
    await pass(700);
    expect(api.stored.document.name).toBe('Kept');
  });

  test('asks when the server has moved on since', async () => {
    const { api, kept, store, state, pass } = setUp();
    api.stored = { ...api.stored, version: 4 };
    kept.edits.set('a', { id: 'a', version: 1, document: { ...pontoonRig(), name: 'Kept' } });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(700);
    expect(state()).toMatchObject({ save: 'conflict', conflict: { version: 4 } });
    store.dispatch(DocumentActions.takeTheirs());
    await pass(10);
    expect(state().document?.name).toBe('Pontoon skid');
    expect(kept.edits.size).toBe(0);
  });

  test('says why it cannot', async () => {
    const { api, store, state, pass } = setUp();
    api.away = true;
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    expect(state()).toMatchObject({ loading: false, loadError: 'The server is away.' });
  });
});

test('an edit by recipe is one step; one that changes nothing is none', async () => {
  const { store, state, pass } = setUp();
  store.dispatch(DocumentActions.open({ id: 'a' }));
  await pass(10);
  const rig = TestBed.inject(RigStore);
  rig.edit('Nothing', () => undefined);
  expect(state().past).toHaveLength(0);
  rig.edit('Two things', (d) => {
    d.name = 'B';
    d.tanks[0].base = '5 in';
    return d.lines.splice(0, 1);
  });
  expect(state().past).toHaveLength(1);
  rig.undo();
  expect(state().document).toEqual(pontoonRig());
});
