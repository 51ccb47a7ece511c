import type { Insulation } from '../../electrics/index.js';
import type { LoadPart } from '../../energy/index.js';
import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** A stretch of cable: as typed, and what was left open chosen. SI. */
export interface CableResult {
  /** Of its wire in the document; undefined for one that is only chosen. */
  readonly wireId: string | undefined;
  readonly from: string;
  readonly to: string;
  readonly fromName: string;
  readonly toName: string;
  /** With everything on that hangs on it, A. */
  readonly currentA: number;
  readonly lengthM: number;
  /** As the deck lies; else typed, or the usual length. */
  readonly asLaid: boolean;
  readonly typedLength: boolean;
  /** AWG, 0 for 1/0 and −1 for 2/0; undefined where no cable that is sold carries it so far. */
  readonly gauge: number | undefined;
  readonly typedGauge: boolean;
  readonly areaM2: number | undefined;
  readonly ampacityA: number | undefined;
  /** Undefined for a starter's cable, which has none, and where none is sold. */
  readonly fuseA: number | undefined;
  readonly typedFuse: boolean;
  /** It has none, as said. */
  readonly unfused: boolean;
  /** As said; left out, it counts as 60 °C wire. */
  readonly insulation: Insulation | undefined;
  readonly dropV: number;
  readonly colour: string | undefined;
  readonly switch: string | undefined;
}

/** A load on a battery with the cable and fuse that it hangs on. */
export interface WireResult {
  readonly loadId: string;
  readonly name: string;
  readonly part: LoadPart;
  readonly batteryId: string;
  /** By its solved duty where it has one. */
  readonly current: Figure;
  /** Of its own cable, one way. */
  readonly lengthM: number;
  readonly asLaid: boolean;
  readonly gauge: number | undefined;
  readonly areaM2: number | undefined;
  readonly fuseA: number | undefined;
  /** From the battery, with everything on. */
  readonly drop: Figure | undefined;
  readonly voltage: number;
  readonly dropShare: number | undefined;
  /** Most that it may lose. */
  readonly mostDrop: number;
  /** Running over a day, s, by the brief. */
  readonly daySeconds: number;
  readonly verdict: Verdict;
}

/** A battery's day by the brief; the work day simulates it. A s. */
export interface BatteryResult {
  readonly batteryId: string;
  readonly name: string;
  readonly volts: number;
  readonly capacityAs: number;
  readonly usableAs: number;
  /** Taken out of it, hard draws told for more than themselves. */
  readonly taken: Figure;
  /** Put in while working. */
  readonly charged: number;
  /** What the day takes on balance. */
  readonly net: Figure;
  /** Put in overnight, at most what is missing; and whether it is full by the morning. */
  readonly nightAs: number;
  readonly fullByMorning: boolean;
  /** With everything on at once, A. */
  readonly allOnA: number;
  readonly verdict: Verdict;
}

/** A motor on the mains. */
export interface MainsResult {
  readonly loadId: string;
  readonly name: string;
  readonly powerW: number;
  readonly currentA: number;
}

export interface CircuitAnswers {
  readonly circuits: readonly WireResult[];
  readonly cables: readonly CableResult[];
  readonly batteries: readonly BatteryResult[];
  readonly mains: {
    readonly loads: readonly MainsResult[];
    readonly needsW: number;
    readonly startsW: number;
    /** Of the generator on board; undefined without one, or where it does not say. */
    readonly hasW: number | undefined;
    readonly hasStartW: number | undefined;
    /** Its fuel with everything on, m³/s; 0 without one. */
    readonly fuelM3s: number;
  };
}
