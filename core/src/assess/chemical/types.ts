import type { LiquidKind } from '../../chemistry/compatibility.js';
import type { MixWay } from '../../rig/chemical-schema.js';
import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** One stream into a blend, tanks full, as the valves stand. */
export interface MixStream {
  readonly lineId: string;
  readonly tankId: string | undefined;
  readonly liquidId: string | undefined;
  readonly kind: LiquidKind;
  readonly name: string;
  readonly flowM3s: number;
  /** Of the blend by volume. */
  readonly share: number;
  /** Trade share of the stream itself. */
  readonly strength: number;
}

/** A metering valve as it stands and as the wanted strength would have it. */
export interface ValveSetting {
  readonly lineId: string;
  readonly partId: string;
  readonly name: string;
  readonly now: number;
  readonly wanted: number;
}

export interface MixCase {
  readonly label: string;
  readonly strength: number;
  readonly flowM3s: number;
}

/** What reaches the wall by one way of mixing. Strengths are trade shares. */
export interface MixResult {
  readonly mixId: string;
  readonly way: MixWay;
  readonly pumpId: string | undefined;
  readonly sprayerId: string | undefined;
  readonly wanted: Figure;
  /** In the first minute, tanks as the day starts. */
  readonly first: Figure;
  /** In the last minute of the day's spraying. */
  readonly last: Figure;
  readonly lowest: number;
  readonly highest: number;
  readonly flow: Figure;
  readonly streams: readonly MixStream[];
  readonly settings: readonly ValveSetting[];
  /** False when no setting reaches what is wanted. */
  readonly reachable: boolean;
  readonly cases: readonly MixCase[];
  /** Strength against time of spraying over the day. */
  readonly series: { readonly timeS: readonly number[]; readonly strength: readonly number[] };
  /** Strength against the share of the stock tank that is left, everything else as at the start. */
  readonly byLevel: readonly { readonly share: number; readonly strength: number }[];
  /** Finished mix used in a day, m³. */
  readonly dayM3: Figure;
  readonly jobsPerDay: number;
  /** Stock and soap for one usual job, m³, and what they cost. */
  readonly stockPerJob: Figure;
  readonly soapPerJobM3: number;
  readonly waterPerJobM3: number;
  readonly costPerJob: Figure;
  /** Recipe of a batch: stock, soap, water, m³; undefined for other ways or when it cannot be made. */
  readonly recipe:
    { readonly volumeM3: number; readonly stockM3: number; readonly soapM3: number; readonly waterM3: number; readonly topUp: boolean } | undefined;
  readonly carried: Figure;
  /** Until a new liquid is at the tip, the walk counted. */
  readonly changeOver: Figure;
  /** To the rig and back, s; 0 for what is changed at the wall. */
  readonly walkS: number;
  readonly flushVolume: Figure;
  readonly flushTime: Figure;
  /** Valves that a flush leaves full of chemical, by name. */
  readonly unrinsed: readonly string[];
  readonly verdict: Verdict;
}

/** A soft wash pump at work, tanks half full. */
export interface SoftPumpResult {
  readonly pumpId: string;
  readonly sprayerId: string;
  readonly lineIds: readonly string[];
  readonly flow: Figure;
  readonly rise: Figure;
  readonly tipPressure: Figure;
  /** From the water, tanks half full, up to what sprays, m, and the most that the pump's pressure lifts against; least flow that is of use there, m³/s. */
  readonly liftM: number;
  readonly liftsM: number;
  readonly leastFlow: number;
  readonly jetHeight: Figure;
  readonly jetThrow: Figure;
  /** Height of the tallest work that the site asks, m above the sprayer; 0 for none. */
  readonly reachWantedM: number;
  readonly elbows: { readonly count: number; readonly shareByPhysics: number; readonly shareByRule: number };
  /** Pump curve and what hose and tip ask, for a drawing: m³/s, Pa. */
  readonly curve: readonly { readonly flowM3s: number; readonly pressurePa: number }[];
  readonly asks: readonly { readonly flowM3s: number; readonly pressurePa: number }[];
  /** Spraying over the day, s. */
  readonly daySeconds: number;
  readonly current: Figure | undefined;
  readonly batteryDay: Figure | undefined;
  readonly batteryUsable: number;
  readonly airUse: Figure | undefined;
  readonly airGiven: number;
  /** Spraying of one job, s. */
  readonly sprayS: number;
  /** How long a full receiver makes up for a compressor that gives too little, s; Infinity where it gives enough, 0 without one. */
  readonly airCarriesS: number;
  /** The compressor gives too little, and no receiver lasts a job. */
  readonly airShort: boolean;
  readonly airPower: Figure | undefined;
  /** Fuel of the engine or compressor over the day, kg. */
  readonly fuelDayKg: number;
  readonly bypassLimitS: number;
  readonly spare: boolean;
  readonly verdict: Verdict;
}

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

/** Two liquids on the rig that ought not to meet. */
export interface MeetingResult {
  readonly a: string;
  readonly b: string;
  readonly verdict: 'care' | 'never';
  readonly reason: string;
  /** Where they can: in a mix, a pump, a hose; empty when they only ride on the same rig. */
  readonly places: readonly string[];
}

/** A stretch to be filled with antifreeze. */
export interface CircuitResult {
  readonly name: string;
  readonly wettedM3: number;
}

export interface WinterResult {
  readonly circuits: readonly CircuitResult[];
  readonly coldestK: number | undefined;
  /** Of the mix in the lines; 0 without frost, null where the product does not stand the coldest night: no amount of it would do. */
  readonly glycolShare: number | null;
  readonly antifreeze: Figure;
  readonly cost: number;
  /** In antifreeze tanks as the rig stands, m³; undefined where there is none. */
  readonly onBoardM3: number | undefined;
  readonly away: readonly string[];
  readonly back: readonly string[];
}

export interface PureWaterResult {
  readonly sprayerId: string;
  readonly life: Figure;
  readonly flow: Figure;
  readonly heightM: number;
}

/** Everything about the chemical side. */
export interface ChemicalResult {
  readonly mixes: readonly MixResult[];
  readonly softPumps: readonly SoftPumpResult[];
  readonly liquids: readonly LiquidResult[];
  readonly tanks: readonly ChemicalTankResult[];
  readonly meetings: readonly MeetingResult[];
  readonly winter: WinterResult | undefined;
  readonly pureWater: readonly PureWaterResult[];
  /** Mean flow that soft washing takes from each tank over the job, m³/s. */
  readonly drawnFrom: Readonly<Record<string, number>>;
}
