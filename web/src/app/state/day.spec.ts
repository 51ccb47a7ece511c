import { TestBed } from '@angular/core/testing';
import { type DayChunk, type DaySample, pontoonRig, type RigDocument } from '@pozzo/core';
import { provideMockActions } from '@ngrx/effects/testing';
import { provideMockStore } from '@ngrx/store/testing';
import { firstValueFrom, NEVER, Observable, of, Subject, toArray } from 'rxjs';
import type { Action } from '@ngrx/store';
import { HeavyClient } from '../workers/heavy-client';
import { sampleInRounds } from '../workers/sample-days';
import { AssessmentActions, assessmentFeature } from './assessment.feature';
import { compare, sample, sampleForVerdict, sampleUnasked, size } from './day.effects';
import { DayActions, dayFeature } from './day.feature';
import { DayStore } from './day-store';
import { DocumentActions, openBuild } from './record.feature';

const reduce = dayFeature.reducer;
const initial = reduce(undefined, { type: '@@init' });

describe('work on the day as state', () => {
  test('begins, tells how far it is, is done; its last value stays while a newer one runs', () => {
    let s = reduce(initial, DayActions.begun({ work: 'sample' }));
    expect(s.sample).toMatchObject({ state: 'working', share: 0 });
    s = reduce(s, DayActions.progress({ work: 'sample', share: 0.4, value: { days: 400 } as DaySample }));
    s = reduce(s, DayActions.progress({ work: 'sample', share: 0.6, value: null }));
    expect(s.sample).toMatchObject({ share: 0.6, value: { days: 400 } });
    s = reduce(s, DayActions.done({ work: 'sample', value: { days: 800 } as DaySample }));
    s = reduce(s, DayActions.begun({ work: 'sample' }));
    expect(s.sample).toMatchObject({ state: 'working', value: { days: 800 } });
  });
  test('cancelled and failed are shown as such; a finished piece cannot be cancelled', () => {
    const working = reduce(initial, DayActions.begun({ work: 'sizing' }));
    expect(reduce(working, DayActions.cancel({ work: 'sizing' })).sizing.state).toBe('cancelled');
    expect(reduce(working, DayActions.failed({ work: 'sizing', message: 'no' })).sizing).toMatchObject({ state: 'failed', error: 'no' });
    expect(reduce(initial, DayActions.cancel({ work: 'sizing' })).sizing.state).toBe('idle');
  });
  test('once more days were asked for, up to as many judge the rig until another is opened', () => {
    expect(initial.most).toBe(2000);
    let s = reduce(initial, DayActions.sampleMore({ days: 10_000 }));
    s = reduce(s, DayActions.sample());
    s = reduce(s, DayActions.sampleMore({ days: 5000 }));
    expect(s.most).toBe(10_000);
    expect(reduce(s, DocumentActions.open({ id: 'x' })).most).toBe(2000);
  });
  test('a new day keeps the minute within it, and the sizes, however quickly they came; a changed rig takes them back', () => {
    let s = reduce(initial, DayActions.done({ work: 'sizing', value: null }));
    s = reduce(s, DayActions.look({ minute: 9000 }));
    s = reduce(s, DayActions.worked({ day: { lengthS: 5000 } as never, weight: null, made: null }));
    expect(s).toMatchObject({ minute: 5000, sizing: { state: 'done' } });
    expect(reduce(s, DocumentActions.undo()).sizing.state).toBe('idle');
    expect(reduce(reduce(s, DayActions.begun({ work: 'sizing' })), DocumentActions.takeTheirs()).sizing.state).toBe('idle');
    expect(reduce(s, DayActions.leave()).minute).toBeNull();
    expect(reduce(s, DocumentActions.open({ id: 'x' }))).toEqual(initial);
  });
});

