import type { AssumptionId } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';
import type { Figure } from '../working/figure.js';
import type { ChemicalResult } from './chemical-result.js';
import type { Assessment } from './assessment.js';

type Results = Pick<Assessment, 'fills' | 'tanks' | 'feeds' | 'machines' | 'outlets' | 'bypasses' | 'drains' | 'reels' | 'runs'>;

/** Ids of every assumption that a rig's figures rest on, in order. */
export function assumptionsUsed(rig: Rig, results: Results, chemical: ChemicalResult): string[] {
  const out = new Set<string>(besideFigures(rig, results, chemical));
  const { mixes, softPumps, liquids, tanks: chemicalTanks, pureWater, winter } = chemical;
  for (const list of Object.values({
    ...results,
    mixes,
    softPumps,
    liquids,
    chemicalTanks,
    pureWater,
    winter: winter ? [winter] : [],
  }) as readonly (readonly object[])[])
    for (const result of list) behind(result, true, out);
  return [...out].sort();
}

/** Those that figures name themselves: figures are fields of a result, or of an object in one; lists hold none. */
function behind(result: object, deep: boolean, out: Set<string>): void {
  for (const value of Object.values(result)) {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) continue;
    const working = (value as { working?: Figure['working'] }).working;
    if (working) working.assumptions.forEach((a) => out.add(a));
    else if (deep) behind(value, false, out);
  }
}

/** Those behind verdicts and numbers that are no figures of their own. */
function besideFigures(rig: Rig, { fills, feeds }: Results, { mixes, softPumps, winter }: ChemicalResult): AssumptionId[] {
  const out: AssumptionId[] = [];
  const direct = feeds.some((f) => f.direct);
  if (fills.length || direct) out.push('poor-spigot', 'good-spigot');
  if (direct) out.push('inlet-minimum');
  if (feeds.some((f) => f.elbows.count > 0) || softPumps.some((p) => p.elbows.count > 0)) out.push('elbow-rule');
  if (mixes.length) out.push('mix-tolerance', 'mix-limit');
  if (softPumps.length) out.push('soft-wash-share', 'chem-bypass-limit');
  if (rig.softPumps.some((p) => p.kind !== 'electric')) out.push('engine-fuel');
  if (rig.softPumps.some((p) => p.kind === 'air') && rig.power?.receiver) out.push('air-cut-out');
  if (rig.liquids.some((l) => l.kind === 'soap')) out.push('gravity-soap');
  for (const s of rig.sprayers) out.push(s.kind === 'brush' ? 'brush-flow' : 'spray-flow');
  if (winter) out.push('pump-wetted');
  if (winter?.coldestK !== undefined) out.push('antifreeze-price');
  return out;
}
