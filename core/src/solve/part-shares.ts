import { partHeadLoss } from '../catalogue/part-loss.js';
import type { Line, Part } from '../rig/schema.js';
import type { Cases } from './cases.js';
import type { PartShare } from './part-share.js';

/** What each part of the path takes in the case just solved, and its share of the whole. */
export function partShares(
  cases: Cases,
  path: readonly Line[],
  dirty: boolean,
  flowOf: (line: Line) => number = (line) => cases.net.flowOf(line.id),
): PartShare[] {
  const { net, values } = cases;
  const out = path.flatMap((line) => {
    const flow = Math.abs(flowOf(line));
    return line.parts.map((part: Part) => ({
      lineId: line.id,
      partId: part.id,
      name: part.name,
      flowM3s: flow,
      share: 0,
      lossM: partHeadLoss(part, flow, net.water, values, dirty),
    }));
  });
  const total = out.reduce((sum, p) => sum + p.lossM, 0);
  return out.map((p) => ({ ...p, share: total > 0 ? p.lossM / total : 0 }));
}
