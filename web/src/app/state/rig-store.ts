import { computed, effect, inject, Injectable, Injector, type Signal, signal } from '@angular/core';
import type { Figure, Fix, reread, Rig, RigReading, UnitSystem } from '@pozzo/core';
import { mend, say } from '@pozzo/core/page';
import { applyPatches } from 'immer';
import { AssessClient } from '../workers/assess-client';
import type { ToldAssessment } from '../workers/assessment-part';
import { AssessmentActions, assessmentFeature } from './assessment.feature';
import { OpenRecord } from './open-record';
import { openBuild } from './record.feature';
import { settingsFeature } from './settings.feature';

export type RigReader = typeof reread;

/** The open rig, for views: what it is, what it says, how to change it. */
@Injectable({ providedIn: 'root' })
export class RigStore extends OpenRecord<'build'> {
  private last: RigReading | undefined;
  private readonly reader = signal<RigReader | undefined>(undefined);
  /** The document as computed with, read once for all views; null while something in it cannot be read. */
  readonly rig: Signal<Rig | null> = computed(() => {
    const document = this.document();
    const reader = this.reader();
    if (!document || !reader) return null;
    const read = reader(document, this.last);
    this.last = read.ok ? read : undefined;
    return read.ok ? read.rig : null;
  });
  /** What heights of taps, guns and work are told above: with a platform the ground. */
  readonly heightFrom = computed(() => (this.document()?.platform ? 'the ground' : 'deck'));
  readonly assessment: Signal<ToldAssessment | null> = this.store.selectSignal(assessmentFeature.selectNow);
  /** What is missing on a rig is said once it was looked for. */
  readonly judged = computed(() => this.assessment() !== null);
  readonly held: Signal<ToldAssessment | null> = this.store.selectSignal(assessmentFeature.selectHeld);
  readonly fixes: Signal<readonly Fix[]> = this.store.selectSignal(assessmentFeature.selectFixes);
  readonly fixing = this.store.selectSignal(assessmentFeature.selectFixing);
  /** Why the last figures could not be worked out; null while all is well. */
  readonly failed = this.store.selectSignal(assessmentFeature.selectFailed);
  readonly problems = this.store.selectSignal(assessmentFeature.selectProblems);
  readonly units: Signal<UnitSystem> = this.store.selectSignal(settingsFeature.selectUnits);

  /** What reads documents: the bench brings it, so that a page without a build does not load it. */
  readBy(reader: RigReader): void {
    this.reader.set(reader);
  }

  /** The fix that waits for fixes of the document as it is now; null for none. */
  readonly waiting = signal<string | null>(null);
  private readonly fixesFit = this.store.selectSignal(assessmentFeature.selectFixesFit);

  constructor() {
    super(openBuild, mend);
    effect(() => {
      const id = this.waiting();
      const fixes = this.fixes();
      if (id === null || !this.fixesFit() || this.fixing()) return;
      this.waiting.set(null);
      // Gone where it helps no more.
      const fix = fixes.find((f) => f.id === id);
      if (fix) this.make(fix);
    });
  }

  /** Makes a fix's change. One that was tried on an earlier state of the document waits until it has been tried on this one. */
  apply(fix: Fix): void {
    if (this.fixesFit()) this.make(fix);
    else this.waiting.set(fix.id);
  }

  private make(fix: Fix): void {
    this.edit(say(fix.title, this.units()), (draft) => void applyPatches(draft, [...fix.patches]));
  }

  private readonly injector = inject(Injector);
  /** A figure of the assessment with its working, by its dotted path; undefined where it cannot be told. */
  explain(at: string): Promise<Figure | undefined> {
    return this.injector.get(AssessClient).explain(at);
  }

  /** Works the figures out once more. */
  again(): void {
    this.store.dispatch(AssessmentActions.again());
  }

  hold(): void {
    this.store.dispatch(this.held() ? AssessmentActions.letGo() : AssessmentActions.hold());
  }
}

/** Value at a dotted path of a tree; undefined where the path ends early. */
export function valueAt(tree: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at === null || typeof at !== 'object' ? undefined : (at as Record<string, unknown>)[key]), tree);
}

/** Text of a name, a choice or a yes-or-no at a dotted path; empty where there is none. */
export function textAt(tree: unknown, path: string): string {
  const value = valueAt(tree, path);
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : '';
}

/** Sets the value at a dotted path of a draft, making what it lies in where that is not there; `undefined` removes the field. */
export function setAt(tree: object, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = keys.pop()!;
  let target = tree as Record<string, unknown>;
  for (const key of keys) {
    if (target[key] === undefined) {
      if (value === undefined) return;
      target[key] = {};
    }
    target = target[key] as Record<string, unknown>;
  }
  if (value === undefined) delete target[last];
  else target[last] = value;
}
