import type { Run } from '../friction.js';

/** A network as plain data, SI. Heads are metres of the flowing liquid above one common level. */
export interface NetworkSpec {
  readonly nodes: readonly NodeSpec[];
  readonly links: readonly LinkSpec[];
}

export interface NodeSpec {
  readonly id: string;
  readonly elevationM: number;
  /** Given for a node whose head is fixed (tank, spigot, open air); left out for a junction. */
  readonly headM?: number;
  /** Water leaving the network at a junction, m³/s; negative where water is pushed in. */
  readonly demandM3s?: number;
}

/**
 * A link's head loss at flow Q ≥ 0 is the sum of its terms:
 * h = constantM + linear·Q + quadratic·Q² + power·Q^exponent + Σ runs.
 * A pump is a link with a negative `constantM` (its shut-off head) and `oneWay`;
 * a relief valve one with a positive `constantM` (its setting) and `oneWay`.
 */
export interface LinkSpec {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly runs?: readonly Run[];
  /** m. Only with `oneWay`. */
  readonly constantM?: number;
  /** s/m². */
  readonly linear?: number;
  /** s²/m⁵. */
  readonly quadratic?: number;
  readonly power?: { readonly coefficient: number; readonly exponent: number };
  /** Head gain by points (flow m³/s rising, head m falling), joined by straight lines; only with `oneWay`. */
  readonly curve?: readonly { readonly flowM3s: number; readonly headM: number }[];
  /** Check valve: no flow from `to` to `from`. */
  readonly oneWay?: boolean;
  readonly closed?: boolean;
  /** Pressure-reducing valve: holds at most this head at `to`, m. */
  readonly reducesToHeadM?: number;
}

/** Why a solve gave no answer. */
export type SolveFailure =
  { readonly reason: 'cut-off'; readonly nodeId: string } | { readonly reason: 'not-converged'; readonly linkId: string; readonly flowChange: number };

export type SolveOutcome =
  | { readonly converged: true; readonly iterations: number; readonly massError: number }
  | { readonly converged: false; readonly iterations: number; readonly failure: SolveFailure };

/** Quadratic coefficient, s²/m⁵, of a loss coefficient K on a bore (m): h = K·V²/2g. */
export function quadraticOfK(k: number, boreM: number): number {
  const area = (Math.PI * boreM * boreM) / 4;
  return k / (2 * 9.80665 * area * area);
}

/** Quadratic coefficient, s²/m⁵, of a valve coefficient (m³/s per √Pa) for a liquid of density kg/m³ (Cv is defined on water). */
export function quadraticOfCv(flowCoefficient: number): number {
  return 1 / (flowCoefficient * flowCoefficient * 999.016 * 9.80665);
}

/** Quadratic coefficient, s²/m⁵, of an orifice law Q = C·√p (C in m³/s per √Pa) at the liquid's density. */
export function quadraticOfOrifice(coefficient: number, densityKgM3: number): number {
  return 1 / (coefficient * coefficient * densityKgM3 * 9.80665);
}
