import type { LevelSeries } from '../../solve/straight-job.js';
import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

export interface TankResult {
  readonly tankId: string;
  /** Tanks tied to it, itself included. */
  readonly tiedIds: readonly string[];
  /** Of this tank alone when full; all other volumes are of the tied tanks together. */
  readonly ownVolumeM3: number;
  readonly fullVolumeM3: number;
  readonly startVolumeM3: number;
  readonly heelVolumeM3: number;
  readonly heelLevel: Figure;
  readonly usable: Figure;
  readonly inflow: Figure;
  readonly inflowPoor: number;
  readonly inflowGood: number;
  readonly draw: Figure;
  readonly fullDraw: Figure;
  /** With every trigger held; Infinity when the spigot keeps up. */
  readonly timeToEmpty: Figure;
  /** Of the job as briefed; Infinity when it lasts. */
  readonly dryAfter: Figure;
  readonly dryAfterPoorS: number;
  readonly timeToRecover: Figure;
  /** Usable water that the job needs at its start, reserve included. */
  readonly needed: Figure;
  /** At the end of the job, m³ above the heel; below nothing, what was missing by then. */
  readonly leftM3: number;
  readonly series: LevelSeries;
  readonly seriesPoor: LevelSeries;
  readonly seriesGood: LevelSeries;
  readonly tie:
    | {
        readonly differenceM: Figure;
        readonly firstDryId: string;
        readonly parts: readonly PartShare[];
        /** Usable water that the ties have not brought when the first tank is dry, m³; 0 where none runs dry. */
        readonly strandedM3: number;
      }
    | undefined;
  readonly verdict: Verdict;
}

export type { LevelSeries } from '../../solve/straight-job.js';

export interface BufferAnswers {
  readonly tanks: readonly TankResult[];
}
