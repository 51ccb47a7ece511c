import { type DebugElement, getDebugNode, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { MatSelect } from '@angular/material/select';
import { provideRouter, Router } from '@angular/router';
import { provideMockStore } from '@ngrx/store/testing';
import { NEVER, type Observable, of } from 'rxjs';
import { Pieces } from '../kit/pieces';
import { DayStore } from '../state/day-store';
import { RigStore } from '../state/rig-store';
import { settingsFeature } from '../state/settings.feature';
import { HeavyClient, type Progress } from '../workers/heavy-client';
import type { HeavyAsk, HeavyKind } from '../workers/heavy-messages';
import { stepsOf } from '../workers/heavy-work';
import { FakeDay, FakeRig } from './fake-rig';

/** What jsdom lacks. */
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};

/** The selects of what is rendered. */
export const selectsOf = (fixture: ComponentFixture<unknown>): MatSelect[] =>
  [...(fixture.nativeElement as HTMLElement).getElementsByTagName('mat-select')].map((x) => (getDebugNode(x) as DebugElement).componentInstance as MatSelect);
/** The words that name a select. */
export const labelOf = (root: HTMLElement, select: MatSelect): string =>
  root.ownerDocument.getElementById(select.ariaLabelledby ?? '')?.textContent?.trim() ?? '';

/** Work of a worker that a station cannot show itself without: done at once, as the worker would. The rest is never done. */
const ALWAYS: readonly HeavyKind[] = ['plan', 'variants', 'variant'];
const workAtOnce = (kind: HeavyKind, ask: object): Observable<Progress<unknown>> =>
  ALWAYS.includes(kind) ? of({ state: 'done', value: workWhole({ kind, ...ask } as HeavyAsk) }) : NEVER;
/** What a piece of work gives, all its steps taken. */
export function workWhole(ask: HeavyAsk): unknown {
  const steps = stepsOf(ask);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** A rig and its day in memory, given to everything that is rendered. */
export function bench(rig = new FakeRig(), heavy: object = { most: 1, run: workAtOnce }): { rig: FakeRig; day: FakeDay } {
  const day = new FakeDay(rig);
  TestBed.configureTestingModule({
    providers: [
      { provide: RigStore, useValue: rig },
      { provide: DayStore, useValue: day },
      { provide: HeavyClient, useValue: heavy },
      // Drawn at once, in one piece.
      { provide: Pieces, useValue: { add: (draw: () => void) => (draw(), () => undefined) } },
      provideRouter([]),
      provideMockStore({ initialState: { [settingsFeature.name]: { units: 'us', theme: 'light', letters: true, by: '', read: [] } } }),
    ],
  });
  return { rig, day };
}

export interface Rendered<T> {
  readonly fixture: ComponentFixture<T>;
  readonly root: HTMLElement;
  readonly text: () => string;
  readonly settle: () => Promise<void>;
  /** Presses the first button with these words, or so called to a screen reader. */
  readonly press: (words: string | RegExp) => Promise<void>;
  /** Types into the field with this label. */
  readonly type: (label: string, text: string) => Promise<void>;
  /** Chooses a value in the select with this id or label. */
  readonly choose: (label: string, value: string) => Promise<void>;
}

export function render<T>(type: Type<T>, inputs: Record<string, unknown> = {}): Rendered<T> {
  const fixture = TestBed.createComponent(type);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  // What is looked at stands in the address, which the router would lead back into the station.
  const router = TestBed.inject(Router);
  const navigate = router.navigate.bind(router);
  jest.spyOn(router, 'navigate').mockImplementation((commands, extras) => {
    const of = extras?.queryParams?.['of'] as string | undefined;
    if (of === undefined) return navigate(commands, extras);
    fixture.componentRef.setInput('of', of);
    return Promise.resolve(true);
  });
  fixture.detectChanges();
  const root = fixture.nativeElement as HTMLElement;
  document.body.appendChild(root);
  const settle = async (): Promise<void> => {
    fixture.detectChanges();
    await fixture.whenStable();
  };
  const words = (e: Element): string => (e.textContent ?? '').replace(/\s+/g, ' ').trim();
  const labelled = <E extends Element>(label: string): E => {
    const of = [...root.querySelectorAll('label')].find((l) => words(l).startsWith(label));
    const field = root.querySelector<E>(`#${of?.htmlFor}`);
    if (!field) throw new Error(`There is no field labelled "${label}".`);
    return field;
  };
  return {
    fixture,
    root,
    text: () => words(root),
    settle,
    press: async (wanted) => {
      const button = [...root.querySelectorAll('button')].find((b) =>
        typeof wanted === 'string' ? words(b) === wanted || b.getAttribute('aria-label') === wanted : wanted.test(words(b)),
      );
      if (!button) throw new Error(`There is no button "${wanted}" among: ${[...root.querySelectorAll('button')].map(words).join(' | ')}`);
      button.click();
      await settle();
    },
    type: async (label, text) => {
      const field = labelled<HTMLInputElement>(label);
      field.value = text;
      field.dispatchEvent(new Event('input'));
      field.dispatchEvent(new Event('change'));
      await settle();
    },
    choose: async (label, value) => {
      const select = selectsOf(fixture).find((x) => labelOf(root, x) === label);
      if (!select)
        throw new Error(
          `There is no choice "${label}" among: ${selectsOf(fixture)
            .map((x) => labelOf(root, x))
            .join(' | ')}`,
        );
      const option = select.options.find((o) => o.value === value);
      if (!option) throw new Error(`"${label}" has no "${value}".`);
      option._selectViaInteraction();
      await settle();
    },
  };
}
