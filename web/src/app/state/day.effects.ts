import { inject } from '@angular/core';
import type { Contender, RigDocument } from '@pozzo/core';
import { DAY_SEED, withoutOptions } from '@pozzo/core/page';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { type Action, Store } from '@ngrx/store';
import {
  catchError,
  concat,
  debounceTime,
  defer,
  distinctUntilChanged,
  EMPTY,
  filter,
  map,
  merge,
  type Observable,
  of,
  startWith,
  switchMap,
  takeUntil,
  withLatestFrom,
} from 'rxjs';
import { doneOf, HeavyClient, type Progress } from '../workers/heavy-client';
import { sampleInRounds } from '../workers/sample-days';
import { AssessmentActions, assessmentFeature } from './assessment.feature';
import { CHANGES, DayActions, dayFeature, type WorkName } from './day.feature';
import { openBuild } from './record.feature';

/** Days for each end of what varies: they are held against each other only. */
const SWUNG = 500;
const AFTER_MS = 120;
/** While no view of the day is open its days are judged all the same, for the verdict, once the hand rests. */
const RESTED_MS = 1200;

const documentOf = (store: Store): Observable<RigDocument | null> => store.select(openBuild.selectDocument);
const mostOf = (store: Store): Observable<number> => store.select(dayFeature.selectMost);
const soundOf = (store: Store): Observable<RigDocument | null> => store.select(assessmentFeature.selectSound);
/** The documents that were assessed, while a view of the day is open. What is half typed waits until it is sound. */
const watched = (actions: Actions, store: Store): Observable<RigDocument> =>
  merge(actions.pipe(ofType(DayActions.watch)), actions.pipe(ofType(DayActions.leave))).pipe(
    map((a) => a.type === DayActions.watch.type),
    switchMap((open) =>
      open
        ? actions.pipe(
            ofType(AssessmentActions.assessed),
            startWith(null),
            debounceTime(AFTER_MS),
            withLatestFrom(soundOf(store)),
            map(([, d]) => d),
            filter((d) => d !== null),
            distinctUntilChanged(),
          )
        : EMPTY,
    ),
  );

export const workUsualDay = createEffect(
  (actions = inject<Actions>(Actions), store = inject<Store>(Store), heavy = inject(HeavyClient)) =>
    watched(actions, store).pipe(
      switchMap((document) =>
        doneOf(heavy.run('day', { document: withoutOptions(document) })).pipe(
          map(({ day, weight, made }) => DayActions.worked({ day, weight: weight ?? null, made: made ? { of: document, day: made } : null })),
          catchError(() => of(DayActions.worked({ day: null, weight: null, made: null }))),
        ),
      ),
    ),
  { functional: true },
);

/** Each change of the rig is sampled unasked, as far as it takes to know. */
export const sampleUnasked = createEffect(
  (actions = inject<Actions>(Actions), store = inject<Store>(Store)) => watched(actions, store).pipe(map(() => DayActions.sample())),
  { functional: true },
);

/** The verdict of an open rig tells of its days wherever one stands on the bench. */
export const sampleForVerdict = createEffect(
  (actions = inject<Actions>(Actions), store = inject<Store>(Store)) =>
    merge(actions.pipe(ofType(DayActions.watch)), actions.pipe(ofType(DayActions.leave))).pipe(
      map((a) => a.type === DayActions.watch.type),
      startWith(false),
      switchMap((open) =>
        open
          ? EMPTY
          : actions.pipe(
              ofType(AssessmentActions.assessed),
              debounceTime(RESTED_MS),
              withLatestFrom(soundOf(store)),
              filter(([, d]) => d !== null),
              map(() => DayActions.sample()),
            ),
      ),
    ),
  { functional: true },
);

/** Begins a piece of work, tells how it goes and how it ends; a newer one, a cancel or a closed document stops it. */
function work(name: WorkName, actions: Actions, run: () => Observable<Action>): Observable<Action> {
  return concat(of(DayActions.begun({ work: name })), defer(run)).pipe(
    catchError((error: unknown) => of(DayActions.failed({ work: name, message: error instanceof Error ? error.message : 'It stopped.' }))),
    takeUntil(
      actions.pipe(
        ofType(DayActions.cancel),
        filter((a) => a.work === name),
      ),
    ),
  );
}

const report = <T>(name: WorkName, steps: Observable<Progress<T>>): Observable<Action> =>
  steps.pipe(
    map((p) =>
      p.state === 'working'
        ? DayActions.progress({ work: name, share: p.share, value: null })
        : DayActions.done({ work: name, value: (p.value ?? null) as never }),
    ),
  );

export const sample = createEffect(
  (actions = inject<Actions>(Actions), store = inject<Store>(Store), heavy = inject(HeavyClient)) =>
    actions.pipe(
      ofType(DayActions.sample, DayActions.sampleMore),
      withLatestFrom(documentOf(store), mostOf(store)),
      switchMap(([asked, document, most]) =>
        document
          ? concat(
              of(DayActions.sampling({ of: document })),
              work('sample', actions, () =>
                sampleInRounds(heavy, withoutOptions(document), most, asked.type === DayActions.sampleMore.type).pipe(
                  map(({ sample: value, share }) =>
                    share >= 1 ? DayActions.done({ work: 'sample', value }) : DayActions.progress({ work: 'sample', share, value }),
                  ),
                ),
              ),
            )
          : EMPTY,
      ),
    ),
  { functional: true },
);

export const size = createEffect(
  (actions = inject<Actions>(Actions), store = inject<Store>(Store), heavy = inject(HeavyClient)) =>
    actions.pipe(
      ofType(DayActions.size),
      withLatestFrom(documentOf(store), mostOf(store)),
      switchMap(([, opened, most]) => {
        if (!opened) return EMPTY;
        const document = withoutOptions(opened);
        return merge(
          work('sizing', actions, () => report('sizing', heavy.run('sizing', { document, most, seed: DAY_SEED }))),
          work('swings', actions, () => report('swings', heavy.run('swings', { document, days: SWUNG, seed: DAY_SEED }))),
        ).pipe(takeUntil(actions.pipe(ofType(...CHANGES))));
      }),
    ),
  { functional: true },
);

/** The build and its options, in the order of the document. */
export const compare = createEffect(
  (actions = inject<Actions>(Actions), store = inject<Store>(Store), heavy = inject(HeavyClient)) =>
    actions.pipe(
      ofType(DayActions.compare),
      withLatestFrom(documentOf(store), mostOf(store)),
      switchMap(([, document, most]) => {
        if (!document) return EMPTY;
        const contenders: Contender[] = [
          { id: 'now', name: 'As built', rig: withoutOptions(document) },
          ...(document.options ?? []).map((o) => ({ id: o.id, name: o.name, rig: o.rig })),
        ];
        return work('comparison', actions, () => report('comparison', heavy.run('compare', { contenders, most, seed: DAY_SEED })));
      }),
    ),
  { functional: true },
);
