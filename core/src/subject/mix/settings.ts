import { type BlendNetwork, type Branch, shareOf } from '../../solve/blend-network.js';
import type { ValveSetting } from './result.js';

/** The metering valve of a branch, if it has one. */
export const meteringValve = (b: Branch) =>
  b.line.parts.find((p): p is Extract<typeof p, { kind: 'valve' }> => p.kind === 'valve' && p.is === 'metering-valve');

const SMALLEST = 0.001;

/**
 * Metering valve settings for a wanted strength and soap dose, tanks as given: valves are turned in proportion to what each
 * stream lacks until the blend is right. Leaves the network's valves as they stand in the document.
 * @param wanted trade share; @param doses share of the blend for each soap that is metered, by its liquid
 */
export function settingsFor(
  net: BlendNetwork,
  levels: readonly number[],
  wanted: number,
  doses: ReadonlyMap<string, number>,
): { readonly settings: ValveSetting[]; readonly reachable: boolean; readonly reached: number } {
  const { branches } = net;
  const valves = branches.map(meteringValve);
  const now = valves.map((v) => v?.setting ?? 1);
  const turned = now.slice();
  const put = (values: readonly number[]): void => values.forEach((s, i) => valves[i] && net.setValve(i, valves[i].id, s));
  const stock = net.strengths.findIndex((s) => s > 0);
  const soaps = branches.flatMap((b, i) => {
    const dose = doses.get(b.stock.liquid.id);
    return dose !== undefined && !(net.strengths[i] > 0) ? [{ i, dose }] : [];
  });
  const water = branches.findIndex((b) => b.stock.liquid.kind === 'water');
  let reached = 0;
  for (let round = 0; round < 40; round++) {
    put(turned);
    const s = net.solve(levels);
    if (!s.solved || s.flowM3s <= 0) break;
    reached = s.strength;
    const off = stock >= 0 ? Math.abs(reached - wanted) / Math.max(wanted, 1e-4) : 0;
    const soapOff = soaps.reduce((most, { i, dose }) => Math.max(most, Math.abs(shareOf(s, i) - dose) / Math.max(dose, 1e-4)), 0);
    if (off < 1e-4 && soapOff < 1e-3) break;
    if (stock >= 0 && valves[stock]) {
      const share = shareOf(s, stock);
      const aim = wanted / net.strengths[stock];
      const factor = share > 0 ? aim / (1 - Math.min(aim, 0.999)) / (share / (1 - Math.min(share, 0.999))) : 2;
      const next = turned[stock] * factor;
      // A stock valve that is wide open already leaves only the water to be throttled.
      if (next > 1 && water >= 0 && valves[water]) turned[water] = clamp(turned[water] / Math.min(next, 4));
      turned[stock] = clamp(next);
    }
    for (const { i, dose } of soaps) if (valves[i]) turned[i] = clamp(shareOf(s, i) > 0 ? (turned[i] * dose) / shareOf(s, i) : turned[i] * 2);
  }
  put(now);
  const settings = branches.flatMap((b, i) =>
    valves[i] ? [{ lineId: b.line.id, partId: valves[i].id, name: b.stock.liquid.name, now: now[i], wanted: turned[i] }] : [],
  );
  return { settings, reachable: Math.abs(reached - wanted) <= 0.01 * Math.max(wanted, 1e-3), reached };
}

const clamp = (x: number): number => Math.min(Math.max(x, SMALLEST), 1);
