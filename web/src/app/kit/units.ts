import { type Dimension, findUnit, fromSi, SHOWN_UNIT, type UnitSystem } from '@pozzo/core';

/** A number in the unit shown for a dimension, for axes. */
export function inUnit(si: number, dimension: Dimension, system: UnitSystem, symbol: string = SHOWN_UNIT[dimension][system]): number {
  return fromSi(si, findUnit(dimension, symbol)!);
}

/** The unit's symbol, for axis names. */
export const unitOf = (dimension: Dimension, system: UnitSystem): string => SHOWN_UNIT[dimension][system];

/** Rounded to three figures, for tooltips and labels. */
export const round3 = (x: number): number => Number(x.toPrecision(3));
