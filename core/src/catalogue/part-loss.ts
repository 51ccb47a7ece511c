import type { AssumptionId, AssumptionValues } from '../assumption/register.js';
import { fullyTurbulentFactor, type Run, runHeadLoss } from '../hydraulics/friction.js';
import { quadraticOfCv, quadraticOfK } from '../hydraulics/network/spec.js';
import { GRAVITY } from '../fluid/air.js';
import type { Water } from '../fluid/water.js';
import type { Hose, Part } from '../rig/schema.js';

type FittingKind = Extract<Part, { kind: 'fitting' }>['is'];

/**
 * Loss coefficients by family, as multiples n of f_T (K = n·f_T) or as plain K.
 * Source: Crane TP-410 (from memory); couplers and swivels carry only their reduced bore besides.
 */
const FITTING_K: Readonly<Record<FittingKind, { readonly n?: number; readonly k?: number }>> = {
  'elbow-90': { n: 30 },
  'elbow-90-swept': { n: 14 },
  'elbow-45': { n: 16 },
  'tee-run': { n: 20 },
  'tee-branch': { n: 60 },
  barb: { k: 0 },
  'ball-valve': { n: 3 },
  'gate-valve': { n: 8 },
  'check-valve': { n: 100 },
  // Hinged disc with its own strainer, and a plate over the bulkhead.
  'foot-valve': { n: 75 },
  bulkhead: { k: 0.5 },
  'bulkhead-projecting': { k: 0.78 },
  'quick-coupler': { n: 6 },
  'cam-coupler': { n: 3 },
  swivel: { n: 30 },
  reducer: { k: 0 },
  exit: { k: 1 },
  'anti-vortex': { k: 1 },
  // Plug valve of three or four ways: straight through, and round the corner.
  'three-way-run': { n: 30 },
  'three-way-turn': { n: 90 },
  // The hose itself ends in the tank.
  grommet: { k: 0.78 },
  accumulator: { n: 20 },
};

/** K, on the small bore, of water squeezing into a smaller bore and out again (Crane TP-410, sudden change): 0.5(1−β²) + (1−β²)². */
export function squeezeK(boreM: number, reducedBoreM: number): number {
  const beta2 = Math.min((reducedBoreM / boreM) ** 2, 1);
  return 0.5 * (1 - beta2) + (1 - beta2) ** 2;
}

const ROUGHNESS: Readonly<Record<Hose['is'], AssumptionId>> = {
  'smooth-hose': 'roughness-smooth',
  'suction-helix': 'roughness-smooth',
  'suction-corrugated': 'roughness-corrugated',
  'plastic-pipe': 'roughness-smooth',
  'steel-pipe': 'roughness-steel',
  'galvanised-pipe': 'roughness-galvanised',
};

const WAVE: Readonly<Record<Hose['is'], AssumptionId>> = {
  'smooth-hose': 'wave-soft',
  'suction-helix': 'wave-helix',
  'suction-corrugated': 'wave-helix',
  'plastic-pipe': 'wave-plastic',
  'steel-pipe': 'wave-rigid',
  'galvanised-pipe': 'wave-rigid',
};

/** Assumption that gives the roughness of a hose, unless the hose brings its own. */
export const roughnessAssumption = (hose: Hose): AssumptionId => ROUGHNESS[hose.is];
/** Assumption that gives the pressure wave speed in a hose. */
export const waveAssumption = (hose: Hose): AssumptionId => WAVE[hose.is];

/** A hose as a run of the network. */
export function runOf(hose: Hose, values: AssumptionValues): Run {
  return {
    boreM: hose.bore,
    lengthM: hose.length,
    roughnessM: hose.roughness ?? values[ROUGHNESS[hose.is]],
    coiledLengthM: hose.coiledLength ?? 0,
    coilDiameterM: hose.coilDiameter ?? (hose.coiledLength ? 0.4 : 0),
  };
}

/** What a part adds to its line besides friction of a run. */
export interface LocalLoss {
  /** s²/m⁵. */
  readonly quadratic: number;
  /** Pressure lost as soon as anything flows, Pa. */
  readonly openingLossPa: number;
  readonly oneWay: boolean;
}

/** K of a fitting on its full bore (one piece), reduced bore included. */
export function fittingK(part: Extract<Part, { kind: 'fitting' }>): number {
  const family = FITTING_K[part.is];
  const own = part.k ?? family.k ?? family.n! * fullyTurbulentFactor(part.bore);
  const reduced = part.reducedBore;
  if (!reduced || reduced >= part.bore) return own;
  return own + squeezeK(part.bore, reduced) * (part.bore / reduced) ** 4;
}

/** Local loss of a part; a strainer by its clean or dirty coefficient. */
export function localLoss(part: Part, dirty: boolean): LocalLoss {
  switch (part.kind) {
    case 'hose':
      return { quadratic: 0, openingLossPa: 0, oneWay: false };
    case 'fitting':
      return {
        quadratic: part.count * quadraticOfK(fittingK(part), part.bore),
        openingLossPa: 0,
        oneWay: part.is === 'check-valve' || part.is === 'foot-valve',
      };
    case 'valve':
      return { quadratic: quadraticOfCv(part.cv * (part.setting ?? 1)), openingLossPa: part.openingLoss ?? 0, oneWay: part.oneWay ?? false };
    case 'strainer':
      return { quadratic: quadraticOfCv(dirty ? part.cvDirty : part.cvClean), openingLossPa: 0, oneWay: false };
  }
}

/** Head lost in one part at a flow, m. Never negative for forward flow. */
export function partHeadLoss(part: Part, flowM3s: number, water: Water, values: AssumptionValues, dirty: boolean): number {
  if (part.kind === 'hose') return runHeadLoss(runOf(part, values), flowM3s, water.kinematicViscosityM2S);
  const local = localLoss(part, dirty);
  const opening = flowM3s > 0 ? local.openingLossPa / (water.densityKgM3 * GRAVITY) : 0;
  return local.quadratic * flowM3s * Math.abs(flowM3s) + opening;
}

/** Smallest bore that the water meets in a part, m. */
export function tightestBore(part: Part): number {
  return part.kind === 'fitting' ? Math.min(part.reducedBore ?? part.bore, part.bore) : part.bore;
}

/** Volume of liquid that a line holds, m³ (hoses only). */
export function lineVolume(parts: readonly Part[]): number {
  return parts.reduce((sum, p) => (p.kind === 'hose' ? sum + (Math.PI / 4) * p.bore ** 2 * p.length : sum), 0);
}
