import type { AssumptionValues } from '../assumption/register.js';
import type { Rig } from './schema.js';

/** A rig as read never changes: what is made of it, and of its assumptions, is made once and asked for again. */
export function workedOnce<T>(make: (rig: Rig, values: AssumptionValues) => T): (rig: Rig, values: AssumptionValues) => T {
  const known = new WeakMap<Rig, { readonly values: AssumptionValues; readonly made: T }>();
  return (rig, values) => {
    const own = known.get(rig);
    if (own && own.values === values) return own.made;
    const made = make(rig, values);
    known.set(rig, { values, made });
    return made;
  };
}
