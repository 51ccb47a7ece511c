import { TestBed } from '@angular/core/testing';
import { MatSnackBar } from '@angular/material/snack-bar';
import { provideRouter, Router } from '@angular/router';
import { chanceOf, pontoonRig } from '@pozzo/core';
import { provideMockActions } from '@ngrx/effects/testing';
import type { Action } from '@ngrx/store';
import { provideMockStore } from '@ngrx/store/testing';
import { NEVER, type Observable, of, Subject, throwError } from 'rxjs';
import { HeavyClient } from '../workers/heavy-client';
import { Api } from './api';
import { addBuild, duplicateBuild, loadBuilds, offerUndo, removeBuild, renameBuild, restoreBuild, sampleYard, tellFailure } from './builds.effects';
import { BuildsActions, buildsFeature, type BuildChance, type BuildSummary } from './builds.feature';

const line = (id: string, version = 1): BuildSummary => ({ id, version }) as BuildSummary;
const settle = async (): Promise<void> => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};

function yard(known: Record<string, BuildChance> = {}, run?: (kind: string) => Observable<unknown>) {
  const actions = new Subject<Action>();
  const fetched: string[] = [];
  TestBed.configureTestingModule({
    providers: [
      provideMockActions(() => actions),
      provideRouter([]),
      { provide: MatSnackBar, useValue: {} },
      provideMockStore({ selectors: [{ selector: buildsFeature.selectChances, value: known }] }),
      {
        provide: Api,
        useValue: {
          get: async (id: string) => {
            fetched.push(id);
            if (id === 'gone') throw new Error('There is no build "gone".');
            return { id, version: 1, document: { ...pontoonRig(), options: [] }, updatedAt: '' };
          },
        },
      },
      {
        provide: HeavyClient,
        useValue: { run: run ?? ((kind: string) => of({ state: 'done', value: kind === 'sample' ? {} : { short: chanceOf(9, 300), tolerance: 0.02 } })) },
      },
    ],
  });
  const heard: Action[] = [];
  TestBed.runInInjectionContext(() => sampleYard()).subscribe((a) => heard.push(a));
  return { actions, fetched, heard };
}

describe('chances in the yard', () => {
  const found = (id: string) => BuildsActions.chance({ id, chance: { version: 1, short: chanceOf(9, 300), tolerance: 0.02 } });
  test('are worked out for builds not known yet in this version, one after another', async () => {
    const y = yard({ b: { version: 1, short: chanceOf(0, 300), tolerance: 0.02 }, c: { version: 1, short: chanceOf(0, 300), tolerance: 0.02 } });
    y.actions.next(BuildsActions.loaded({ builds: [line('a'), line('b'), line('c', 2)] }));
    await settle();
    expect(y.fetched).toEqual(['a', 'c']);
    expect(y.heard).toEqual([found('a'), found('c')]);
  });
  test('one that cannot be fetched or worked shows none; the next goes on', async () => {
    const y = yard({}, (kind) =>
      kind === 'sample' && !y.fetched.includes('b')
        ? throwError(() => new Error('no'))
        : of({ state: 'done', value: { short: chanceOf(9, 300), tolerance: 0.02 } }),
    );
    y.actions.next(BuildsActions.loaded({ builds: [line('gone'), line('a'), line('b')] }));
    await settle();
    expect(y.heard).toEqual([found('b')]);
  });
  test('stop when the yard is left', async () => {
    const y = yard({}, () => NEVER);
    y.actions.next(BuildsActions.loaded({ builds: [line('a'), line('b')] }));
    await settle();
    y.actions.next(BuildsActions.leave());
    await settle();
    expect(y.fetched).toEqual(['a']);
    expect(y.heard).toEqual([]);
  });
});

test('a chance is kept beside its build, the newest instead of the older', () => {
  const reduce = buildsFeature.reducer;
  let s = reduce(undefined, BuildsActions.chance({ id: 'a', chance: { version: 1, short: chanceOf(1, 300), tolerance: 0.02 } }));
  s = reduce(s, BuildsActions.chance({ id: 'a', chance: { version: 2, short: chanceOf(2, 300), tolerance: 0.02 } }));
  expect(Object.keys(s.chances)).toEqual(['a']);
  expect(s.chances['a'].version).toBe(2);
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
        provideMockStore(),
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
    const y = workshop({ add: async (id: string, d: object) => (stored.push(d), { id }) });
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
    expect(saved).toEqual([['a', 6, { ...document, name: 'Quay', customer: 'Holiday park' }]]);
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
    const no = async () => Promise.reject(new Error('The server is away.'));
    const y = workshop({ list: no, add: no, get: no, remove: no, restore: no });
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
