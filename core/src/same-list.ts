/** Whether two lists hold the same values, in order; branches by identity. */
export const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean => a === b || (a.length === b.length && a.every((x, i) => Object.is(x, b[i])));
