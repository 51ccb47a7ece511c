import { DOCUMENT, inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { tap } from 'rxjs';
import { keepSettings, settingsFeature } from './settings.feature';

export const applySettings = createEffect(
  (store = inject(Store), document = inject(DOCUMENT)) =>
    store.select(settingsFeature.selectSettingsState).pipe(
      tap((settings) => {
        document.documentElement.dataset['theme'] = settings.theme;
        keepSettings(() => document.defaultView!.localStorage, settings);
      }),
    ),
  { functional: true, dispatch: false },
);