describe('a day that is written down', () => {
  const made = { starts: '6:30', tolerance: '5 %', jobs: [{ id: 'a', name: 'Made elsewhere', water: 'tap', phases: [] }] } as never;
  const store = (of: RigDocument, document: RigDocument): DayStore => {
    TestBed.configureTestingModule({
      providers: [provideMockStore({ initialState: { [openBuild.name]: { document }, day: { ...initial, made: { of, day: made } } } })],
    });
    return TestBed.inject(DayStore);
  };
  test('is the one that a worker made up for this very document, and one of its own', () => {
    const document = pontoonRig();
    const draft = pontoonRig();
    const own = store(document, document).own(draft);
    expect(own).toEqual(made);
    expect(own).not.toBe(made);
    expect(draft.brief.day).toBe(own);
  });
  test('is made up on the spot where the worker’s is of another document; one that is written stays', () => {
    const s = store(pontoonRig(), pontoonRig());
    const draft = pontoonRig();
    expect(s.own(draft).starts).toBe('8:00');
    draft.brief.day!.starts = '9:15';
    expect(s.own(draft).starts).toBe('9:15');
  });
});

const empty = (from: number, count: number): DayChunk => ({
  from,
  count,
  figures: new Float64Array(8 * count),
  firstAt: new Float64Array(0),
  lost: new Float64Array(0),
  strength: new Float64Array(0),
  fuel: new Float64Array(0),
  levels: new Uint32Array(1),
  season: new Uint8Array(count),
  unsettled: 0,
});

/** A client that answers at once; `chance` is what every gathering finds. */
function client(chance: number, most = 2) {
  const asked: { from: number; count: number }[] = [];
  return {
    asked,
    most,
    run: (kind: string, ask: { from: number; count: number; part: DayChunk }) => {
      if (kind === 'sample') {
        asked.push({ from: ask.from, count: ask.count });
        return of({ state: 'done' as const, value: empty(ask.from, ask.count) });
      }
      const days = ask.part.count;
      const half = 1.5 / Math.sqrt(days);
      return of({
        state: 'done' as const,
        value: { days, tolerance: 0.02, short: { days, chance, low: Math.max(chance - half, 0), high: chance + half } } as DaySample,
      });
    },
  };
}

describe('sampling in rounds', () => {
  const run = (c: ReturnType<typeof client>, most: number) => firstValueFrom(sampleInRounds(c as unknown as HeavyClient, pontoonRig(), most).pipe(toArray()));
  test('days are spread over the workers without a gap, and rounds double', async () => {
    const c = client(0.3);
    const told = await run(c, 2000);
    expect(c.asked.slice(0, 4)).toEqual([
      { from: 0, count: 200 },
      { from: 200, count: 200 },
      { from: 400, count: 200 },
      { from: 600, count: 200 },
    ]);
    const total = c.asked.reduce((s, a) => s + a.count, 0);
    expect(told[told.length - 1]).toMatchObject({ share: 1, sample: { days: total } });
  });
  test('it stops at the most asked for when the answer stays open', async () => {
    const c = client(0.02);
    const told = await run(c, 1000);
    expect(told.map((t) => t.sample.days)).toEqual([400, 800, 1000]);
    expect(told.map((t) => t.share)).toEqual([0.4, 0.8, 1]);
  });
});

