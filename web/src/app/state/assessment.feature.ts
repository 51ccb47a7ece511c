import type { Fix, Problem, RigDocument } from '@pozzo/core';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { ToldAssessment } from '../workers/assessment-part';
import { DocumentActions, openBuild } from './record.feature';

export interface AssessmentState {
  readonly now: ToldAssessment | null;
  readonly problems: readonly Problem[];
  readonly fixes: readonly Fix[];
  readonly fixing: boolean;
  /** The document last asked about, the one that was last found sound and assessed, and the one that the fixes were tried on. */
  readonly askedOf: RigDocument | null;
  readonly assessedOf: RigDocument | null;
  readonly fixesOf: RigDocument | null;
  /** Figures held for comparison. */
  readonly held: ToldAssessment | null;
  readonly failed: string | null;
}

const initial: AssessmentState = {
  now: null,
  problems: [],
  fixes: [],
  fixing: false,
  askedOf: null,
  assessedOf: null,
  fixesOf: null,
  held: null,
  failed: null,
};

export const AssessmentActions = createActionGroup({
  source: 'Assessment',
  events: {
    /** Only answers about the document asked last are heard. */
    Asked: props<{ document: RigDocument }>(),
    Assessed: props<{ assessment: ToldAssessment }>(),
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
    on(AssessmentActions.asked, (s, { document }): AssessmentState => ({ ...s, askedOf: document })),
    on(AssessmentActions.assessed, (s, { assessment }): AssessmentState => ({
      ...s,
      now: assessment,
      assessedOf: s.askedOf,
      problems: [],
      fixing: true,
      failed: null,
    })),
    on(AssessmentActions.refused, (s, { problems }): AssessmentState => ({ ...s, problems, fixes: [], fixing: false })),
    on(AssessmentActions.advised, (s, { fixes }): AssessmentState => ({ ...s, fixes, fixing: false, fixesOf: s.askedOf })),
    on(AssessmentActions.failed, (s, { message }): AssessmentState => ({ ...s, failed: message, fixing: false })),
    on(AssessmentActions.again, (s): AssessmentState => ({ ...s, failed: null })),
    on(AssessmentActions.hold, (s): AssessmentState => ({ ...s, held: s.now })),
    on(AssessmentActions.letGo, (s): AssessmentState => ({ ...s, held: null })),
    on(DocumentActions.open, (): AssessmentState => initial),
  ),
  extraSelectors: ({ selectFixesOf, selectAssessedOf }) => ({
    /** The document as it is now; null until it is found sound and assessed. */
    selectSound: createSelector(selectAssessedOf, openBuild.selectDocument, (of, now) => (of === now ? now : null)),
    /** Whether the fixes were tried on the document as it is now. */
    selectFixesFit: createSelector(selectFixesOf, openBuild.selectDocument, (of, now) => of !== null && of === now),
  }),
});
