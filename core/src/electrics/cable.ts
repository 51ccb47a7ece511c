import type { CableSizes, Insulation } from './insulation.js';

/** Resistivity of annealed copper at 20 °C, Ω·m (IACS; from memory). */
export const COPPER_OHM_M = 1.7241e-8;

/** Diameter of a solid wire by its gauge, m: 0.005 in · 92^((36 − n)/39), ASTM B258. 0 is 1/0, −1 is 2/0. */
export const awgDiameter = (gauge: number): number => 0.005 * 0.0254 * 92 ** ((36 - gauge) / 39);

/** Area of copper, m². */
export const awgArea = (gauge: number): number => (Math.PI / 4) * awgDiameter(gauge) ** 2;

/** Resistance of copper grows so much with each degree over 20 °C (IEC 60228; from memory). */
const COPPER_PER_K = 0.00393;

const RESISTANCE = new Map<number, number>();

/** Resistance of copper so warm, °C, to that at 20 °C. */
export const warmCopper = (copperC: number): number => 1 + COPPER_PER_K * (copperC - 20);

/** Ω for a metre of one wire, its copper so warm, °C. */
export function wireResistance(gauge: number, copperC = 20): number {
  let known = RESISTANCE.get(gauge);
  if (known === undefined) RESISTANCE.set(gauge, (known = COPPER_OHM_M / awgArea(gauge)));
  return known * warmCopper(copperC);
}

const HOTTEST: Readonly<Record<Insulation, number>> = { '60': 60, '75': 75, '90': 90, vehicle: 105 };

/** Air that ampacity tables are made for, °C. */
export const TABLE_AIR_C = 30;

/** Gauge of a copper area, m²: a number between those of AWG. */
const gaugeOfArea = (areaM2: number): number => 36 - (39 * Math.log((2 * Math.sqrt(areaM2 / Math.PI)) / (0.005 * 0.0254))) / Math.log(92);

type Row = readonly [gauge: number, of60: number, of75: number, of90: number, vehicle: number];

/**
 * Gauges that are sold for rigs, and what each may carry in air of 30 °C, A, by insulation: building wire by NEC table 310.16
 * (18 and 16 by 402.5); vehicle cable of 105 °C outside of engine spaces by ABYC E-11. All from memory.
 */
const BY_GAUGE: readonly Row[] = [
  [18, 6, 6, 14, 20],
  [16, 8, 8, 18, 25],
  [14, 15, 20, 25, 35],
  [12, 20, 25, 30, 45],
  [10, 30, 35, 40, 60],
  [8, 40, 50, 55, 80],
  [6, 55, 65, 75, 120],
  [4, 70, 85, 95, 160],
  [2, 95, 115, 130, 210],
  [1, 110, 130, 145, 245],
  [0, 125, 150, 170, 285],
  [-1, 145, 175, 195, 330],
  [-2, 165, 200, 225, 385],
  [-3, 195, 230, 260, 445],
];

/** Areas that are sold where cable goes by its copper, mm², and what each may carry likewise: ISO 10133 table A.1, its 60, 70 (for 75), 85 to 90 and 105 °C columns. From memory. */
const BY_AREA: readonly Row[] = [
  [1.5, 12, 18, 21, 25],
  [2.5, 17, 25, 30, 35],
  [4, 22, 35, 40, 45],
  [6, 29, 45, 50, 60],
  [10, 40, 65, 70, 90],
  [16, 54, 90, 100, 130],
  [25, 71, 120, 140, 170],
  [35, 87, 160, 185, 210],
  [50, 105, 210, 230, 270],
  [70, 135, 265, 285, 330],
  [95, 165, 310, 330, 390],
];
const AREA_OF: ReadonlyMap<number, number> = new Map(BY_AREA.map(([mm2]) => [gaugeOfArea(mm2 * 1e-6), mm2]));
const GAUGE_OF: ReadonlyMap<number, number> = new Map([...AREA_OF].map(([gauge, mm2]) => [mm2, gauge]));
const SOLD: readonly Row[] = [...BY_GAUGE, ...BY_AREA.map(([mm2, ...carries]): Row => [GAUGE_OF.get(mm2)!, ...carries])];

