/** Where a symmetric matrix has entries, ordered and analysed once: matrices of the same pattern share it. */
export class LdlPattern {
  readonly order: Int32Array;
  readonly colStart: Int32Array;
  readonly rowIndex: Int32Array;
  readonly lStart: Int32Array;
  readonly lRow: Int32Array;
  /** By column: where its rows begin in {@link rows}; each with the slot of its entry. */
  readonly rowsOf: Int32Array;
  readonly rows: Int32Array;
  readonly slotsOf: Int32Array;
  private readonly position: Int32Array;
  private readonly slots = new Map<number, number>();

  /** @param n size; @param pairs off-diagonal neighbours (i, j), any order, repeats allowed */
  constructor(
    readonly n: number,
    pairs: readonly (readonly [number, number])[],
  ) {
    const near = Array.from({ length: n }, () => new Set<number>());
    for (const [i, j] of pairs) {
      if (i === j) continue;
      near[i].add(j);
      near[j].add(i);
    }
    this.order = minimumDegree(near);
    this.position = new Int32Array(n);
    this.order.forEach((node, k) => (this.position[node] = k));

    const columns: number[][] = Array.from({ length: n }, (_, k) => [k]);
    near.forEach((set, i) =>
      set.forEach((j) => {
        const a = this.position[i];
        const b = this.position[j];
        if (a < b) columns[b].push(a);
      }),
    );
    this.colStart = new Int32Array(n + 1);
    columns.forEach((c, k) => (this.colStart[k + 1] = this.colStart[k] + c.length));
    this.rowIndex = new Int32Array(this.colStart[n]);
    columns.forEach((c, k) => {
      c.sort((a, b) => a - b).forEach((row, i) => {
        this.rowIndex[this.colStart[k] + i] = row;
        this.slots.set(row * n + k, this.colStart[k] + i);
      });
    });
    const parent = new Int32Array(n).fill(-1);
    const flag = new Int32Array(n).fill(-1);
    const count = new Int32Array(n);
    for (let k = 0; k < n; k++) {
      flag[k] = k;
      for (let p = this.colStart[k]; p < this.colStart[k + 1]; p++) {
        let i = this.rowIndex[p];
        while (i < k && flag[i] !== k) {
          if (parent[i] === -1) parent[i] = k;
          count[i]++;
          flag[i] = k;
          i = parent[i];
        }
      }
    }
    this.lStart = new Int32Array(n + 1);
    for (let k = 0; k < n; k++) this.lStart[k + 1] = this.lStart[k] + count[k];
    this.lRow = new Int32Array(this.lStart[n]);
    this.rowsOf = new Int32Array(n + 1);
    ({ rows: this.rows, slotsOf: this.slotsOf } = this.schedule(parent));
  }

  /** Where entry (i, j) of the original matrix lives among a matrix’s values. */
  slot(i: number, j: number): number {
    const a = this.position[i];
    const b = this.position[j];
    const s = this.slots.get(a <= b ? a * this.n + b : b * this.n + a);
    if (s === undefined) throw new RangeError(`Entry ${i}, ${j} is not in the pattern.`);
    return s;
  }

  /** Where row i lives on a right side. */
  row(i: number): number {
    return this.position[i];
  }

  /**
   * Which rows of the factor each column meets, in the order of elimination, and where their entries live: the same for
   * every factorisation of the pattern, so it is found once.
   */
  private schedule(parent: Int32Array): { readonly rows: Int32Array; readonly slotsOf: Int32Array } {
    const { n, colStart, rowIndex, lStart, lRow } = this;
    const flag = new Int32Array(n).fill(-1);
    const filled = new Int32Array(n);
    const stack = new Int32Array(n);
    const rows: number[] = [];
    const slots: number[] = [];
    for (let k = 0; k < n; k++) {
      let top = n;
      flag[k] = k;
      for (let p = colStart[k]; p < colStart[k + 1]; p++) {
        const path: number[] = [];
        for (let i = rowIndex[p]; flag[i] !== k; i = parent[i]) {
          path.push(i);
          flag[i] = k;
        }
        while (path.length > 0) stack[--top] = path.pop()!;
      }
      for (; top < n; top++) {
        const i = stack[top];
        const slot = lStart[i] + filled[i]++;
        lRow[slot] = k;
        rows.push(i);
        slots.push(slot);
      }
      this.rowsOf[k + 1] = rows.length;
    }
    return { rows: new Int32Array(rows), slotsOf: new Int32Array(slots) };
  }
}

