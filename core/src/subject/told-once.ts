import type { Rig } from '../rig/schema.js';
import type { Finding } from './finding.js';

/** What a result tells of a rig, kept beside it: its verdict and the list of findings ask for the same. Names are of the rig it was told for. */
const told = new WeakMap<object, { readonly rig: Rig; readonly findings: readonly Finding[] }>();

/** Keeps the findings that a result's verdict was made of. */
export function tellsOf<T extends object>(result: T, rig: Rig, findings: readonly Finding[]): T {
  told.set(result, { rig, findings });
  return result;
}

/** Findings of a result: those kept for the same rig, else told anew. */
export function toldOnce(result: object, rig: Rig, tell: () => readonly Finding[]): readonly Finding[] {
  const known = told.get(result);
  return known?.rig === rig ? known.findings : tell();
}
