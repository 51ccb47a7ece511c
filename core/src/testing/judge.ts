import { assess } from '../assess/assess';
import type { Assessment } from '../subject/assessment';
import { pontoonRig } from '../layouts/first-rig';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';

export const GAL = 231 * 0.0254 ** 3;
export const GPM = GAL / 60;
export const PSI = 6894.757293;

export const judged = (d: RigDocument): Assessment => assess(parseRig(d));
/** The marina's skid, changed. */
export function judge(change: (d: RigDocument) => void = () => undefined): Assessment {
  const d = pontoonRig();
  change(d);
  return judged(d);
}
/** What is told of it. */
export const codes = (a: Assessment): string[] => a.findings.map((f) => f.code);
