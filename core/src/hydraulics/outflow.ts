import { GRAVITY } from '../fluid/air.js';
import { type Run, runHeadLoss } from './friction.js';

/**
 * Flow, m³/s, that a head drives through runs and local losses: solves the energy equation. 0 for no head.
 * @param quadratic all local losses and the jet, s²/m⁵ (> 0)
 * @param guess a flow near the answer, to start from
 */
export function outflowThrough(headM: number, quadratic: number, runs: readonly Run[], kinematicViscosityM2S: number, guess = 0): number {
  if (!(headM > 0)) return 0;
  // Losses grow about with the square of the flow: the first step takes that, later ones the power that two steps have shown.
  // In the transition from laminar the power is steeper, so the answer is kept between what was too much and too little.
  let q = guess > 0 ? guess : 0.5 * Math.sqrt(headM / quadratic);
  let [low, high, power] = [0, Infinity, 2];
  let [before, lostBefore] = [0, 0];
  for (let i = 0; i < 80; i++) {
    let lost = quadratic * q * q;
    for (let r = 0; r < runs.length; r++) lost += runHeadLoss(runs[r], q, kinematicViscosityM2S);
    if (lost > headM) high = q;
    else low = q;
    if (lostBefore > 0 && q !== before) {
      const seen = Math.log(lost / lostBefore) / Math.log(q / before);
      power = seen >= 0.5 && seen <= 8 ? seen : 2;
    }
    const step = q * (headM / lost) ** (1 / power);
    const next = step > low && step < high ? step : low > 0 && high < Infinity ? Math.sqrt(low * high) : step;
    const done = Math.abs(next - q) <= 1e-11 * next;
    [before, lostBefore, q] = [q, lost, next];
    if (done) break;
  }
  return q;
}

/**
 * Vertical height of a straight jet, m: Lüger, H = h/(1 + φh), φ = 0.00025/(d + 1000 d³), in metres. From memory.
 * @param headM head at the nozzle, m; @param boreM nozzle bore, m (> 0)
 */
export function jetHeight(headM: number, boreM: number): number {
  const phi = 0.00025 / (boreM + 1000 * boreM ** 3);
  return headM / (1 + phi * headM);
}

/** Bore, m, in which a run loses a given head (bisection between 1 mm and 0.5 m). NaN when even 1 mm loses less. */
export function boreForLoss(run: Omit<Run, 'boreM'>, flowM3s: number, kinematicViscosityM2S: number, headM: number): number {
  const loss = (boreM: number): number => runHeadLoss({ ...run, boreM }, flowM3s, kinematicViscosityM2S);
  let low = 1e-3;
  let high = 0.5;
  if (loss(low) < headM) return NaN;
  for (let i = 0; i < 80; i++) {
    const middle = Math.sqrt(low * high);
    if (loss(middle) > headM) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * Hose that fits a drum, m: L = π·A·(A + B)·C/d² times a winding factor, A usable flange depth, B core diameter,
 * C width between flanges, d outside diameter of the hose; all in metres.
 */
export function reelCapacity(flangeM: number, coreM: number, widthM: number, hoseOutsideM: number, windingFactor: number): number {
  const depth = Math.max((flangeM - coreM) / 2, 0);
  return ((Math.PI * depth * (depth + coreM) * widthM) / hoseOutsideM ** 2) * windingFactor;
}

/** Seconds to drain straight walls of `areaM2` from `depthM` to nothing through an outlet `dropM` below the bottom. */
export function drainSeconds(areaM2: number, depthM: number, dropM: number, quadratic: number, runs: readonly Run[], kinematicViscosityM2S: number): number {
  const steps = 96;
  const root = Math.sqrt(depthM);
  const step = root / steps;
  let time = 0;
  let q = 0;
  for (let i = 0; i < steps; i++) {
    const middle = step * (i + 0.5);
    q = outflowThrough(middle * middle + dropM, quadratic, runs, kinematicViscosityM2S, q);
    if (!(q > 0)) return Infinity;
    time += (2 * middle * step * areaM2) / q;
  }
  return time;
}

/**
 * Pressure behind an orifice that lets a flow through, Pa.
 * @param coefficient discharge coefficient
 */
export function orificePressure(flowM3s: number, boreM: number, densityKgM3: number, coefficient: number): number {
  const v = flowM3s / (coefficient * (Math.PI / 4) * boreM ** 2);
  return (densityKgM3 / 2) * v * v;
}

/** Quadratic coefficient of a jet's own velocity head on a bore, s²/m⁵. */
export function jetQuadratic(boreM: number): number {
  const area = (Math.PI / 4) * boreM * boreM;
  return 1 / (2 * GRAVITY * area * area);
}
