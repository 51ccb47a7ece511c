/** Head that a starved pump keeps at its whole flow, m: it shares out what pumps on one header pull, and moves no figure by more. */
const EASE_M = 1e-3;
const MOST_STEPS = 40;
const SETTLED_M = 1e-7;
const NUDGE = 1e-4;

/**
 * What each of several pumps gets of a feed that cannot pass all they want: at most what it wants, never with less than no
 * inlet head to spare, and one of the two at its limit. Newton's method on the heads to spare, pumps that get all they
 * want set aside; where it does not settle, all are cut back alike.
 * @param wants m³/s, by pump
 * @param margins inlet head to spare of each pump, m, when they draw these flows
 */
export function passedFlows(wants: readonly number[], margins: (flows: readonly number[]) => readonly number[]): number[] {
  const n = wants.length;
  const at = (share: readonly number[]): number[] => margins(share.map((x, i) => x * wants[i])).map((m, i) => m - EASE_M * share[i]);
  let share = wants.map(() => 1);
  let head = at(share);
  if (head.every((h, i) => h >= -EASE_M * share[i])) return [...wants];
  for (let step = 0; step < MOST_STEPS; step++) {
    const pulled = share.flatMap((x, i) => ((x >= 1 && head[i] >= 0) || (x <= 0 && head[i] <= 0) ? [] : [i]));
    if (pulled.every((i) => Math.abs(head[i]) < SETTLED_M)) return share.map((x, i) => x * wants[i]);
    const columns = pulled.map((j) => {
      const by = share[j] > 2 * NUDGE ? -NUDGE : NUDGE;
      const moved = at(share.map((x, i) => (i === j ? x + by : x)));
      return pulled.map((i) => (moved[i] - head[i]) / by);
    });
    const move = solved(
      pulled.map((_, r) => columns.map((c) => c[r])),
      pulled.map((i) => -head[i]),
    );
    if (!move) break;
    share = share.map((x, i) => {
      const k = pulled.indexOf(i);
      return k < 0 ? x : Math.min(Math.max(x + move[k], 0), 1);
    });
    head = at(share);
  }
  return alike(n, at).map((x, i) => x * wants[i]);
}

/** The largest share, the same for all, that leaves no pump short. */
function alike(n: number, at: (share: readonly number[]) => readonly number[]): number[] {
  let [low, high] = [0, 1];
  for (let k = 0; k < 40; k++) {
    const half = (low + high) / 2;
    if (at(Array.from({ length: n }, () => half)).every((h) => h >= 0)) low = half;
    else high = half;
  }
  return Array.from({ length: n }, () => low);
}

/** A few equations by Gauss's elimination with pivoting; undefined where they have no one answer. */
function solved(rows: readonly (readonly number[])[], right: readonly number[]): number[] | undefined {
  const a = rows.map((r, i) => [...r, right[i]]);
  const n = a.length;
  for (let c = 0; c < n; c++) {
    let p = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r][c]) > Math.abs(a[p][c])) p = r;
    if (!(Math.abs(a[p][c]) > 1e-12)) return undefined;
    [a[c], a[p]] = [a[p], a[c]];
    for (let r = c + 1; r < n; r++) {
      const f = a[r][c] / a[c][c];
      for (let k = c; k <= n; k++) a[r][k] -= f * a[c][k];
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let r = n - 1; r >= 0; r--) {
    let sum = a[r][n];
    for (let k = r + 1; k < n; k++) sum -= a[r][k] * x[k];
    x[r] = sum / a[r][r];
  }
  return x.every(Number.isFinite) ? x : undefined;
}
