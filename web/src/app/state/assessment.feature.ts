import type { Assessment, Fix, Problem } from '@pozzo/core';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import { DocumentActions } from './document.feature';

export interface AssessmentState {
  readonly now: Assessment | null;
  readonly problems: readonly Problem[];
  readonly fixes: readonly Fix[];
  readonly fixing: boolean;
  /** Figures held for comparison. */
  readonly held: Assessment | null;
  readonly failed: string | null;
}

const initial: AssessmentState = { now: null, problems: [], fixes: [], fixing: false, held: null, failed: null };

export const AssessmentActions = createActionGroup({
  source: 'Assessment',
  events: {
    Assessed: props<{ assessment: Assessment }>(),
    Refused: props<{ problems: readonly Problem[] }>(),
    Advised: props<{ fixes: readonly Fix[] }>(),
    Failed: props<{ message: string }>(),
    /** Asks once more after the worker failed. */
    Again: emptyProps(),
    Hold: emptyProps(),
    'Let Go': emptyProps(),
  },
});

export const assessmentFeature = createFeature({
  name: 'assessment',
  reducer: createReducer(
    initial,
    on(AssessmentActions.assessed, (s, { assessment }): AssessmentState => ({ ...s, now: assessment, problems: [], fixing: true, failed: null })),
    on(AssessmentActions.refused, (s, { problems }): AssessmentState => ({ ...s, problems, fixes: [], fixing: false })),
    on(AssessmentActions.advised, (s, { fixes }): AssessmentState => ({ ...s, fixes, fixing: false })),
    on(AssessmentActions.failed, (s, { message }): AssessmentState => ({ ...s, failed: message, fixing: false })),
    on(AssessmentActions.again, (s): AssessmentState => ({ ...s, failed: null })),
    on(AssessmentActions.hold, (s): AssessmentState => ({ ...s, held: s.now })),
    on(AssessmentActions.letGo, (s): AssessmentState => ({ ...s, held: null })),
    on(DocumentActions.open, (): AssessmentState => initial),
  ),
});
