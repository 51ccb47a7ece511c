import { DEMO_RIGS } from '@pozzo/core';
import type { BuildStore } from './store/builds.js';

/** Puts the made-up workshop's builds into an empty yard. A yard that holds or held anything is left alone. */
export async function seedDemo(store: BuildStore): Promise<number> {
  if ((await store.count()) + (await store.count(true)) > 0) return 0;
  for (const { id, document } of DEMO_RIGS()) await store.add(id, document);
  return DEMO_RIGS().length;
}
