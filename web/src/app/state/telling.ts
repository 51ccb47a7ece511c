import { inject, untracked } from '@angular/core';
import { type Action, Store } from '@ngrx/store';

/** Tells the store something. An effect that does so never follows what those that hear of it read. */
export function useTelling(store = inject(Store)): (action: Action) => void {
  return (action) => untracked(() => store.dispatch(action));
}
