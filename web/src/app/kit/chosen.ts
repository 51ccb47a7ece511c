import { computed, inject, type Signal } from '@angular/core';
import { ActivatedRoute, Router } from '@angular/router';
import type { Pick } from './picker';

/** The thing a station shows: the one named in the address (`?of=`), or the first. */
export function chosenOf<T extends Pick>(
  items: Signal<readonly T[]>,
  of: Signal<string | undefined>,
): { index: Signal<number>; item: Signal<T | undefined>; choose: (id: string) => void } {
  const router = inject(Router);
  const route = inject(ActivatedRoute);
  const index = computed(() =>
    Math.max(
      items().findIndex((x) => x.id === of()),
      0,
    ),
  );
  return {
    index,
    item: computed(() => items()[index()]),
    choose: (id) => void router.navigate([], { relativeTo: route, queryParams: { of: id } }),
  };
}
