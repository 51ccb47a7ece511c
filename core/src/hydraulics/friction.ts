import { GRAVITY } from '../fluid/air.js';

/** Below this Reynolds number flow is laminar; above {@link TURBULENT} Colebrook–White holds. */
export const LAMINAR = 2000;
export const TURBULENT = 4000;

/**
 * Darcy friction factor by Colebrook–White, solved to machine precision in two steps of the
 * method of Clamond 2009 (Ind. Eng. Chem. Res. 48, 3665).
 * @param reynolds Reynolds number, above about 2000
 * @param relativeRoughness roughness ÷ bore
 */
export function colebrook(reynolds: number, relativeRoughness: number): number {
  const x1 = relativeRoughness * reynolds * 0.12396818633541756;
  const x2 = Math.log(reynolds) - 0.779397488455682;
  let f = x2 - 0.2;
  for (let i = 0; i < 2; i++) {
    const s = x1 + f;
    const e = (Math.log(s) + f - x2) / (1 + s);
    f -= ((1 + s + 0.5 * e) * e * s) / (1 + s + e * (1 + e / 3));
  }
  const root = 1.151292546497023 / f;
  return root * root;
}

/** d(ln f)/d(ln Re) of Colebrook–White at a solved factor, by implicit differentiation. */
function colebrookSlope(reynolds: number, relativeRoughness: number, f: number): number {
  const x = 1 / Math.sqrt(f);
  const b = 2.51 / reynolds;
  const c = 2 / Math.LN10 / (relativeRoughness / 3.7 + b * x);
  return (-2 * c * b) / (1 + c * b);
}

/** Friction factor and its logarithmic slope, reused by the caller: `out[0]` f, `out[1]` d ln f / d ln Re. */
export type FactorOut = Float64Array;

/**
 * Darcy friction factor for any Reynolds number: 64/Re below 2000, Colebrook–White above 4000, and between them
 * a cubic in ln f against ln Re that meets both in value and slope, so that the solver never sees a step.
 * @param out receives `[f, d ln f / d ln Re]`
 */
export function frictionFactor(reynolds: number, relativeRoughness: number, out: FactorOut): void {
  if (reynolds <= LAMINAR) {
    out[0] = 64 / Math.max(reynolds, 1e-9);
    out[1] = -1;
    return;
  }
  if (reynolds >= TURBULENT) {
    const f = colebrook(reynolds, relativeRoughness);
    out[0] = f;
    out[1] = colebrookSlope(reynolds, relativeRoughness, f);
    return;
  }
  const span = Math.LN2; // ln(4000/2000)
  const s = Math.log(reynolds / LAMINAR) / span;
  const upper = colebrook(TURBULENT, relativeRoughness);
  const y0 = Math.log(64 / LAMINAR);
  const y1 = Math.log(upper);
  const m0 = -span;
  const m1 = colebrookSlope(TURBULENT, relativeRoughness, upper) * span;
  const y = y0 * (1 + 2 * s) * (1 - s) ** 2 + m0 * s * (1 - s) ** 2 + y1 * s * s * (3 - 2 * s) + m1 * s * s * (s - 1);
  const slope = (6 * s * (s - 1) * (y0 - y1) + m0 * (1 - s) * (1 - 3 * s) + m1 * s * (3 * s - 2)) / span;
  out[0] = Math.exp(y);
  out[1] = slope;
}

const scratch: FactorOut = new Float64Array(2);

/** Flow area of a round bore, m². */
export const boreArea = (boreM: number): number => (Math.PI * boreM * boreM) / 4;

/** Mean velocity, m/s, of a flow (m³/s) in a round bore (m). */
export const velocity = (flowM3s: number, boreM: number): number => flowM3s / boreArea(boreM);

/** A straight or coiled run of hose or pipe, SI. */
export interface Run {
  readonly boreM: number;
  readonly lengthM: number;
  readonly roughnessM: number;
  /** Length of it that stays coiled on a reel, m. */
  readonly coiledLengthM?: number;
  /** Mean coil diameter, m. */
  readonly coilDiameterM?: number;
}

/**
 * Factor (≥ 1) by which coiling raises turbulent friction: Mishra & Gupta 1979, Darcy f = 0.316 Re^−0.25 + 0.03 √(d/D),
 * taken as a ratio to its own straight-hose term so that it applies to any roughness. From memory.
 * Below Re 4000 no increase is taken (a reel never works there).
 */
export function coilFactor(reynolds: number, boreM: number, coilDiameterM: number): number {
  if (!(reynolds > TURBULENT) || !(coilDiameterM > 0)) return 1;
  return 1 + (0.03 * Math.sqrt(boreM / coilDiameterM)) / (0.316 * reynolds ** -0.25);
}

/**
 * Head loss of a run, m of the flowing liquid (Darcy–Weisbach); negative for reversed flow, 0 for no flow.
 * @param kinematicViscosityM2S m²/s
 */
export function runHeadLoss(run: Run, flowM3s: number, kinematicViscosityM2S: number): number {
  const q = Math.abs(flowM3s);
  if (q === 0) return 0;
  const v = velocity(q, run.boreM);
  const reynolds = (v * run.boreM) / kinematicViscosityM2S;
  frictionFactor(reynolds, run.roughnessM / run.boreM, scratch);
  const coiled = Math.min(run.coiledLengthM ?? 0, run.lengthM);
  const lengthM = run.lengthM + coiled * (coilFactor(reynolds, run.boreM, run.coilDiameterM ?? 0) - 1);
  return Math.sign(flowM3s) * ((scratch[0] * lengthM) / run.boreM) * ((v * v) / (2 * GRAVITY));
}

/**
 * Fully turbulent friction factor f_T, the scale of Crane TP-410's fitting coefficients (K = n·f_T):
 * Colebrook–White at infinite Reynolds number for commercial steel (0.045 mm).
 */
export function fullyTurbulentFactor(boreM: number, roughnessM = 4.5e-5): number {
  const x = -2 * Math.log10(roughnessM / boreM / 3.7);
  return 1 / (x * x);
}
