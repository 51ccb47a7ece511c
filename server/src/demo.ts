import { DEMO_RIGS, DEMO_WORKSHOP } from '@pozzo/core';
import type { Yard } from './store/yard.js';

/** Puts the made-up workshop and its builds into an empty yard. A yard that holds or held anything is left alone. */
export async function seedDemo({ build, workshop }: Pick<Yard, 'build' | 'workshop'>): Promise<number> {
  if ((await build.count()) + (await build.count(true)) > 0) return 0;
  const rigs = DEMO_RIGS();
  for (const { id, document } of rigs) await build.add(id, document);
  await workshop.add('own', DEMO_WORKSHOP());
  return rigs.length;
}
