/**
 * Strength left at the tip after water has pushed through a hose, as a share of what stood in it. Plug flow clears it after
 * one volume; dispersion at the walls leaves a tail taken as a chain of ten mixed cells (estimate).
 * @param volumes of the hose pushed through
 */
export function residue(volumes: number): number {
  if (!(volumes > 0)) return 1;
  const cells = 10;
  const x = cells * volumes;
  let term = 1;
  let sum = 1;
  for (let i = 1; i < cells; i++) {
    term *= x / i;
    sum += term;
  }
  return Math.min(Math.exp(-x) * sum, 1);
}

/** Hose volumes until what stood in it is down to a share. */
export function volumesFor(share: number): number {
  let low = 0;
  let high = 20;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (residue(middle) > share) low = middle;
    else high = middle;
  }
  return high;
}
