/** Grams of available chlorine in a mole of hypochlorite (one OCl⁻ counts as one Cl₂). */
const CHLORINE_G_MOL = 70.906;
const GAS = 8.314462618;

/** g/L of available chlorine of a trade strength (a share: 12.5 % is 0.125). Trade percent is g/L ÷ 10 by definition. */
export const availableChlorine = (trade: number): number => trade * 1000;

/** What the gravity rises by for each trade share: 1.165 at 12.5 trade %. */
const HEAVIER = 0.165 / 0.125;

/**
 * Specific gravity of commercial sodium hypochlorite at 20 °C: 1.165 at 12.5 trade % (9.7 lb/gal; Chlorine Institute pamphlet
 * 96, from memory), in proportion below. The trade's round 10 lb/gal belongs to 12.5 % by weight.
 */
export const hypochloriteGravity = (trade: number): number => 1 + HEAVIER * trade;

/** Weight share of available chlorine from the trade share: trade ÷ specific gravity. */
export const weightShare = (trade: number): number => trade / hypochloriteGravity(trade);

/** Trade share from the weight share: solves w = t/(1 + 1.32 t). Weight shares of 0 to 0.5. */
export const tradeShare = (weight: number): number => weight / (1 - HEAVIER * weight);

/** Molar mass of sodium hypochlorite, g/mol: one counts as one Cl₂. */
const HYPOCHLORITE_G_MOL = 74.442;

/** Weight share of available chlorine of a weight share of sodium hypochlorite. */
export const chlorineShare = (hypochlorite: number): number => (hypochlorite * CHLORINE_G_MOL) / HYPOCHLORITE_G_MOL;

/**
 * Rate constant of hypochlorite's decay, L/mol/s: second order, Arrhenius in temperature, faster in strong solutions.
 * Gordon, Adam & Bubnis 1995 (from memory): log₁₀k₂ = 0.149·I + log₁₀(2.083e10·T·e^(−1.018e5/RT)·e^(−56.5/R)).
 * @param startTrade strength when made: fixes the ionic strength, which the decay leaves as it is
 * @param causticMolL excess caustic that it is sold with, mol/L; it adds to the ionic strength
 */
export function decayRate(startTrade: number, temperatureK: number, causticMolL: number): number {
  const ionic = (2 * availableChlorine(startTrade)) / CHLORINE_G_MOL + causticMolL;
  return 10 ** (0.149 * ionic) * 2.083e10 * temperatureK * Math.exp(-1.018e5 / (GAS * temperatureK)) * Math.exp(-56.5 / GAS);
}

/** Trade strength after so many seconds at a temperature, K: dC/dt = −k₂·C². At zero seconds the strength itself. */
export function strengthAfter(startTrade: number, seconds: number, temperatureK: number, causticMolL: number): number {
  const molar = availableChlorine(startTrade) / CHLORINE_G_MOL;
  return startTrade / (1 + decayRate(startTrade, temperatureK, causticMolL) * molar * Math.max(seconds, 0));
}

/** Seconds until half of the strength is gone. */
export const halfLife = (startTrade: number, temperatureK: number, causticMolL: number): number =>
  CHLORINE_G_MOL / (decayRate(startTrade, temperatureK, causticMolL) * availableChlorine(startTrade));

/**
 * The same by the half-lives in White's Handbook of Chlorination (from memory): 220 d at 100 g/L and 25 °C, 800 d at
 * 15 °C, 790 d at 50 g/L and 25 °C; joined by power law in strength and Arrhenius in temperature. Seconds.
 */
export function handbookHalfLife(trade: number, temperatureK: number): number {
  const strength = Math.log(790 / 220) / Math.log(2);
  const arrhenius = Math.log(800 / 220) / (1 / 288.15 - 1 / 298.15);
  return 220 * 86400 * (100 / availableChlorine(trade)) ** strength * Math.exp(arrhenius * (1 / temperatureK - 1 / 298.15));
}
