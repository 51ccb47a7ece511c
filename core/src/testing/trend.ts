import type { Assessment } from '../subject/assessment';
import { pontoonRig } from '../layouts/first-rig';
import type { RigDocument } from '../rig/schema';
import { judged } from './judge';

/** Figures that a builder expects to move one way when one thing changes, over a range of that thing. */
export function along<T>(
  values: readonly T[],
  set: (d: RigDocument, value: T) => void,
  read: (a: Assessment) => number,
  start: () => RigDocument = pontoonRig,
): number[] {
  return values.map((value) => {
    const d = start();
    set(d, value);
    return read(judged(d));
  });
}
/** Falls all the way, and by more than the solver leaves behind: a figure that does not hang on what is changed fails. */
export function falls(xs: readonly number[]): void {
  expect(xs.every(Number.isFinite)).toBe(true);
  xs.slice(1).forEach((x, i) => expect(x).toBeLessThanOrEqual(xs[i] + 1e-9));
  expect(xs[0] - xs[xs.length - 1]).toBeGreaterThan(1e-4 * Math.max(...xs.map(Math.abs)));
}
export const rises = (xs: readonly number[]): void => falls(xs.map((x) => -x));
