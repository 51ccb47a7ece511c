import { TestBed } from '@angular/core/testing';
import { MatSnackBar } from '@angular/material/snack-bar';
import { provideRouter, Router } from '@angular/router';
import { type BuildSummary, pontoonRig } from '@pozzo/core';
import { provideMockActions } from '@ngrx/effects/testing';
import type { Action } from '@ngrx/store';
import { provideMockStore } from '@ngrx/store/testing';
import { type Observable, Subject } from 'rxjs';
import { Api, ApiError } from './api';
import {
  addBuild,
  duplicateBuild,
  fetchShown,
  followJudging,
  loadBuilds,
  offerUndo,
  removeBuild,
  renameBuild,
  restoreBuild,
  tellFailure,
} from './builds.effects';
import { BuildsActions, buildsFeature, type BuildsState } from './builds.feature';
import { settingsFeature } from './settings.feature';

const settle = async (): Promise<void> => {
  for (let i = 0; i < 30; i++) await Promise.resolve();
};
const summary = (id: string, sampled = true): BuildSummary =>
  ({ id, judged: sampled ? { verdict: 'fed', scale: 'feeding', headline: { template: '', values: {} }, chance: null, sampled } : null }) as BuildSummary;

describe('the list', () => {
  function yard(state: Partial<BuildsState>) {
    const actions = new Subject<Action>();
    const asked: object[] = [];
    const whole: BuildsState = { rows: [], all: 0, find: '', from: 0, to: 0, load: 'loaded', error: null, ...state };
    TestBed.configureTestingModule({
      providers: [
        provideMockActions(() => actions),
        provideMockStore({
          selectors: [
            { selector: buildsFeature.selectBuildsState, value: whole },
            { selector: buildsFeature.selectJudging, value: whole.rows.some((r) => r && !r.judged) },
          ],
        }),
        { provide: Api, useValue: { page: async (q: { from: number }) => (asked.push(q), { builds: [], from: q.from, total: 0, all: 0 }) } },
      ],
    });
    const heard: Action[] = [];
    TestBed.runInInjectionContext(() => {
      for (const e of [loadBuilds, fetchShown, followJudging]) (e() as Observable<Action>).subscribe((a) => heard.push(a));
    });
    return { actions, asked, heard };
  }
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  test('is fetched where the screen is, a page at a time', async () => {
    const y = yard({ rows: Array.from({ length: 10_000 }, () => null), from: 5195, to: 5210, find: 'quay' });
    y.actions.next(BuildsActions.load());
    await settle();
    expect(y.asked).toEqual([5100, 5200].map((from) => ({ from, count: 100, find: 'quay' })));
  });
  test('rows that come into view are fetched once', async () => {
    const rows = Array.from({ length: 300 }, (_, i) => (i < 100 ? summary(`b${i}`) : null));
    const y = yard({ rows, from: 60, to: 80 });
    y.actions.next(BuildsActions.show({ from: 60, to: 80 }));
    await jest.advanceTimersByTimeAsync(100);
    expect(y.asked).toEqual([]);
  });
  test('while something is being judged it is looked at again, until the yard is left', async () => {
    const y = yard({ rows: [summary('a', false)], to: 1 });
    const loaded = BuildsActions.loaded({ find: '', page: { builds: [], from: 0, total: 0, all: 0 } });
    y.actions.next(loaded);
    await jest.advanceTimersByTimeAsync(1300);
    expect(y.heard).toContainEqual(BuildsActions.lookAgain());
    y.heard.length = 0;
    y.actions.next(loaded);
    y.actions.next(BuildsActions.leave());
    await jest.advanceTimersByTimeAsync(5000);
    expect(y.heard).toEqual([]);
  });
});

