import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** An air-operated pump at its compressor. SI, pressures gauge. */
export interface AirPumpResult {
  readonly pumpId: string;
  /** Undefined where nothing gives it air. */
  readonly compressorId: string | undefined;
  readonly needM3s: number;
  /** What is left for it while all pumps at the compressor spray, m³/s of free air. */
  readonly givenM3s: number;
  /** How long a full receiver makes up for what is missing while all spray, s; Infinity where nothing is, 0 without one. */
  readonly carriesS: number;
  /** Too little, and no receiver lasts a job. */
  readonly short: boolean;
  /** Of its own air line at that flow; undefined where none is drawn. */
  readonly lineLoss: Figure | undefined;
  readonly lineM: number | undefined;
  readonly lineAsLaid: boolean;
  /** Wanted behind the compressor. */
  readonly wantsPa: number;
  readonly verdict: Verdict;
}

export interface CompressorResult {
  readonly compressorId: string;
  readonly givesM3s: number;
  /** Of all its pumps together. */
  readonly need: Figure;
  readonly power: Figure;
  readonly powerHasW: number;
  /** At its shaft to reach its cut-out with all the air that it sweeps, W. */
  readonly topPowerW: number;
  readonly cutOutPa: number;
  readonly cutInPa: number;
  readonly receiverM3: number;
  /** How long its receiver carries all pumps; as for {@link AirPumpResult.carriesS}. */
  readonly lastsS: number;
  /** From cut-in to cut-out and back with every pump spraying, times an hour; 0 where it never rests. */
  readonly cyclesPerHour: number;
  /** The pump that starves first as its pressure falls; undefined where nothing breathes. */
  readonly firstPumpId: string | undefined;
  /** To put a usual tyre's air in, s; Infinity for a compressor that gives nothing. */
  readonly tyreS: number;
  readonly verdict: Verdict;
}

export interface AirAnswers {
  readonly air: { readonly pumps: readonly AirPumpResult[]; readonly compressors: readonly CompressorResult[] };
}
