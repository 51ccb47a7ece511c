import { addCharger } from '../../edit/energy.js';
import type { Rule } from '../rule.js';
import { moreOf } from '../more-of.js';

/** Fills the antifreeze tank, or makes it larger. */
export const antifreezeRules: Rule = (finding, rig, doc, now) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const w = now.chemical.winter;
  return i < 0 || !w || w.glycolShare === null ? [] : moreOf(rig, doc, i, (w.antifreeze.value / w.onBoardM3!) * 1.02);
};

/** More charge by the evening, or a battery that does not freeze. */
export const chargeRules: Rule = (finding, _rig, doc) => {
  const i = (doc.batteries ?? []).findIndex((b) => b.id === finding.subject.id);
  if (i < 0) return [];
  return [
    { id: 'charge', title: 'Charge at 30 A while working', change: (d) => void addCharger(d, finding.subject.id, 'alternator', { current: '30 A' }) },
    {
      id: 'second',
      title: 'A second one alike, side by side',
      change: (d) => void (d.batteries![i].parallel = String(Math.min(Number(d.batteries![i].parallel ?? 1) + 1, 8))),
    },
    { id: 'lithium', title: 'The same in lithium', change: (d) => void (d.batteries![i].chemistry = 'lithium') },
  ];
};
