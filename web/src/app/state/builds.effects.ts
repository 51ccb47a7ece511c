import { inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Router } from '@angular/router';
import type { RigDocument } from '@pozzo/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, concatMap, from, mergeMap, of, switchMap, tap } from 'rxjs';
import { Api } from './api';
import { BuildsActions } from './builds.feature';

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
