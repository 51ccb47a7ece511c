import { inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Router } from '@angular/router';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  catchError,
  concatMap,
  debounceTime,
  exhaustMap,
  filter,
  from,
  map,
  merge,
  mergeMap,
  of,
  switchMap,
  takeUntil,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import { Api, asApiError } from './api';
import { BuildsActions, buildsFeature, type BuildsState, PAGE } from './builds.feature';
import { newId } from './new-id';
import { useWhose } from './settings.feature';

const failed = (error: unknown) => of(BuildsActions.failed({ message: asApiError(error).message }));

/** Where the pages begin that hold the rows on the screen. */
const pagesOnScreen = (s: BuildsState): number[] => {
  const first = Math.floor(s.from / PAGE);
  const last = Math.floor(Math.max(s.from, Math.min(s.to, s.rows.length - 1)) / PAGE);
  return Array.from({ length: last - first + 1 }, (_, i) => (first + i) * PAGE);
};

/** Fetches what is on the screen: at the start, when something else is looked for, when it may have changed. */
export const loadBuilds = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api)) =>
    merge(actions.pipe(ofType(BuildsActions.load, BuildsActions.lookAgain)), actions.pipe(ofType(BuildsActions.find), debounceTime(120))).pipe(
      withLatestFrom(store.select(buildsFeature.selectBuildsState)),
      switchMap(([, s]) =>
        from(pagesOnScreen(s)).pipe(
          concatMap((start) => from(api.page({ from: start, count: PAGE, find: s.find }))),
          map((page) => BuildsActions.loaded({ find: s.find, page })),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

/** Rows that come onto the screen and have not been fetched yet. */
export const fetchShown = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api)) =>
    actions.pipe(
      ofType(BuildsActions.show),
      debounceTime(40),
      withLatestFrom(store.select(buildsFeature.selectBuildsState)),
      switchMap(([, s]) =>
        from(pagesOnScreen(s).filter((start) => s.rows.slice(start, start + PAGE).some((r) => r === null))).pipe(
          concatMap((start) => from(api.page({ from: start, count: PAGE, find: s.find }))),
          map((page) => BuildsActions.loaded({ find: s.find, page })),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

/** While something on the screen is being judged it is looked at again, until the yard is left. */
export const followJudging = createEffect(
  (actions = inject(Actions), store = inject(Store)) =>
    actions.pipe(
      ofType(BuildsActions.loaded),
      switchMap(() => timer(1200).pipe(takeUntil(actions.pipe(ofType(BuildsActions.leave))))),
      withLatestFrom(store.select(buildsFeature.selectJudging)),
      filter(([, judging]) => judging),
      map(() => BuildsActions.lookAgain()),
    ),
  { functional: true },
);

export const addBuild = createEffect(
  (actions = inject(Actions), api = inject(Api), router = inject(Router), whose = useWhose()) => {
    const add = ({ document, open }: ReturnType<typeof BuildsActions.add>) =>
      from(api.add('build', newId(), document, whose())).pipe(
        concatMap(async (build) => {
          if (open) await router.navigate(['/rig', build.id]);
          return BuildsActions.load();
        }),
        catchError(failed),
      );
    const asked = actions.pipe(ofType(BuildsActions.add));
    // One build is opened at a time: pressed twice, the card of a layout makes one.
    return merge(
      asked.pipe(
        filter((a) => a.open),
        exhaustMap(add),
      ),
      asked.pipe(
        filter((a) => !a.open),
        mergeMap(add),
      ),
    );
  },
  { functional: true },
);

export const renameBuild = createEffect(
  (actions = inject(Actions), api = inject(Api), whose = useWhose()) =>
    actions.pipe(
      ofType(BuildsActions.rename),
      mergeMap(({ id, name, customer }) =>
        from(
          api
            .get('build', id)
            .then((b) => api.save('build', id, b.version, { ...b.document, name, customer }, { request: newId(), unanswered: [], ...whose() })),
        ).pipe(
          map(() => BuildsActions.load()),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

export const duplicateBuild = createEffect(
  (actions = inject(Actions), api = inject(Api)) =>
    actions.pipe(
      ofType(BuildsActions.duplicate),
      mergeMap(({ id }) =>
        from(api.get('build', id)).pipe(
          map((b) => BuildsActions.add({ document: { ...b.document, name: `${b.document.name.slice(0, 70)}, copy` }, open: false })),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

export const removeBuild = createEffect(
  (actions = inject(Actions), api = inject(Api), whose = useWhose()) =>
    actions.pipe(
      ofType(BuildsActions.remove),
      mergeMap(({ id, name }) =>
        from(api.remove('build', id, whose())).pipe(
          map(() => BuildsActions.removed({ id, name })),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

/** A removed build can be called back for as long as the bar shows, and from the deleted builds after that. */
export const offerUndo = createEffect(
  (actions = inject(Actions), bar = inject(MatSnackBar)) =>
    actions.pipe(
      ofType(BuildsActions.removed),
      switchMap(({ id, name }) =>
        bar
          .open(`${name} is deleted.`, 'Undo', { duration: 12000 })
          .onAction()
          .pipe(map(() => BuildsActions.restore({ id }))),
      ),
    ),
  { functional: true },
);

export const restoreBuild = createEffect(
  (actions = inject(Actions), api = inject(Api), whose = useWhose()) =>
    actions.pipe(
      ofType(BuildsActions.restore),
      mergeMap(({ id }) =>
        from(api.restore('build', id, whose())).pipe(
          map(() => BuildsActions.load()),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

export const tellFailure = createEffect(
  (actions = inject(Actions), bar = inject(MatSnackBar)) =>
    actions.pipe(
      ofType(BuildsActions.failed),
      tap(({ message }) => void bar.open(message, 'Close', { duration: 8000 })),
    ),
  { functional: true, dispatch: false },
);
