import { startDepth } from '../rig/tank-shape.js';
import type { BlendNetwork } from './blend-network.js';

/** Tank levels when the day starts, inside, m, by branch. */
export const startLevels = (net: BlendNetwork): number[] => net.branches.map((b) => (b.tank ? startDepth(b.tank) : 0));

/** Trade shares of what the branches carry: a tank of finished mix has the strength it was mixed to. */
export const carriedStrengths = (net: BlendNetwork, wanted: number): number[] =>
  net.strengths.map((s) => (net.mix.way === 'batch' || net.mix.way === 'draw-stick' ? Math.min(wanted, s) : s));
