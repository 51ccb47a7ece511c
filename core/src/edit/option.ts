import { structuredCopy } from './draft.js';
import type { OptionDocument, RigDocument } from '../rig/schema.js';
import { MOST_OPTIONS } from '../rig/version.js';
import { nextAmong } from './id.js';
import { withoutOptions } from './without-options.js';

export { withoutOptions } from './without-options.js';

/** Keeps a way of building beside the build; false when there is room for no more. */
export function keepOption(d: RigDocument, name: string, rig: RigDocument): boolean {
  const options = (d.options ??= []);
  if (options.length >= MOST_OPTIONS) return false;
  options.push({ id: nextAmong(options, 'option-'), name: name.slice(0, 80), rig: structuredCopy(withoutOptions(rig)) });
  return true;
}

export function dropOption(d: RigDocument, id: string): void {
  d.options = d.options?.filter((o) => o.id !== id);
  if (!d.options?.length) delete d.options;
}

/**
 * Builds an option: it becomes the rig, and what the rig was is kept in its place under the name given. Name, customer,
 * notes and brief stay the customer's own.
 */
export function buildOption(d: RigDocument, id: string, was: string): void {
  const at = d.options?.findIndex((o) => o.id === id) ?? -1;
  const chosen = d.options?.[at];
  if (!chosen) return;
  const before = structuredCopy(withoutOptions(d)) as OptionDocument['rig'];
  const { name, customer, notes, brief, options } = d;
  const next = structuredCopy(chosen.rig);
  for (const key of Object.keys(d)) delete (d as Record<string, unknown>)[key];
  Object.assign(d, next, { name, customer, notes, brief, options });
  d.options![at] = { id: chosen.id, name: was.slice(0, 80), rig: before };
}
