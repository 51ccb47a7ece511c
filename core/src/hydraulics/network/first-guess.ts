import type { LinkSpec } from './spec.js';

/** Head that a first guess lets a link lose at most, m. */
const FIRST_LOSS = 50;

/** About 1 m/s in the narrowest run, less where that would lose more head than is likely. */
export function firstGuess(link: LinkSpec): number {
  if (link.curve?.length) return link.curve[link.curve.length - 1].flowM3s / 2;
  if (link.constantM && link.constantM < 0) {
    if (link.power) return (-link.constantM / 2 / link.power.coefficient) ** (1 / link.power.exponent);
    if (link.quadratic) return Math.sqrt(-link.constantM / 2 / link.quadratic);
  }
  let narrowest = Infinity;
  if (link.runs) for (const r of link.runs) narrowest = Math.min(narrowest, r.boreM);
  const brisk = Number.isFinite(narrowest) ? (Math.PI / 4) * narrowest ** 2 : 2e-4;
  const byQuadratic = link.quadratic ? Math.sqrt(FIRST_LOSS / link.quadratic) : Infinity;
  const byPower = link.power ? (FIRST_LOSS / link.power.coefficient) ** (1 / link.power.exponent) : Infinity;
  return Math.min(brisk, byQuadratic, byPower);
}
