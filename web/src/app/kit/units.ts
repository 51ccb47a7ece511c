import type { Dimension, UnitSystem } from '@pozzo/core';
import { findUnit, fromSi, SHOWN_UNIT } from '@pozzo/core/page';

/** A number in the unit shown for a dimension, for axes. */
export function inUnit(si: number, dimension: Dimension, system: UnitSystem, symbol: string = SHOWN_UNIT[dimension][system]): number {
  return fromSi(si, findUnit(dimension, symbol)!);
}

/** The unit's symbol, for axis names. */
export const unitOf = (dimension: Dimension, system: UnitSystem): string => SHOWN_UNIT[dimension][system];

/** Rounded to three figures, for tooltips and labels. */
export const round3 = (x: number): number => Number(x.toPrecision(3));

/** The next round number, for the top of an axis: its marks then end where the axis does. */
export function roundUp(x: number): number {
  const size = 10 ** Math.floor(Math.log10(x));
  return round3(size * ([1, 1.5, 2, 2.5, 3, 4, 5, 6, 8].find((n) => n * size >= x * (1 - 1e-9)) ?? 10));
}
