import { EQUIPMENT } from '../catalogue/equipment.js';
import { si } from '../quantity/parse.js';
import type { DayModel } from './model.js';

/** Days in a row that a fuel tank is asked to last. */
export const FUEL_ROWS = 3;

/** How many days in a row a tank of a size lasts. */
export interface FuelSize {
  readonly volumeM3: number;
  /** It is the one on board. */
  readonly now: boolean;
  /** Share of starts on which it lasts one day, two in a row, three; as many as there were days. */
  readonly lasts: readonly number[];
}

/** What sampled days burn out of a fuel tank, and how long tanks of other sizes would last. */
export interface FuelLast {
  readonly id: string;
  readonly name: string;
  /** m³ in a day: middling, and on 95 days of a hundred at most. */
  readonly p50: number;
  readonly p95: number;
  /** On some day it ran dry: what is burnt is then the least. */
  readonly ranDry: boolean;
  /** By rising size. */
  readonly sizes: readonly FuelSize[];
}

const SOLD: readonly number[] = EQUIPMENT.filter((e) => e.kind === 'fuel-tank').map((e) => si(e.size, 'volume'));

/** Nothing for a tank that no day draws on. @param burnt by the days in their order, m³ */
export function fuelLast(model: DayModel, store: number, burnt: readonly number[]): FuelLast[] {
  const { id, name, fullKg, densityKgM3 } = model.energy.stores[store];
  if (!burnt.some((x) => x > 0)) return [];
  const own = fullKg / densityKgM3;
  const dead = Math.max(0, ...model.energy.drinkers.filter((d) => d.store === store).map((d) => d.deadKg)) / fullKg;
  const sorted = [...burnt].sort((a, b) => a - b);
  const at = (q: number): number => sorted[Math.min(Math.floor(q * sorted.length), sorted.length - 1)];
  const lasts = (volume: number): readonly number[] =>
    Array.from({ length: Math.min(FUEL_ROWS, burnt.length) }, (_, k) => {
      const starts = burnt.length - k;
      let good = 0;
      for (let i = 0; i < starts; i++) {
        let sum = 0;
        for (let j = 0; j <= k; j++) sum += burnt[i + j];
        if (sum <= volume * (1 - dead)) good++;
      }
      return good / starts;
    });
  const volumes = [...SOLD.filter((v) => Math.abs(v - own) > 0.02 * own), own].sort((a, b) => a - b);
  return [
    {
      id,
      name,
      p50: at(0.5),
      p95: at(0.95),
      ranDry: sorted[sorted.length - 1] >= own * (1 - dead) * 0.9999,
      sizes: volumes.map((volumeM3) => ({ volumeM3, now: volumeM3 === own, lasts: lasts(volumeM3) })),
    },
  ];
}
