import { batch, topUp } from '../../chemistry/dilution.js';
import { fullDepth, surfaceAt } from '../../rig/tank-shape.js';
import { type BlendNetwork, type BlendState, drawHeight, shareOf } from '../../solve/blend-network.js';
import { startLevels } from '../../solve/blend-start.js';
import type { MixCase, MixStream } from './result.js';

/** Steps of a day's spraying: the strength of one tank's liquid does not move, only its level. */
const stepsOf = (net: BlendNetwork): number => (net.branches.length > 1 ? 16 : 6);

/**
 * A day's spraying in even steps of volume: each tank falls by what it gives, those with a float valve stay. Exact in volume;
 * the flows are those at the start of each step.
 * @returns s and trade share at the start of each step and at the end, and levels at the end
 */
export function sprayDay(
  net: BlendNetwork,
  dayM3: number,
  strengths: readonly number[],
): { timeS: number[]; strength: number[]; levels: number[]; ranOut: number } {
  const levels = startLevels(net);
  const kept = net.branches.map((b) => !b.tank || net.rig.lines.some((l) => l.role === 'fill' && l.to.at === 'tank' && l.to.id === b.tank!.id && !l.closed));
  const timeS: number[] = [];
  const strength: number[] = [];
  let time = 0;
  let ranOut = Infinity;
  const steps = stepsOf(net);
  for (let i = 0; i <= steps; i++) {
    const s = net.solve(levels, false, strengths);
    timeS.push(time);
    strength.push(s.strength);
    if (i === steps || !(s.flowM3s > 0) || !(dayM3 > 0)) break;
    const dt = dayM3 / steps / s.flowM3s;
    time += dt;
    net.branches.forEach((b, k) => {
      if (kept[k] || !b.tank) return;
      levels[k] -= (s.flows[k] * dt) / surfaceAt(b.tank.shape, levels[k]);
      if (levels[k] <= drawHeight(b) && s.flows[k] > 0) {
        levels[k] = drawHeight(b);
        ranOut = Math.min(ranOut, time);
      }
    });
  }
  return { timeS, strength, levels, ranOut };
}

/** Ways in which the strength strays: level, strainer, tip. */
export function strayCases(net: BlendNetwork, strengths: readonly number[], end: readonly number[]): MixCase[] {
  const start = startLevels(net);
  const of = (label: string, levels: readonly number[], dirty = false): MixCase => {
    const s = net.solve(levels, dirty, strengths);
    return { label, strength: s.strength, flowM3s: s.flowM3s };
  };
  const out = [of('first minute', start), of('last minute', end), of('strainers at their dirty mark', start, true)];
  for (const [label, factor] of [
    ['tip a size smaller', 0.8],
    ['tip a size larger', 1.25],
  ] as const) {
    const back = net.tryTip(net.sprayer.nozzleBore * factor);
    out.push(of(label, start));
    back();
  }
  return out;
}

/** Strength against the level of the stock's tank. */
export function byLevel(net: BlendNetwork, strengths: readonly number[]): { share: number; strength: number }[] {
  const i = net.branches.findIndex((b) => b.stock.liquid.id === net.mix.stock && b.tank);
  if (i < 0) return [];
  const start = startLevels(net);
  const top = fullDepth(net.branches[i].tank!);
  const bottom = Math.min(drawHeight(net.branches[i]), top);
  return Array.from({ length: 9 }, (_, k) => {
    const share = 1 - k / 8;
    const levels = start.slice();
    levels[i] = bottom + (top - bottom) * share;
    return { share: levels[i] / top, strength: net.solve(levels, false, strengths).strength };
  });
}

/** Streams of a solved blend. */
export function streamsOf(net: BlendNetwork, s: BlendState, strengths: readonly number[]): MixStream[] {
  return net.branches.map((b, i) => ({
    lineId: b.line.id,
    tankId: b.tank?.id,
    liquidId: b.tank?.holds,
    kind: b.stock.liquid.kind,
    name: b.tank?.name ?? b.stock.liquid.name,
    flowM3s: s.flows[i],
    share: shareOf(s, i),
    strength: strengths[i],
  }));
}

/** What to pour for a tank of finished mix, over what is left of the last. */
export function recipeFor(volumeM3: number, wanted: number, stock: number, soapDose: number, left: { volume: number; strength: number } | undefined) {
  const made =
    left && left.volume > 0
      ? topUp(volumeM3, wanted, stock, Math.min(left.volume, volumeM3), left.strength, soapDose)
      : batch(volumeM3, wanted, stock, soapDose);
  return made && { volumeM3, ...made, topUp: !!left && left.volume > 0 };
}
