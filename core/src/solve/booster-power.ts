import { GRAVITY } from '../fluid/air.js';
import type { Cases } from './cases.js';

/** What a booster puts into the water as the rig is drawn, W. */
export function boosterPower(cases: Cases, id: string): number {
  const drawn = cases.asDrawn;
  const flow = cases.rig.lines.reduce((s, l) => (l.from.at === 'booster' && l.from.id === id ? s + Math.max(drawn.flowOf(l.id), 0) : s), 0);
  const head = Math.max(drawn.headOf('boosterOut', id) - drawn.headOf('boosterIn', id), 0);
  return head * drawn.water.densityKgM3 * GRAVITY * flow;
}