const COLUMN: Readonly<Record<Insulation, 1 | 2 | 3 | 4>> = { '60': 1, '75': 2, '90': 3, vehicle: 4 };

/**
 * What a cable may carry, A; undefined for one that is not sold. In warmer air less: √((T − T_air) / (T − 30 °C)), NEC 310.15(B).
 * @param airC around it
 */
export function ampacityOf(gauge: number, insulation: Insulation = '60', airC = TABLE_AIR_C): number | undefined {
  const row = SOLD.find((c) => c[0] === gauge);
  if (!row) return undefined;
  const own = HOTTEST[insulation];
  return Math.abs(airC - TABLE_AIR_C) < 1e-6 ? row[COLUMN[insulation]] : row[COLUMN[insulation]] * Math.sqrt(Math.max(own - airC, 0) / (own - TABLE_AIR_C));
}

/** How warm copper gets, °C: T_air + (T_insulation − T_air) · (I / ampacity)². One far over its ampacity has long melted: 250 at most. */
export function copperC(gauge: number, currentA: number, insulation: Insulation = '60', airC = TABLE_AIR_C): number {
  const carries = ampacityOf(gauge, insulation, airC);
  if (!carries) return airC;
  return Math.min(airC + (HOTTEST[insulation] - airC) * (currentA / carries) ** 2, 250);
}

/** What is chosen from, thinnest first: thinner than 14 breaks on a deck that shakes. */
export const cablesOf = (sizes: CableSizes = 'awg'): readonly number[] => CHOOSABLE[sizes];
const CHOOSABLE: Readonly<Record<CableSizes, readonly number[]>> = {
  awg: BY_GAUGE.map((c) => c[0]).filter((gauge) => gauge <= 14),
  mm2: [...AREA_OF.keys()].slice(1),
};

/** How a cable's own size is sold. */
export const sizesOf = (gauge: number): CableSizes => (AREA_OF.has(gauge) ? 'mm2' : 'awg');

/** As it is printed on the cable and typed in a file: 1/0 for 0, 2/0 for −1, 6 mm² for one that goes by its copper. */
export function gaugeName(gauge: number): string {
  const mm2 = AREA_OF.get(gauge);
  if (mm2 !== undefined) return `${mm2} mm²`;
  return gauge > 0 ? `${gauge}` : `${1 - gauge}/0`;
}

/** The same in a sentence: AWG 10, 6 mm². */
export const cableSize = (gauge: number): string => (AREA_OF.has(gauge) ? gaugeName(gauge) : `AWG ${gaugeName(gauge)}`);

/** The number of a printed gauge. */
export function gaugeOf(name: string): number {
  const mm2 = /^([\d.]+) mm²$/.exec(name);
  if (mm2) return GAUGE_OF.get(Number(mm2[1])) ?? gaugeOfArea(Number(mm2[1]) * 1e-6);
  return name.endsWith('/0') ? 1 - Number(name.slice(0, -2)) : Number(name);
}

/** Fuses that are sold, A. */
export const FUSES: readonly number[] = [2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200, 250, 300];

/** Fuse over its load's steady current; a rig's own is an assumption. */
export const FUSE_OVER = 1.25;

/** Volts lost on the way there and back, its copper as warm as the current makes it. */
export const voltageDrop = (gauge: number, oneWayM: number, currentA: number, insulation: Insulation = '60', airC = TABLE_AIR_C): number =>
  2 * oneWayM * wireResistance(gauge, copperC(gauge, currentA, insulation, airC)) * currentA;

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
 * @param sizes how cable is bought
 */
export function chooseCable(
  currentA: number,
  oneWayM: number,
  volts: number,
  mostDrop: number,
  fuseA = fuseFor(currentA),
  insulation: Insulation = '60',
  airC = TABLE_AIR_C,
  sizes: CableSizes = 'awg',
): Chosen | undefined {
  if (fuseA === undefined) return undefined;
  for (const gauge of cablesOf(sizes)) {
    const dropV = voltageDrop(gauge, oneWayM, currentA, insulation, airC);
    const ampacityA = ampacityOf(gauge, insulation, airC)!;
    if (ampacityA >= fuseA - 1e-9 && dropV <= mostDrop * volts * (1 + 1e-9)) return { gauge, ampacityA, fuseA, dropV };
  }
  return undefined;
}
