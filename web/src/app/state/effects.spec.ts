import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { Subject } from 'rxjs';
import { pontoonRig, type RigDocument, type Saved, type StoredBuild } from '@pozzo/core';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { Api, ApiError, type Sending } from './api';
import { BuildEffects } from './record.effects';
import { DocumentActions, openBuild, openWorkshop, type BuildState } from './record.feature';
import { type KeptEdit, Outbox } from './outbox';
import * as keptEffects from './kept.effects';
import { KeptActions, keptFeature } from './kept.feature';
import { RigStore } from './rig-store';
import { settingsFeature } from './settings.feature';

/** A server in memory that can be away, refuse, lose its answers, or have moved on. */
class FakeApi {
  stored: StoredBuild = { id: 'a', version: 1, document: pontoonRig(), updatedAt: '2026-01-01T00:00:00.000Z' };
  away = false;
  refuse = '';
  gone = false;
  /** The next save is done and its answer lost. */
  loseAnswer = false;
  /** How long an answer takes, ms. */
  slow = 0;
  saves = 0;
  /** Request names by version. */
  readonly requests = new Map<number, string>();
  readonly added: RigDocument[] = [];

  async get(): Promise<StoredBuild> {
    if (this.away) throw new ApiError(0, 'The server is away.');
    if (this.gone) throw new ApiError(404, 'There is no build "a".', 'unknown');
    return this.stored;
  }
  async add(_kind: string, id: string, document: RigDocument): Promise<StoredBuild> {
    this.added.push(document);
    return { id, version: 1, document, updatedAt: '' };
  }
  async restore(): Promise<StoredBuild> {
    this.gone = false;
    return this.stored;
  }
  async save(_kind: string, id: string, version: number, document: RigDocument, sending?: Sending): Promise<Saved> {
    if (this.away) throw new ApiError(0, 'The server is away.');
    if (this.gone) throw new ApiError(404, 'There is no build "a".', 'unknown');
    if (this.refuse) throw new ApiError(400, this.refuse);
    const done = [...this.requests].find(([, name]) => name === sending?.request);
    if (done) return { id, version: done[0], updatedAt: this.stored.updatedAt };
    const last = this.requests.get(this.stored.version);
    if (version !== this.stored.version && !(last && sending?.unanswered.includes(last))) throw new ApiError(409, 'stale', 'stale', { current: this.stored });
    this.saves++;
    this.stored = { ...this.stored, version: this.stored.version + 1, document, updatedAt: '2026-01-01T00:01:00.000Z' };
    if (sending) this.requests.set(this.stored.version, sending.request);
    const { version: given } = this.stored;
    if (this.slow) await new Promise((done) => setTimeout(done, this.slow));
    if (this.loseAnswer) {
      this.loseAnswer = false;
      throw new ApiError(0, 'The server does not answer.');
    }
    return { id, version: given, updatedAt: this.stored.updatedAt };
  }
}

/** This browser's edits, as one tab sees them. */
class FakeKept {
  readonly tab = 'me';
  /** Records by build and tab. */
  readonly edits = new Map<string, KeptEdit<'build'>>();
  live = new Set<string>();
  full = false;
  readonly usable = new Subject<void>();
  put(edit: Partial<KeptEdit<'build'>> & { id: string; tab: string }): void {
    this.edits.set(`${edit.id}/${edit.tab}`, {
      kind: 'build',
      version: 1,
      document: pontoonRig(),
      request: `kept-${edit.tab}`,
      unanswered: [],
      at: '2026',
      ...edit,
    });
  }
  async keep(edit: Omit<KeptEdit<'build'>, 'tab' | 'at'>): Promise<void> {
    if (this.full) throw new DOMException('full', 'QuotaExceededError');
    this.put({ ...edit, tab: this.tab });
  }
  async mine({ id }: { id: string }): Promise<KeptEdit<'build'> | undefined> {
    return this.edits.get(`${id}/${this.tab}`);
  }
  async forget({ id }: { id: string }, tab = this.tab): Promise<void> {
    this.edits.delete(`${id}/${tab}`);
  }
  async adopt(edit: KeptEdit<'build'>): Promise<void> {
    await this.keep(edit);
    if (edit.tab !== this.tab) await this.forget(edit, edit.tab);
  }
  async left(): Promise<readonly KeptEdit<'build'>[]> {
    return [...this.edits.values()].filter((e) => !this.live.has(e.tab));
  }
  async leftOf({ id }: { id: string }): Promise<readonly KeptEdit<'build'>[]> {
    return (await this.left()).filter((e) => e.id === id);
  }
}

