import { inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Router } from '@angular/router';
import { type RigDocument, withoutOptions } from '@pozzo/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, concatMap, EMPTY, filter, from, map, mergeMap, of, switchMap, takeUntil, tap, withLatestFrom } from 'rxjs';
import { doneOf, HeavyClient } from '../workers/heavy-client';
import { DAY_SEED } from '../workers/sample-days';
import { Api } from './api';
import { BuildsActions, buildsFeature } from './builds.feature';

const reason = (error: unknown): string => (error instanceof Error ? error.message : 'It did not work.');
const failed = (error: unknown) => of(BuildsActions.failed({ message: reason(error) }));

export const loadBuilds = createEffect(
  (actions = inject(Actions), api = inject(Api)) =>
    actions.pipe(
      ofType(BuildsActions.load),
      switchMap(() =>
        from(api.list()).pipe(
          concatMap(({ builds }) => of(BuildsActions.loaded({ builds }))),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

/** Days behind a chance in the yard. */
const YARD_DAYS = 300;

/** One build after another, the chance of a short day of each version that is not known yet; until the yard is left. */
export const sampleYard = createEffect(
  (actions = inject(Actions), store = inject(Store), api = inject(Api), heavy = inject(HeavyClient)) =>
    actions.pipe(
      ofType(BuildsActions.loaded),
      withLatestFrom(store.select(buildsFeature.selectChances)),
      switchMap(([{ builds }, known]) =>
        from(builds).pipe(
          filter((b) => known[b.id]?.version !== b.version),
          concatMap((b) =>
            from(api.get(b.id)).pipe(
              switchMap((stored) => {
                const document = withoutOptions(stored.document);
                return doneOf(heavy.run('sample', { document, seed: DAY_SEED, from: 0, count: YARD_DAYS })).pipe(
                  switchMap((part) => doneOf(heavy.run('gather', { document, seed: DAY_SEED, part }))),
                  map(({ short, tolerance }) => BuildsActions.chance({ id: b.id, chance: { version: stored.version, short, tolerance } })),
                );
              }),
              // A build that cannot be sampled shows none; its verdict says why.
              catchError(() => EMPTY),
            ),
          ),
          takeUntil(actions.pipe(ofType(BuildsActions.leave))),
        ),
      ),
    ),
  { functional: true },
);

export const addBuild = createEffect(
  (actions = inject(Actions), api = inject(Api), router = inject(Router)) =>
    actions.pipe(
      ofType(BuildsActions.add),
      mergeMap(({ document, open }) =>
        from(api.add(crypto.randomUUID(), document)).pipe(
          concatMap(async (build) => {
            if (open) await router.navigate(['/rig', build.id]);
            return BuildsActions.load();
          }),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

export const renameBuild = createEffect(
  (actions = inject(Actions), api = inject(Api)) =>
    actions.pipe(
      ofType(BuildsActions.rename),
      mergeMap(({ id, name, customer }) =>
        from(
          api.get(id).then((b) => {
            const document: RigDocument = { ...b.document, name, customer };
            return api.save(id, b.version, document);
          }),
        ).pipe(
          concatMap(() => of(BuildsActions.load())),
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
        from(api.get(id)).pipe(
          concatMap((b) => of(BuildsActions.add({ document: { ...b.document, name: `${b.document.name.slice(0, 70)}, copy` }, open: false }))),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

export const removeBuild = createEffect(
  (actions = inject(Actions), api = inject(Api)) =>
    actions.pipe(
      ofType(BuildsActions.remove),
      mergeMap(({ id, name }) =>
        from(api.remove(id)).pipe(
          concatMap(() => of(BuildsActions.removed({ id, name }))),
          catchError(failed),
        ),
      ),
    ),
  { functional: true },
);

/** A removed build can be called back for as long as the bar shows, and longer by its server's restore. */
export const offerUndo = createEffect(
  (actions = inject(Actions), bar = inject(MatSnackBar)) =>
    actions.pipe(
      ofType(BuildsActions.removed),
      switchMap(({ id, name }) =>
        bar
          .open(`${name} is deleted.`, 'Undo', { duration: 12000 })
          .onAction()
          .pipe(concatMap(() => of(BuildsActions.restore({ id })))),
      ),
    ),
  { functional: true },
);

export const restoreBuild = createEffect(
  (actions = inject(Actions), api = inject(Api)) =>
    actions.pipe(
      ofType(BuildsActions.restore),
      mergeMap(({ id }) =>
        from(api.restore(id)).pipe(
          concatMap(() => of(BuildsActions.load())),
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
