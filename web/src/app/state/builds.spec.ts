import { TestBed } from '@angular/core/testing';
import { MatSnackBar } from '@angular/material/snack-bar';
import { provideRouter } from '@angular/router';
import { chanceOf, pontoonRig } from '@pozzo/core';
import { provideMockActions } from '@ngrx/effects/testing';
import type { Action } from '@ngrx/store';
import { provideMockStore } from '@ngrx/store/testing';
import { NEVER, type Observable, of, Subject, throwError } from 'rxjs';
import { HeavyClient } from '../workers/heavy-client';
import { Api } from './api';
import { sampleYard } from './builds.effects';
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
