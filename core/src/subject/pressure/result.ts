import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

export interface GunState {
  readonly outletId: string;
  readonly open: boolean;
  readonly pressurePa: number;
  readonly flowM3s: number;
}

export interface PressureCase {
  readonly label: string;
  readonly guns: readonly GunState[];
  readonly machines: readonly {
    readonly machineId: string;
    /** What its feed passes, at most its displacement. */
    readonly flowM3s: number;
    readonly pumpPressurePa: number;
    readonly returnedM3s: number;
    readonly returnPressurePa: number;
    /** Its flow-actuated unloader has let go. */
    readonly letsGo: boolean;
  }[];
}

export interface MachineResult {
  readonly machineId: string;
  /** With all its guns open. */
  readonly pumpPressure: Figure;
  /** Through it, m³/s: no more than its feed passes and its engine drives. */
  readonly givesM3s: number;
  /** What it is made for, m³/s. */
  readonly madeForM3s: number;
  readonly returned: Figure;
  /** Before its unloader opens, and below which the unloader shuts again. */
  readonly peak: Figure;
  readonly reseat: Figure;
  readonly enginePower: Figure;
  readonly engineAvailable: Figure;
  readonly verdict: Verdict;
}

export interface OutletResult {
  readonly outletId: string;
  readonly machineIds: readonly string[];
  readonly lineIds: readonly string[];
  readonly pressure: Figure;
  readonly flow: Figure;
  /** Force with which the jet pushes the gun back. */
  readonly recoil: Figure;
  /** At the gun with its nozzles worn, and every other as it is. */
  readonly worn: Figure;
  /** Of a surface cleaner. Flows wanted by the strict and by the thrifty school, m³/s. */
  readonly cleaner: { readonly areaHour: Figure; readonly strictM3s: number; readonly thriftyM3s: number } | undefined;
  readonly lineLossPa: number;
  readonly parts: readonly PartShare[];
  /** Nozzle that would give the wanted pressure with everything else as it is. */
  readonly betterSize: number;
  readonly verdict: Verdict;
}

export interface PressureAnswers {
  /** Every way of holding the triggers. */
  readonly cases: readonly PressureCase[];
  readonly machines: readonly MachineResult[];
  readonly outlets: readonly OutletResult[];
}
