/**
 * Exponential and logarithm from additions, multiplications and divisions alone. The language leaves the last digits of
 * `Math.exp` and `Math.log` to each machine; these give the same digits everywhere, so that a day with the same seed is the
 * same day everywhere.
 */
const LN2 = 0.6931471805599453;
/** The same in two parts, the first with room to be multiplied without rounding. */
const LN2_HIGH = 0.69314718036912381649;
const LN2_LOW = 1.90821492927058770002e-10;

/** eˣ, within a few units of the last place for |x| ≤ 700; 0 far below. */
export function exp(x: number): number {
  if (!(x > -700)) return x !== x ? NaN : 0;
  if (x > 700) return Infinity;
  const n = Math.round(x / LN2);
  const r = x - n * LN2_HIGH - n * LN2_LOW;
  let term = 1;
  let sum = 1;
  for (let i = 1; i < 18; i++) {
    term *= r / i;
    sum += term;
  }
  return sum * 2 ** n;
}

/** Natural logarithm, x > 0: Newton steps on {@link exp} from a rough start. */
export function ln(x: number): number {
  if (!(x > 0)) return x === 0 ? -Infinity : NaN;
  let m = x;
  let n = 0;
  while (m >= 1.5) {
    m /= 2;
    n++;
  }
  while (m < 0.75) {
    m *= 2;
    n--;
  }
  // ln m = 2 artanh((m−1)/(m+1)), |z| ≤ 0.2.
  const z = (m - 1) / (m + 1);
  const zz = z * z;
  let power = z;
  let sum = 0;
  for (let i = 1; i < 28; i += 2) {
    sum += power / i;
    power *= zz;
  }
  return n * LN2 + 2 * sum;
}
