import type { LiquidKind } from '../../chemistry/compatibility.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

/** A liquid on board: what it is worth, how long it lasts. */
export interface LiquidResult {
  readonly liquidId: string;
  readonly kind: LiquidKind;
  readonly bought: number;
  readonly today: Figure;
  readonly weightShare: number;
  readonly densityKgM3: number;
  readonly halfLife: Figure;
  readonly handbookHalfLifeS: number;
  /** Ageing from the day it was made: s, trade share. */
  readonly ageing: { readonly timeS: readonly number[]; readonly strength: readonly number[] };
  readonly perDay: Figure;
  readonly perWeekM3: number;
  /** Tank that holds a week's need and the reserve, m³. */
  readonly weekTank: Figure;
  readonly onBoardM3: number;
  /** Days that what is on board lasts; Infinity when none is used. */
  readonly lastsDays: number;
  /** Mean age when used, s, and strength then, when kept on board. */
  readonly keptAgeS: number;
  readonly keptStrength: number;
  /** A week's cost collected fresh, and kept on board with what age eats, $. */
  readonly freshWeek: number;
  readonly keptWeek: number;
  readonly tanks: readonly string[];
  readonly verdict: Verdict;
}

/** A tank of chemicals. Volumes m³. */
export interface ChemicalTankResult {
  readonly tankId: string;
  /** The mix that is made in it; undefined for stock. */
  readonly mixId: string | undefined;
  /** Share of stock in what it holds: 1 unless a mix is made in it. */
  readonly stockShare: number;
  readonly fullM3: number;
  readonly startM3: number;
  /** Below the end of the draw line. */
  readonly heelM3: number;
  /** Of what is in it as the day starts. */
  readonly drawableM3: number;
  /** Of what it holds when full. */
  readonly mass: Figure;
  readonly startMassKg: number;
  readonly perDay: Figure;
  /** Days of work that what is in it lasts; Infinity when none is used. */
  readonly lastsDays: number;
  /** Tank that holds a day's need with its reserve. */
  readonly dayTank: Figure;
  /** What the bund under it holds, 0 for none, and ought to. */
  readonly bundM3: number;
  readonly bundWanted: Figure;
}

export interface LiquidAnswers {
  readonly chemical: { readonly liquids: readonly LiquidResult[]; readonly tanks: readonly ChemicalTankResult[] };
}
