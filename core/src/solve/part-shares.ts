import { partHeadLoss } from '../catalogue/part-loss.js';
import type { Line, Part } from '../rig/schema.js';
import type { Solved } from './solved.js';
import type { PartShare } from './part-share.js';

/** What each part of the path takes in a case, and its share of the whole. */
export function partShares(solved: Solved, path: readonly Line[], flowOf: (line: Line) => number = (line) => solved.flowOf(line.id)): PartShare[] {
  const { water, values, state } = solved;
  const dirty = state.strainer === 'dirty';
  const out = path.flatMap((line) => {
    const flow = Math.abs(flowOf(line));
    return line.parts.map((part: Part) => ({
      lineId: line.id,
      partId: part.id,
      name: part.name,
      flowM3s: flow,
      share: 0,
      lossM: partHeadLoss(part, flow, water, values, dirty),
    }));
  });
  const total = out.reduce((sum, p) => sum + p.lossM, 0);
  return out.map((p) => ({ ...p, share: total > 0 ? p.lossM / total : 0 }));
}
