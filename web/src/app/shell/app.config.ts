import type { ApplicationConfig } from '@angular/core';
import { ErrorHandler, inject, provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { provideHttpClient, withFetch } from '@angular/common/http';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { THEME } from '../kit/theme';
import * as assessmentEffects from '../state/assessment.effects';
import { assessmentFeature } from '../state/assessment.feature';
import * as buildsEffects from '../state/builds.effects';
import { buildsFeature } from '../state/builds.feature';
import * as dayEffects from '../state/day.effects';
import { dayFeature } from '../state/day.feature';
import * as keptEffects from '../state/kept.effects';
import { keptFeature } from '../state/kept.feature';
import { BuildEffects, WorkshopEffects } from '../state/record.effects';
import { openBuild, openWorkshop } from '../state/record.feature';
import * as settingsEffects from '../state/settings.effects';
import { settingsFeature } from '../state/settings.feature';
import { MAKE_WORKER } from '../workers/assess-client';
import { HEAVY_WORKERS } from '../workers/heavy-client';
import { heavyWorkers, makeAssessWorker } from '../workers/make-worker';
import { TellMissing } from './away';
import { routes } from './routes';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: TellMissing },
    provideHttpClient(withFetch()),
    provideRouter(routes, withComponentInputBinding()),
    provideStore(
      {},
      {
        runtimeChecks: {
          strictStateImmutability: true,
          strictActionImmutability: true,
          strictStateSerializability: true,
          strictActionSerializability: true,
          strictActionWithinNgZone: false,
          strictActionTypeUniqueness: true,
        },
      },
    ),
    provideState(buildsFeature),
    provideState(openBuild),
    provideState(openWorkshop),
    provideState(assessmentFeature),
    provideState(dayFeature),
    provideState(keptFeature),
    provideState(settingsFeature),
    provideEffects(buildsEffects, BuildEffects, WorkshopEffects, keptEffects, assessmentEffects, dayEffects, settingsEffects),
    { provide: THEME, useFactory: () => inject(Store).selectSignal(settingsFeature.selectTheme) },
    { provide: MAKE_WORKER, useValue: makeAssessWorker },
    { provide: HEAVY_WORKERS, useValue: heavyWorkers },
  ],
};
