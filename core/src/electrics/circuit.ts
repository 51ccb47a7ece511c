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

/**
 * Voltages of a circuit's nodes: node 0 is the battery at its voltage, loads draw what they draw, Kirchhoff's law holds at every
 * other node. Solved by Gauss with partial pivots; undefined where a node hangs on nothing.
 */
export function nodeVoltages(nodes: number, branches: readonly Branch[], loads: readonly Load[], volts: number): number[] | undefined {
  const n = nodes - 1;
  const a = Array.from({ length: n }, () => new Array<number>(n + 1).fill(0));
  const add = (i: number, j: number, g: number): void => {
    if (i === 0) return;
    if (j === 0) a[i - 1][n] += g * volts;
    else a[i - 1][j - 1] -= g;
    a[i - 1][i - 1] += g;
  };
  for (const b of branches) {
    add(b.from, b.to, 1 / b.ohms);
    add(b.to, b.from, 1 / b.ohms);
  }
  for (const l of loads) if (l.node > 0) a[l.node - 1][n] -= l.amps;
  const scale = Math.max(...a.map((r, i) => Math.abs(r[i])), 0);
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i][k]) > Math.abs(a[best][k])) best = i;
    if (!(Math.abs(a[best][k]) > 1e-12 * scale)) return undefined;
    [a[k], a[best]] = [a[best], a[k]];
    for (let i = k + 1; i < n; i++) {
      const f = a[i][k] / a[k][k];
      if (f !== 0) for (let j = k; j <= n; j++) a[i][j] -= f * a[k][j];
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k--) {
    let sum = a[k][n];
    for (let j = k + 1; j < n; j++) sum -= a[k][j] * x[j];
    x[k] = sum / a[k][k];
  }
  return [volts, ...x];
}
