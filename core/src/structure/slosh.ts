import { GRAVITY } from '../fluid/air.js';

/** First slosh mode of a box of liquid along one of its sides. */
export interface Slosh {
  /** Hz. */
  readonly frequency: number;
  /** Of the liquid that moves with it. */
  readonly share: number;
}

/**
 * First mode of liquid in a box: f = √(g k tanh kh) / 2π, k = π/L; moving share 0.527 (l/h) tanh(1.58 h/l), l half of L.
 * Source: Housner, from memory.
 * @param lengthM of the box along the motion
 * @param depthM of the liquid; none moves at no depth
 */
export function slosh(lengthM: number, depthM: number): Slosh {
  if (!(depthM > 0) || !(lengthM > 0)) return { frequency: 0, share: 0 };
  const k = Math.PI / lengthM;
  const half = lengthM / 2;
  return {
    frequency: Math.sqrt(GRAVITY * k * Math.tanh(k * depthM)) / (2 * Math.PI),
    share: Math.min(0.527 * (half / depthM) * Math.tanh((1.58 * depthM) / half), 1),
  };
}