function setUp() {
  const api = new FakeApi();
  const kept = new FakeKept();
  const went: string[] = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore(),
      provideState(openBuild),
      provideState(openWorkshop),
      provideState(settingsFeature),
      provideState(keptFeature),
      provideEffects(BuildEffects, keptEffects),
      { provide: Api, useValue: api },
      { provide: Outbox, useValue: kept },
    ],
  });
  jest.spyOn(TestBed.inject(Router), 'navigate').mockImplementation((c) => (went.push(c.join('/')), Promise.resolve(true)));
  const store = TestBed.inject(Store);
  const state = (): BuildState => store.selectSignal(openBuild.selectState)();
  const left = () => store.selectSignal(keptFeature.selectLeft)();
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
  return { api, kept, store, state, left, edit, pass, went };
}
const named = (name: string): RigDocument => ({ ...pontoonRig(), name });

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
    expect(kept.edits.get('a/me')?.document.name).toBe('ABC');
    await pass(600);
    expect(api.saves).toBe(1);
    expect(state()).toMatchObject({ save: 'saved', version: 2 });
    expect(api.stored.document.name).toBe('ABC');
    expect(kept.edits.size).toBe(0);
  });

  test.each([600, 1200, 3000, 8000])('that takes %d ms is followed by one of what was edited meanwhile', async (ms) => {
    const { api, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.slow = ms;
    edit('First');
    await pass(550);
    expect(state().save).toBe('saving');
    edit('Second');
    await pass(2 * ms + 1500);
    expect(state()).toMatchObject({ save: 'saved', version: 3 });
    expect(api.stored.document.name).toBe('Second');
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
    expect(kept.edits.get('a/me')?.document.name).toBe('Offline still');
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
    kept.put({ id: 'a', tab: 'gone', document: named('Kept') });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    expect(state().document?.name).toBe('Kept');
    await pass(700);
    expect(api.stored.document.name).toBe('Kept');
  });

  test('asks when the server has moved on since', async () => {
    const { api, kept, store, state, pass } = setUp();
    api.stored = { ...api.stored, version: 4 };
    kept.put({ id: 'a', tab: 'gone', document: named('Kept') });
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

describe('an answer lost on the way', () => {
  test('the same save sent again is one save', async () => {
    const { api, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.loseAnswer = true;
    edit('B');
    await pass(700);
    expect([api.saves, state().save]).toEqual([1, 'offline']);
    await pass(5000);
    expect([api.saves, state().save, state().version]).toEqual([1, 'saved', 2]);
  });
  test('and a further edit is no conflict with oneself, after a reload neither', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.loseAnswer = true;
    edit('B');
    await pass(700);
    edit('C');
    await pass(100);
    const record = kept.edits.get('a/me')!;
    expect(record.unanswered).toHaveLength(1);
    await pass(5000);
    expect([state().save, api.stored.document.name]).toEqual(['saved', 'C']);
    // As a reload would find it: the edit kept, its last answer never heard.
    api.stored = { ...api.stored, version: 2, document: named('B') };
    api.requests.set(2, record.unanswered[0]);
    api.requests.delete(3);
    kept.put({ ...record, tab: 'gone' });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(700);
    expect([state().save, api.stored.document.name]).toEqual(['saved', 'C']);
  });
});

describe('edits belong to the tab that made them', () => {
  test('those of another live tab are left alone, whatever this one chooses', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    kept.live.add('other');
    kept.put({ id: 'a', tab: 'other', version: 1, document: named('Other tab') });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    expect(state().document?.name).toBe('Pontoon skid');
    edit('Mine');
    await pass(700);
    expect(api.stored.document.name).toBe('Mine');
    expect(kept.edits.get('a/other')).toMatchObject({ version: 1, document: { name: 'Other tab' } });
  });
  test('a lost race that is reloaded without choosing is asked about again and overwrites nothing', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.stored = { ...api.stored, version: 2, document: named('Theirs') };
    edit('Mine');
    await pass(700);
    expect(state().save).toBe('conflict');
    kept.put({ ...kept.edits.get('a/me')!, tab: 'gone' });
    kept.edits.delete('a/me');
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(5000);
    expect([state().save, state().document?.name, state().conflict?.document.name]).toEqual(['conflict', 'Mine', 'Theirs']);
    expect(api.stored.document.name).toBe('Theirs');
  });
  test('two tabs that are gone left two edits: one after the other is asked about, none is lost', async () => {
    const { api, kept, store, state, pass } = setUp();
    kept.put({ id: 'a', tab: 'gone1', document: named('First'), at: '2026-01-01' });
    kept.put({ id: 'a', tab: 'gone2', document: named('Second'), at: '2026-01-02' });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(700);
    expect(api.stored.document.name).toBe('Second');
    await pass(1000);
    expect([state().save, state().document?.name, state().conflict?.document.name]).toEqual(['conflict', 'First', 'Second']);
    store.dispatch(DocumentActions.takeTheirs());
    await pass(1000);
    expect([state().save, kept.edits.size]).toEqual(['saved', 0]);
  });
});

describe('leaving', () => {
  test('a build within half a second of an edit sends it', async () => {
    const { api, kept, store, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    edit('At the last moment');
    store.dispatch(DocumentActions.close());
    await pass(10);
    expect(api.stored.document.name).toBe('At the last moment');
    expect(kept.edits.size).toBe(0);
  });
  test('while the server is away keeps it, and it is sent when the connection is back, without opening the build', async () => {
    const { api, kept, store, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    api.away = true;
    edit('Away');
    store.dispatch(DocumentActions.close());
    await pass(1000);
    expect(kept.edits.size).toBe(1);
    api.away = false;
    window.dispatchEvent(new Event('online'));
    await pass(1000);
    expect([api.stored.document.name, kept.edits.size]).toEqual(['Away', 0]);
  });
});

describe('edits of builds that are not open', () => {
  test('are sent at the start, of every build', async () => {
    const { api, kept, store, pass } = setUp();
    kept.put({ id: 'a', tab: 'gone', document: named('Left behind') });
    store.dispatch(KeptActions.send());
    await pass(200);
    expect([api.stored.document.name, kept.edits.size]).toEqual(['Left behind', 0]);
  });
  test('that clash, or whose build is deleted, are told and kept; each can become a build of its own', async () => {
    const { api, kept, store, left, pass } = setUp();
    api.stored = { ...api.stored, version: 9, document: named('Newer') };
    kept.put({ id: 'a', tab: 'gone', document: named('Old edit') });
    store.dispatch(KeptActions.send());
    await pass(200);
    expect(left()).toMatchObject([{ id: 'a', name: 'Old edit', why: 'clash' }]);
    api.gone = true;
    store.dispatch(KeptActions.send());
    await pass(200);
    expect(left()).toMatchObject([{ why: 'deleted' }]);
    expect(kept.edits.size).toBe(1);
    store.dispatch(KeptActions.keepAsNew({ kind: 'build', id: 'a', tab: 'gone' }));
    await pass(200);
    expect(api.added.map((d) => d.name)).toEqual(['Old edit, kept']);
    expect([kept.edits.size, left()]).toEqual([0, []]);
  });
  test('that nobody answers for stay without a word', async () => {
    const { api, kept, store, left, pass } = setUp();
    api.away = true;
    kept.put({ id: 'a', tab: 'gone' });
    store.dispatch(KeptActions.send());
    await pass(200);
    expect([left(), kept.edits.size]).toEqual([[], 1]);
  });
});

describe('a browser that does not keep', () => {
  test('keeps what is not saved as soon as it can after all, and nothing that is', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    kept.usable.next();
    await pass(10);
    expect(kept.edits.size).toBe(0);
    [kept.full, api.away] = [true, true];
    edit('While it was held');
    await pass(10);
    expect([state().kept, kept.edits.size]).toEqual([false, 0]);
    kept.full = false;
    kept.usable.next();
    await pass(10);
    expect(state().kept).toBe(true);
    expect([...kept.edits.values()].map((e) => e.document.name)).toEqual(['While it was held']);
  });
  test('is told while the server has not the edit, asks before leaving, and opens all the same', async () => {
    const { api, kept, store, state, edit, pass } = setUp();
    kept.full = true;
    kept.left = () => Promise.reject(new Error('no IndexedDB'));
    api.away = false;
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    expect(state().document?.name).toBe('Pontoon skid');
    api.away = true;
    edit('Nowhere');
    await pass(10);
    expect(state().kept).toBe(false);
    const leave = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(leave);
    expect(leave.defaultPrevented).toBe(true);
    api.away = false;
    await pass(6000);
    expect(state().save).toBe('saved');
    const later = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(later);
    expect(later.defaultPrevented).toBe(false);
  });
});

describe('a build deleted elsewhere', () => {
  async function gone() {
    const y = setUp();
    y.store.dispatch(DocumentActions.open({ id: 'a' }));
    await y.pass(10);
    y.api.gone = true;
    y.edit('Still wanted');
    await y.pass(700);
    return y;
  }
  test('is told, and can be brought back with what was edited', async () => {
    const { api, store, state, pass } = await gone();
    expect(state().save).toBe('deleted');
    store.dispatch(DocumentActions.bringBack());
    await pass(700);
    expect([state().save, api.stored.document.name]).toEqual(['saved', 'Still wanted']);
  });
  test('or kept as a new one', async () => {
    const { api, kept, store, went, pass } = await gone();
    store.dispatch(DocumentActions.keepAsNew());
    await pass(50);
    expect(api.added.map((d) => d.name)).toEqual(['Still wanted']);
    expect(went[0]).toMatch(/^\/rig\/[0-9a-f-]{36}$/);
    expect(kept.edits.size).toBe(0);
  });
  test('that is opened with edits kept here offers them', async () => {
    const { api, kept, store, state, pass } = setUp();
    api.gone = true;
    kept.put({ id: 'a', tab: 'gone', document: named('Kept') });
    store.dispatch(DocumentActions.open({ id: 'a' }));
    await pass(10);
    expect(state()).toMatchObject({ loadError: 'There is no build "a".', orphan: { name: 'Kept' } });
  });
});

test('what is refused is tried once more by itself, and not for ever', async () => {
  const { api, store, state, edit, pass } = setUp();
  store.dispatch(DocumentActions.open({ id: 'a' }));
  await pass(10);
  api.refuse = 'The body is larger than 1010 kB.';
  edit('B');
  await pass(700);
  expect(state()).toMatchObject({ save: 'refused', refusals: 1 });
  api.refuse = '';
  await pass(5000);
  expect(state().save).toBe('saved');
  api.refuse = 'No.';
  edit('C');
  await pass(20_000);
  expect(state()).toMatchObject({ save: 'refused', refusals: 2, saveError: 'No.' });
});

test('with the server away a build opens from what is kept here', async () => {
  const { api, kept, store, state, pass } = setUp();
  api.away = true;
  kept.put({ id: 'a', tab: 'gone', document: named('Kept') });
  store.dispatch(DocumentActions.open({ id: 'a' }));
  await pass(10);
  expect(state()).toMatchObject({ document: { name: 'Kept' }, save: 'offline', loadError: null });
  api.away = false;
  await pass(5000);
  expect([state().save, api.stored.document.name]).toEqual(['saved', 'Kept']);
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
