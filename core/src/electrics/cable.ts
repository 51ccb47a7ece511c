/** Resistivity of annealed copper at 20 °C, Ω·m (IACS; from memory). */
export const COPPER_OHM_M = 1.7241e-8;

/** Diameter of a solid wire by its gauge, m: 0.005 in · 92^((36 − n)/39), ASTM B258. 0 is 1/0, −1 is 2/0. */
export const awgDiameter = (gauge: number): number => 0.005 * 0.0254 * 92 ** ((36 - gauge) / 39);

/** Area of copper, m². */
export const awgArea = (gauge: number): number => (Math.PI / 4) * awgDiameter(gauge) ** 2;

const RESISTANCE = new Map<number, number>();

/** Ω for a metre of one wire. */
export function wireResistance(gauge: number): number {
  let known = RESISTANCE.get(gauge);
  if (known === undefined) RESISTANCE.set(gauge, (known = COPPER_OHM_M / awgArea(gauge)));
  return known;
}

/** Gauges that are sold for rigs, and what each may carry, A: 60 °C copper, NEC table 310.16; 18 and 16 by 402.5 (from memory). */
const SOLD: readonly { readonly gauge: number; readonly ampacityA: number }[] = [
  { gauge: 18, ampacityA: 6 },
  { gauge: 16, ampacityA: 8 },
  { gauge: 14, ampacityA: 15 },
  { gauge: 12, ampacityA: 20 },
  { gauge: 10, ampacityA: 30 },
  { gauge: 8, ampacityA: 40 },
  { gauge: 6, ampacityA: 55 },
  { gauge: 4, ampacityA: 70 },
  { gauge: 2, ampacityA: 95 },
  { gauge: 1, ampacityA: 110 },
  { gauge: 0, ampacityA: 125 },
  { gauge: -1, ampacityA: 145 },
  { gauge: -2, ampacityA: 165 },
  { gauge: -3, ampacityA: 195 },
];

/** What is chosen from: thinner than 14 breaks on a deck that shakes. */
export const CABLES = SOLD.filter((c) => c.gauge <= 14);

/** As it is printed: 1/0 for 0, 2/0 for −1. */
export const gaugeName = (gauge: number): string => (gauge > 0 ? `${gauge}` : `${1 - gauge}/0`);

/** The number of a printed gauge. */
export const gaugeOf = (name: string): number => (name.endsWith('/0') ? 1 - Number(name.slice(0, -2)) : Number(name));

/** What a cable may carry, A; undefined for one that is not sold. */
export const ampacityOf = (gauge: number): number | undefined => SOLD.find((c) => c.gauge === gauge)?.ampacityA;

/** Fuses that are sold, A. */
export const FUSES: readonly number[] = [2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200, 250, 300];

/** Fuse over its load's steady current; a rig's own is an assumption. */
export const FUSE_OVER = 1.25;

/** Volts lost on the way there and back. */
export const voltageDrop = (gauge: number, oneWayM: number, currentA: number): number => 2 * oneWayM * wireResistance(gauge) * currentA;

/** The smallest fuse that a steady current does not blow; undefined over the largest sold. */
export const fuseFor = (currentA: number, over = FUSE_OVER): number | undefined => FUSES.find((f) => f >= currentA * over - 1e-9);

/** A cable chosen, with its fuse. */
export interface Chosen {
  readonly gauge: number;
  readonly ampacityA: number;
  readonly fuseA: number;
  readonly dropV: number;
}

/**
 * The smallest cable that carries its fuse and loses no more than a share of the voltage; undefined where none that is sold
 * does.
 * @param oneWayM from the battery to the load
 * @param mostDrop share of the voltage
 * @param fuseA that it has to carry; left out, the smallest that holds its load
 */
export function chooseCable(currentA: number, oneWayM: number, volts: number, mostDrop: number, fuseA = fuseFor(currentA)): Chosen | undefined {
  if (fuseA === undefined) return undefined;
  for (const c of CABLES) {
    const dropV = voltageDrop(c.gauge, oneWayM, currentA);
    if (c.ampacityA >= fuseA - 1e-9 && dropV <= mostDrop * volts * (1 + 1e-9)) return { gauge: c.gauge, ampacityA: c.ampacityA, fuseA, dropV };
  }
  return undefined;
}
