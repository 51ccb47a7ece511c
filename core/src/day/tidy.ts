/**
 * A solved figure cut to twelve digits. The solver uses the language's own powers and logarithms, whose last digits differ
 * between machines; cut off, the days built on them are the same everywhere.
 */
export const tidy = (x: number): number => (Number.isFinite(x) ? Number(x.toPrecision(12)) : x);