describe('effects', () => {
  const setUp = (document: RigDocument | null, run: (kind: string, ask: object) => Observable<unknown>, assessedOf = document, most = 2000) => {
    const actions = new Subject<Action>();
    TestBed.configureTestingModule({
      providers: [
        provideMockActions(() => actions),
        provideMockStore({ initialState: { [openBuild.name]: { document }, assessment: { assessedOf }, day: { most } } }),
        { provide: HeavyClient, useValue: { most: 1, run } },
      ],
    });
    return actions;
  };
  test('sizing tells its progress and is stopped by a cancel', () => {
    const actions = setUp(pontoonRig(), (kind) => (kind === 'sizing' ? of({ state: 'working', share: 0.5 }) : NEVER));
    const heard: Action[] = [];
    TestBed.runInInjectionContext(() => size()).subscribe((a) => heard.push(a));
    actions.next(DayActions.size());
    expect(heard).toEqual([
      DayActions.begun({ work: 'sizing' }),
      DayActions.progress({ work: 'sizing', share: 0.5, value: null }),
      DayActions.begun({ work: 'swings' }),
    ]);
    actions.next(DayActions.cancel({ work: 'swings' }));
    expect(heard).toHaveLength(3);
  });
  test('what is sized while the rig is changed is of a rig that was: it stops, and says nothing more', () => {
    const sizes = new Subject<unknown>();
    const actions = setUp(pontoonRig(), (kind) => (kind === 'sizing' ? sizes : NEVER));
    const heard: Action[] = [];
    TestBed.runInInjectionContext(() => size()).subscribe((a) => heard.push(a));
    actions.next(DayActions.size());
    actions.next(DocumentActions.undo());
    sizes.next({ state: 'done', value: null });
    expect(heard.map((a) => a.type)).not.toContain(DayActions.done.type);
  });
  test('sizes and options are judged by up to as many days as the rig is, and the rig by all of those asked for', () => {
    const asked: object[] = [];
    const run = (kind: string, ask: object): Observable<unknown> => {
      asked.push({ kind, ...ask });
      return NEVER;
    };
    const actions = setUp(pontoonRig(), run, undefined, 10_000);
    for (const effect of [size, compare, sample]) TestBed.runInInjectionContext(() => effect()).subscribe();
    actions.next(DayActions.size());
    actions.next(DayActions.compare());
    actions.next(DayActions.sampleMore({ days: 10_000 }));
    expect(asked).toMatchObject([
      { kind: 'sizing', most: 10_000 },
      { kind: 'swings', days: 500 },
      { kind: 'compare', most: 10_000 },
      { kind: 'sample', from: 0, count: 400 },
    ]);
  });
  test.each([
    ['beside an open day', sampleUnasked],
    ['for the verdict', sampleForVerdict],
  ])('what was typed into since and is not found sound is not sampled: %s', (_, effect) => {
    jest.useFakeTimers();
    const asked = (assessedOf: RigDocument, document: RigDocument): Action[] => {
      TestBed.resetTestingModule();
      const actions = setUp(document, () => NEVER, assessedOf);
      const heard: Action[] = [];
      TestBed.runInInjectionContext(() => effect()).subscribe((a) => heard.push(a));
      if (effect === sampleUnasked) actions.next(DayActions.watch());
      actions.next(AssessmentActions.assessed({ assessment: {} as never }));
      jest.advanceTimersByTime(5000);
      return heard;
    };
    const sound = pontoonRig();
    expect(asked(sound, { ...sound, name: '' })).toEqual([]);
    expect(asked(sound, sound)).toHaveLength(1);
    jest.useRealTimers();
  });
  test('a document is sound once its own assessment is there', () => {
    let s = assessmentFeature.reducer(undefined, AssessmentActions.asked({ document: pontoonRig() }));
    expect(s.assessedOf).toBeNull();
    s = assessmentFeature.reducer(s, AssessmentActions.assessed({ assessment: {} as never }));
    expect(s.assessedOf).toBe(s.askedOf);
    expect(assessmentFeature.selectSound.projector(s.assessedOf, s.askedOf)).toBe(s.askedOf);
    expect(assessmentFeature.selectSound.projector(s.assessedOf, pontoonRig())).toBeNull();
  });
  test('a failure in the worker becomes a message; nothing runs without a document', () => {
    const actions = setUp(pontoonRig(), () => new Observable((o) => o.error(new Error('out of memory'))));
    const heard: Action[] = [];
    TestBed.runInInjectionContext(() => compare()).subscribe((a) => heard.push(a));
    actions.next(DayActions.compare());
    expect(heard[1]).toEqual(DayActions.failed({ work: 'comparison', message: 'out of memory' }));
  });
});
