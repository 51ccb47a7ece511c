import type { LiquidKind } from '../../chemistry/compatibility.js';
import type { MixWay } from '../../rig/schema.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

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
  /** Each soap of it: its share of the mix as it comes and as it is wanted, and what a job takes, m³. */
  readonly soaps: readonly { readonly liquidId: string; readonly name: string; readonly share: number; readonly dose: number; readonly perJobM3: number }[];
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

export interface MixAnswers {
  readonly chemical: {
    readonly mixes: readonly MixResult[];
    /** Mean flow that soft washing takes from each tank over the job, m³/s. */
    readonly drawnFrom: Readonly<Record<string, number>>;
  };
}
