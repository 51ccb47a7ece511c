import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { filter, map, withLatestFrom } from 'rxjs';
import { AssessClient } from '../workers/assess-client';
import { AssessmentActions } from './assessment.feature';
import { DocumentActions, openBuild } from './record.feature';

/** Every state of the document goes to the worker; only the answer to the latest comes back. */
export const askWorker = createEffect(
  (actions = inject(Actions), store = inject(Store), client = inject(AssessClient)) =>
    actions.pipe(
      ofType(DocumentActions.opened, DocumentActions.edited, DocumentActions.undo, DocumentActions.redo, DocumentActions.takeTheirs, AssessmentActions.again),
      withLatestFrom(store.select(openBuild.selectDocument)),
      filter(([, document]) => document !== null),
      map(([, document]) => {
        client.ask(document!);
        return AssessmentActions.asked({ document: document! });
      }),
    ),
  { functional: true },
);

export const hearWorker = createEffect(
  (client = inject(AssessClient)) =>
    client.answers.pipe(
      map((answer) => {
        switch (answer.kind) {
          case 'assessed':
            return AssessmentActions.assessed({ assessment: answer.assessment });
          case 'refused':
            return AssessmentActions.refused({ problems: answer.problems });
          case 'advised':
            return AssessmentActions.advised({ fixes: answer.fixes });
          case 'failed':
            return AssessmentActions.failed({ message: answer.message });
        }
      }),
    ),
  { functional: true },
);
