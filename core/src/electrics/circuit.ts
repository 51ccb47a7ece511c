import { LuDecomposition, Matrix } from 'ml-matrix';

/** A branch of a circuit between two nodes: its resistance, Ω. */
export interface Branch {
  readonly from: number;
  readonly to: number;
  readonly ohms: number;
}

/** A node that draws a current out of the circuit, A. */
export interface Load {
  readonly node: number;
  readonly amps: number;
}

/** A pivot this small beside the largest conductance: a node hangs on nothing. */
const LOOSE = 1e-12;

/**
 * Voltages of a circuit's nodes: node 0 is the battery at its voltage, loads draw what they draw, Kirchhoff's law holds at every
 * other node. Undefined where a node hangs on nothing.
 */
export function nodeVoltages(nodes: number, branches: readonly Branch[], loads: readonly Load[], volts: number): number[] | undefined {
  const n = nodes - 1;
  if (n === 0) return [volts];
  const conductance = Matrix.zeros(n, n);
  const drawn = Matrix.zeros(n, 1);
  const add = (i: number, j: number, g: number): void => {
    if (i === 0) return;
    if (j === 0) drawn.set(i - 1, 0, drawn.get(i - 1, 0) + g * volts);
    else conductance.set(i - 1, j - 1, conductance.get(i - 1, j - 1) - g);
    conductance.set(i - 1, i - 1, conductance.get(i - 1, i - 1) + g);
  };
  for (const b of branches) {
    add(b.from, b.to, 1 / b.ohms);
    add(b.to, b.from, 1 / b.ohms);
  }
  for (const l of loads) if (l.node > 0) drawn.set(l.node - 1, 0, drawn.get(l.node - 1, 0) - l.amps);
  const largest = Math.max(...conductance.diagonal());
  const lu = new LuDecomposition(conductance);
  if (lu.upperTriangularMatrix.diagonal().some((pivot) => !(Math.abs(pivot) > LOOSE * largest))) return undefined;
  return [volts, ...lu.solve(drawn).to1DArray()];
}