/**
 * Sparse LDLᵀ of a symmetric positive definite matrix whose pattern never changes: factorised many times without allocation.
 * Up-looking method of Davis 2005 (ACM TOMS 31, 587), written anew.
 */
export class SparseLdl {
  /** Values of the upper triangle (permuted), set by the caller before {@link factor}; index by the pattern's slots. */
  readonly values: Float64Array;
  /** By the pattern's rows. */
  readonly rightSide: Float64Array;
  private readonly lValue: Float64Array;
  private readonly d: Float64Array;
  private readonly work: Float64Array;

  constructor(private readonly pattern: LdlPattern) {
    const { n, rowIndex, lRow } = pattern;
    this.values = new Float64Array(rowIndex.length);
    this.rightSide = new Float64Array(n);
    this.lValue = new Float64Array(lRow.length);
    this.d = new Float64Array(n);
    this.work = new Float64Array(n);
  }

  /**
   * Factorises {@link values}. @returns -1 when done, or the original index of the first row whose pivot is
   * lost to rounding against its own diagonal.
   */
  factor(): number {
    const { n, colStart, rowIndex, lStart, lRow, rowsOf, rows, slotsOf, order } = this.pattern;
    const { values, lValue, d, work } = this;
    for (let k = 0; k < n; k++) {
      for (let p = colStart[k], end = colStart[k + 1]; p < end; p++) work[rowIndex[p]] = values[p];
      const diagonal = work[k];
      let dk = diagonal;
      work[k] = 0;
      for (let t = rowsOf[k], end = rowsOf[k + 1]; t < end; t++) {
        const i = rows[t];
        const yi = work[i];
        work[i] = 0;
        const slot = slotsOf[t];
        for (let p = lStart[i]; p < slot; p++) work[lRow[p]] -= lValue[p] * yi;
        const l = yi / d[i];
        dk -= l * yi;
        lValue[slot] = l;
      }
      if (!(dk > 1e-15 * diagonal)) {
        if (!(diagonal > 0)) {
          work.fill(0);
          return order[k];
        }
        dk = 1e-15 * diagonal;
      }
      d[k] = dk;
    }
    return -1;
  }

  /** Solves in place: {@link rightSide} becomes the solution. */
  solve(): void {
    const { n, lStart, lRow } = this.pattern;
    const { lValue, d, rightSide: x } = this;
    for (let k = 0; k < n; k++) {
      const xk = x[k];
      for (let p = lStart[k], end = lStart[k + 1]; p < end; p++) x[lRow[p]] -= lValue[p] * xk;
    }
    for (let k = 0; k < n; k++) x[k] /= d[k];
    for (let k = n - 1; k >= 0; k--) {
      let sum = x[k];
      for (let p = lStart[k], end = lStart[k + 1]; p < end; p++) sum -= lValue[p] * x[lRow[p]];
      x[k] = sum;
    }
  }
}

/** Elimination order that always takes the node with fewest neighbours left (ties: lowest index). */
function minimumDegree(near: readonly ReadonlySet<number>[]): Int32Array {
  const left = near.map((s) => new Set(s));
  const gone = new Array<boolean>(near.length).fill(false);
  const order = new Int32Array(near.length);
  for (let k = 0; k < near.length; k++) {
    let best = -1;
    for (let i = 0; i < near.length; i++) if (!gone[i] && (best < 0 || left[i].size < left[best].size)) best = i;
    gone[best] = true;
    order[k] = best;
    const ring = [...left[best]];
    for (const a of ring) {
      left[a].delete(best);
      for (const b of ring) if (a !== b) left[a].add(b);
    }
  }
  return order;
}