describe('what is done in the yard', () => {
  const document = pontoonRig();
  function workshop(api: Record<string, (...args: never[]) => Promise<unknown>>) {
    const actions = new Subject<Action>();
    const bars: string[] = [];
    const undo = new Subject<void>();
    TestBed.configureTestingModule({
      providers: [
        provideMockActions(() => actions),
        provideRouter([]),
        provideMockStore({
          selectors: [
            { selector: settingsFeature.selectBy, value: 'Crew A' },
            {
              selector: buildsFeature.selectBuildsState,
              value: { rows: [], all: 0, find: '', from: 0, to: 0, load: 'idle', error: null } satisfies BuildsState,
            },
          ],
        }),
        { provide: Api, useValue: api },
        { provide: MatSnackBar, useValue: { open: (words: string) => (bars.push(words), { onAction: () => undo }) } },
      ],
    });
    const went: string[] = [];
    jest.spyOn(TestBed.inject(Router), 'navigate').mockImplementation((c) => (went.push(c.join('/')), Promise.resolve(true)));
    const heard: Action[] = [];
    TestBed.runInInjectionContext(() => {
      for (const effect of [loadBuilds, addBuild, renameBuild, duplicateBuild, removeBuild, offerUndo, restoreBuild])
        (effect() as Observable<Action>).subscribe((a) => heard.push(a));
      tellFailure().subscribe();
    });
    return { actions, bars, undo, went, heard };
  }

  test('a new build is stored, opened, and the yard looked over again', async () => {
    const stored: unknown[] = [];
    const y = workshop({ add: async (_kind: string, id: string, d: object) => (stored.push(d), { id }) });
    // Pressed twice, it is one build.
    y.actions.next(BuildsActions.add({ document, open: true }));
    y.actions.next(BuildsActions.add({ document, open: true }));
    await settle();
    expect(stored).toEqual([document]);
    expect(y.went[0]).toMatch(/^\/rig\/[0-9a-f-]{36}$/);
    expect(y.heard).toEqual([BuildsActions.load()]);
    y.actions.next(BuildsActions.add({ document, open: false }));
    await settle();
    expect(y.went).toHaveLength(1);
  });
  test('renaming saves the build as it is, with the new names, from the version it has', async () => {
    const saved: unknown[][] = [];
    const y = workshop({ get: async () => ({ id: 'a', version: 6, document }), save: async (...args: unknown[]) => void saved.push(args) });
    y.actions.next(BuildsActions.rename({ id: 'a', name: 'Quay', customer: 'Holiday park' }));
    await settle();
    expect(saved).toEqual([
      ['build', 'a', 6, { ...document, name: 'Quay', customer: 'Holiday park' }, { request: expect.any(String), unanswered: [], by: 'Crew A' }],
    ]);
    expect(y.heard).toEqual([BuildsActions.load()]);
  });
  test('a copy carries its name so, however long that is', async () => {
    const long = { ...document, name: 'x'.repeat(80) };
    const y = workshop({ get: async () => ({ id: 'a', version: 1, document: long }) });
    y.actions.next(BuildsActions.duplicate({ id: 'a' }));
    await settle();
    const made = y.heard[0] as ReturnType<typeof BuildsActions.add>;
    expect(made.document.name).toBe(`${'x'.repeat(70)}, copy`);
    expect(made.open).toBe(false);
  });
  test('what is deleted can be called back while the bar shows', async () => {
    const y = workshop({ remove: async () => undefined, restore: async () => ({ id: 'a' }) });
    y.actions.next(BuildsActions.remove({ id: 'a', name: 'Quay' }));
    await settle();
    expect(y.heard).toEqual([BuildsActions.removed({ id: 'a', name: 'Quay' })]);
    y.actions.next(y.heard[0]);
    expect(y.bars).toEqual(['Quay is deleted.']);
    y.undo.next();
    expect(y.heard[1]).toEqual(BuildsActions.restore({ id: 'a' }));
    y.actions.next(y.heard[1]);
    await settle();
    expect(y.heard[2]).toEqual(BuildsActions.load());
  });
  test('a failure is told in the server’s words, whatever was tried', async () => {
    const no = async () => Promise.reject(new ApiError(0, 'The server is away.'));
    const y = workshop({ page: no, add: no, get: no, remove: no, restore: no });
    for (const a of [
      BuildsActions.load(),
      BuildsActions.add({ document, open: true }),
      BuildsActions.rename({ id: 'a', name: 'b', customer: '' }),
      BuildsActions.duplicate({ id: 'a' }),
      BuildsActions.remove({ id: 'a', name: 'b' }),
      BuildsActions.restore({ id: 'a' }),
    ])
      y.actions.next(a);
    await settle();
    expect(y.heard).toEqual(Array.from({ length: 6 }, () => BuildsActions.failed({ message: 'The server is away.' })));
    y.actions.next(y.heard[0]);
    expect(y.bars).toEqual(['The server is away.']);
  });
});
