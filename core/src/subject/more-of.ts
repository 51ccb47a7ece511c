import { message } from '../working/figure.js';
import { growTank } from '../edit/grow-tank.js';
import type { Candidate } from './rule.js';
import type { Rig, RigDocument } from '../rig/schema.js';

/** More in a tank: filled to its top, or made so many times as large. An empty one is no larger for being grown. */
export function moreOf(rig: Rig, doc: RigDocument, tank: number, grow: number): Candidate[] {
  const { id, name } = doc.tanks[tank];
  const out: Candidate[] = [];
  if (Number.isFinite(grow))
    out.push({ id: 'tank', title: message(`{tank} ${Math.round((grow - 1) * 100)}% larger`, { tank: name }), change: (d) => growTank(d, id, grow) });
  if (rig.tanks[tank].startLevel < rig.tanks[tank].fullLevel)
    out.push({
      id: 'fill-up',
      title: message('Start the day with {tank} full', { tank: name }),
      change: (d) => void (d.tanks[tank].startLevel = d.tanks[tank].fullLevel),
    });
  return out;
}
