import { GRAVITY } from '../fluid/air.js';
import { velocity } from './friction.js';
import { ACCELERATION_C, type PumpArrangement, PULSES_A_TURN, RIPPLE_AMPLITUDE } from './plunger-pump.js';

/** A stretch of a suction line. SI. */
export interface PulsePiece {
  readonly lengthM: number;
  readonly boreM: number;
  /** The whole flow of its line, also where other pumps share it. */
  readonly flowM3s: number;
  /** Speed of a pressure wave in it. */
  readonly waveMs: number;
  /** Of an accumulator, which has no length: how it gives way, m³ for each metre of head. */
  readonly yieldsM2?: number;
}

/** A stretch that gives way to the ripple. */
export interface Yielding {
  /** Inertia of what is stiffer on the way to it from the one before, m. */
  readonly beforeM: number;
  readonly flowM3s: number;
  /** How it gives way, m³ for each metre of head: A·ℓ·g/c². */
  readonly yieldsM2: number;
}

/** Heads in m. */
export interface PulseHead {
  /** Of the whole line, if nothing in it yielded. */
  readonly rigidM: number;
  /** The least that yielding hose lets through. Infinity where there is no line. */
  readonly capM: number;
  /** The lesser of both: the head that is used. */
  readonly usedM: number;
  /** Of what lies between the pump and the place where the line begins to yield. */
  readonly beforeM: number;
  /** What yields from there on. */
  readonly yielding: readonly Yielding[];
  /** Of the ripple, rad/s. */
  readonly omega: number;
}

/** Ripple of a pump's flow, rad/s: its plungers a turn, twice that for an odd number of them. From memory. */
export const rippleOmega = (arrangement: PumpArrangement, crankHz: number): number => 2 * Math.PI * crankHz * PULSES_A_TURN[arrangement];

/**
 * Head that a plunger pump spends on speeding its suction column up at every stroke.
 *
 * A rigid line costs h = L·V·n·C/(K·g), summed over its pieces. Hose that yields lets the column behind it move on evenly:
 * from there the swing is at most r·Q/(ω·S), S = A·ℓ·g/c² for what lies within a radian of the ripple (Σ ω·ℓ/c ≤ 1). For one
 * long hose that is the water-hammer head c·ΔV/g, for a short one c/(ω·L) times as much. Stretches one behind the other yield
 * together, each by what the stiffer pieces before it let through. Used is the least over every place where the line may
 * begin to yield. An accumulator yields V·ρg/(n·p) where it stands. So a vanishing piece changes nothing, a nipple adds only itself, and a hose cut in two is the same hose.
 * Source: GPSA / Hydraulic Institute (first form); Joukowsky and line impedance in Wylie & Streeter. From memory.
 *
 * @param pieces from the pump to the source
 * @param k liquid factor: 1.4 to 1.5 for water
 */
export function pulseHead(pieces: readonly PulsePiece[], arrangement: PumpArrangement, crankHz: number, k: number): PulseHead {
  const omega = rippleOmega(arrangement, crankHz);
  const ripple = RIPPLE_AMPLITUDE[arrangement];
  const inertia = pieces.map((p) => (p.lengthM * velocity(p.flowM3s, p.boreM) * crankHz * 60 * ACCELERATION_C[arrangement]) / (k * GRAVITY));
  let [leastM, atM, from]: [number, number, readonly Yielding[]] = [Infinity, 0, []];
  let beforeM = 0;
  for (let i = 0; i < pieces.length; i++) {
    const yielding = yieldingFrom(pieces, inertia, i, omega);
    // The last one alone, then one after the other beside it.
    const capM = beforeM + yielding.reduceRight((rest, y) => y.beforeM + 1 / ((omega * y.yieldsM2) / (ripple * y.flowM3s) + 1 / rest), Infinity);
    if (capM < leastM) [leastM, atM, from] = [capM, beforeM, yielding];
    beforeM += inertia[i];
  }
  return { capM: leastM, beforeM: atM, yielding: from, rigidM: beforeM, usedM: Math.min(beforeM, leastM), omega };
}

/** What yields from the i-th piece on, as far as a radian of the ripple reaches. */
function yieldingFrom(pieces: readonly PulsePiece[], inertia: readonly number[], i: number, omega: number): Yielding[] {
  const out: Yielding[] = [];
  let radian = 1;
  for (let j = i; j < pieces.length && radian > 0; j++) {
    const { lengthM, boreM, waveMs, flowM3s, yieldsM2: lumped } = pieces[j];
    let beforeM = 0;
    for (let b = i; b < j; b++) if (lumped !== undefined || pieces[b].waveMs > waveMs) beforeM += inertia[b];
    if (lumped !== undefined) {
      if (lumped > 0 && flowM3s > 0) out.push({ beforeM, flowM3s, yieldsM2: lumped });
      continue;
    }
    const length = Math.min(lengthM, (radian * waveMs) / omega);
    out.push({ beforeM, flowM3s, yieldsM2: (GRAVITY * Math.PI * boreM * boreM * length) / (4 * waveMs * waveMs) });
    radian -= (omega * length) / waveMs;
  }
  // In the order in which the ripple meets them: nearest behind stiff pipe first.
  if (out.length > 1) out.sort((a, b) => a.beforeM - b.beforeM);
  return out.map(({ beforeM, flowM3s, yieldsM2 }, n) => ({ beforeM: beforeM - (n ? out[n - 1].beforeM : 0), flowM3s, yieldsM2 }));
}
