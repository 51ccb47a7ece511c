/**
 * The nozzle law Q[gpm] = N √(p[psi] / 4000): a number N nozzle passes N gpm at 4000 psi.
 * In SI the coefficient per number is m³/s per √Pa.
 */
import { si } from '../quantity/parse.js';

const PER_NUMBER = si('1 gpm', 'flow') / Math.sqrt(si('4000 psi', 'pressure'));

/** Flow, m³/s, of nozzle number `size` at a pressure (Pa) before it. Zero or less pressure gives no flow. */
export const nozzleFlow = (size: number, pressurePa: number): number => size * PER_NUMBER * Math.sqrt(Math.max(pressurePa, 0));

/** Pressure, Pa, that drives `flowM3s` through nozzle number `size` (> 0). */
export const nozzlePressure = (size: number, flowM3s: number): number => (flowM3s / (size * PER_NUMBER)) ** 2;

/** Nozzle number that passes `flowM3s` at `pressurePa` (> 0). */
export const nozzleSize = (flowM3s: number, pressurePa: number): number => flowM3s / (PER_NUMBER * Math.sqrt(pressurePa));

/** Equivalent orifice coefficient of a nozzle number, m³/s per √Pa, for the network's emitters. */
export const nozzleCoefficient = (size: number): number => size * PER_NUMBER;

/** The usual sizes on the shelf. Common practice. */
export const NOZZLE_SIZES: readonly number[] = [1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6, 6.5, 7, 7.5, 8, 8.5, 9, 10, 11, 12, 13, 15, 20];

/** Nearest size on the shelf. */
export function shelfSize(size: number): number {
  return NOZZLE_SIZES.reduce((best, s) => (Math.abs(s - size) < Math.abs(best - size) ? s : best));
}

/** `25020`: two digits of angle, then the number in tenths on three digits, as stamped on the nozzle. */
export function nozzleCode(size: number, angleDegrees: number): string {
  return `${String(Math.round(angleDegrees)).padStart(2, '0')}${String(Math.round(size * 10)).padStart(3, '0')}`;
}

/** Reads a stamped code; null when it is not one. `25020` gives 25 degrees, number 2. */
export function readNozzleCode(code: string): { angleDegrees: number; size: number } | null {
  const m = /^(\d{2})(\d{3})$/.exec(code.trim());
  return m ? { angleDegrees: Number(m[1]), size: Number(m[2]) / 10 } : null;
}
