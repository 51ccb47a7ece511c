import { inject, Injectable, type Signal } from '@angular/core';
import type { Assessment, DocumentPatch, Fix, RigDocument, UnitSystem } from '@pozzo/core';
import { Store } from '@ngrx/store';
import { applyPatches, produceWithPatches } from 'immer';
import { AssessmentActions, assessmentFeature } from './assessment.feature';
import { DocumentActions, documentFeature } from './document.feature';
import { settingsFeature } from './settings.feature';

/** The open rig, for views: what it is, what it says, how to change it. */
@Injectable({ providedIn: 'root' })
export class RigStore {
  private readonly store = inject(Store);
  readonly document: Signal<RigDocument | null> = this.store.selectSignal(documentFeature.selectDocument);
  readonly assessment: Signal<Assessment | null> = this.store.selectSignal(assessmentFeature.selectNow);
  readonly held: Signal<Assessment | null> = this.store.selectSignal(assessmentFeature.selectHeld);
  readonly fixes: Signal<readonly Fix[]> = this.store.selectSignal(assessmentFeature.selectFixes);
  readonly fixing = this.store.selectSignal(assessmentFeature.selectFixing);
  /** Why the last figures could not be worked out; null while all is well. */
  readonly failed = this.store.selectSignal(assessmentFeature.selectFailed);
  readonly problems = this.store.selectSignal(assessmentFeature.selectProblems);
  readonly units: Signal<UnitSystem> = this.store.selectSignal(settingsFeature.selectUnits);
  readonly state = this.store.selectSignal(documentFeature.selectDocumentState);

  /**
   * Changes the document by a recipe; nothing happens when the recipe changes nothing.
   * @param key edits with the same key in quick succession are one step of undo
   */
  edit(label: string, recipe: (draft: RigDocument) => void, key = ''): void {
    const now = this.document();
    if (!now) return;
    const [, patches, inverse] = produceWithPatches(now, (draft) => {
      recipe(draft as RigDocument);
    });
    this.dispatch(label, patches, inverse, key);
  }

  apply(fix: Fix): void {
    this.edit(fix.title, (draft) => void applyPatches(draft, [...fix.patches]));
  }

  /** Works the figures out once more. */
  again(): void {
    this.store.dispatch(AssessmentActions.again());
  }

  undo(): void {
    this.store.dispatch(DocumentActions.undo());
  }
  redo(): void {
    this.store.dispatch(DocumentActions.redo());
  }
  hold(): void {
    this.store.dispatch(this.held() ? AssessmentActions.letGo() : AssessmentActions.hold());
  }

  private dispatch(label: string, patches: DocumentPatch[], inverse: DocumentPatch[], key: string): void {
    if (patches.length === 0) return;
    this.store.dispatch(DocumentActions.edited({ step: { label, patches, inverse, key, at: Date.now() } }));
  }
}

/** Value at a dotted path of a tree; undefined where the path ends early. */
export function valueAt(tree: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at === null || typeof at !== 'object' ? undefined : (at as Record<string, unknown>)[key]), tree);
}

/** Sets the value at a dotted path of a draft; `undefined` removes the field. */
export function setAt(tree: object, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = keys.pop()!;
  const target = keys.reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], tree) as Record<string, unknown>;
  if (value === undefined) delete target[last];
  else target[last] = value;
}
