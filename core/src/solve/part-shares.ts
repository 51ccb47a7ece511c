import { partHeadLoss } from '../catalogue/part-loss.js';
import type { Line, Part } from '../rig/schema.js';
import type { Solved } from './solved.js';
import type { PartShare } from './part-share.js';

/** What each part of the path takes in a case, and its share of the whole. */
export function partShares(solved: Solved, path: readonly Line[], flowOf: (line: Line) => number = (line) => solved.flowOf(line.id)): PartShare[] {
  const { water, values, state } = solved;
  const dirty = state.strainer === 'dirty';
  const losses: number[] = [];
  let total = 0;
  for (const line of path) {
    const flow = Math.abs(flowOf(line));
    for (const part of line.parts) {
      const lossM = partHeadLoss(part, flow, water, values, dirty);
      losses.push(lossM);
      total += lossM;
    }
  }
  let i = 0;
  return path.flatMap((line) => {
    const flowM3s = Math.abs(flowOf(line));
    return line.parts.map(({ id, name }: Part) => {
      const lossM = losses[i++];
      return { lineId: line.id, partId: id, name, flowM3s, share: total > 0 ? lossM / total : 0, lossM };
    });
  });
}
