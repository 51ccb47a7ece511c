import type { Rule } from '../rule.js';
import { moreOf } from '../more-of.js';

/** Fills the antifreeze tank, or makes it larger. */
export const antifreezeRules: Rule = (finding, rig, doc, now) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const w = now.chemical.winter;
  return i < 0 || !w || w.glycolShare === null ? [] : moreOf(rig, doc, i, (w.antifreeze.value / w.onBoardM3!) * 1.02);
};
