import { MOST_OPTIONS, type OptionDocument, type RigDocument, type Variant, withoutOptions } from '@pozzo/core';

const copy = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

function fresh(d: RigDocument): string {
  for (let i = 1; ; i++) if (!d.options?.some((o) => o.id === `option-${i}`)) return `option-${i}`;
}

/** Keeps a way of building beside the build; false when there is room for no more. */
export function keepOption(d: RigDocument, name: string, rig: RigDocument): boolean {
  const options = (d.options ??= []);
  if (options.length >= MOST_OPTIONS) return false;
  options.push({ id: fresh(d), name: name.slice(0, 80), rig: copy(withoutOptions(rig)) as OptionDocument['rig'] });
  return true;
}

/** Keeps a variant of the build beside it. */
export const keepVariant = (d: RigDocument, variant: Variant): boolean => keepOption(d, variant.title, variant.make());

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
  const before = copy(withoutOptions(d)) as OptionDocument['rig'];
  const { name, customer, notes, brief, options } = d;
  const next = copy(chosen.rig);
  for (const key of Object.keys(d)) delete (d as Record<string, unknown>)[key];
  Object.assign(d, next, { name, customer, notes, brief, options });
  d.options![at] = { id: chosen.id, name: was.slice(0, 80), rig: before };
}
