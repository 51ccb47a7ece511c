import type { DayResult, PhaseRun } from './types.js';

/** What goes on at one moment of a day. SI. */
export interface Moment {
  readonly timeS: number;
  readonly connected: boolean;
  readonly phases: readonly PhaseRun[];
  readonly vessels: readonly {
    readonly tankIds: readonly string[];
    readonly name: string;
    readonly water: boolean;
    readonly volumeM3: number;
    /** Of full. */
    readonly share: number;
    readonly inM3s: number;
    readonly outM3s: number;
  }[];
  /** Guns in hand. */
  readonly guns: readonly { readonly outletId: string; readonly pressurePa: number }[];
  /** Mixes being sprayed, trade share at the wall. */
  readonly mixes: readonly { readonly mixId: string; readonly strength: number }[];
}

/** Last row of rising times that does not lie after `at`. */
function rowAt(times: readonly number[], at: number): number {
  let low = 0;
  let high = times.length - 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (times[middle] <= at) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** A moment of a traced day; before its start the start, after its end the end. Undefined without a trace. */
export function momentAt(day: DayResult, seconds: number): Moment | undefined {
  const { trace } = day;
  if (!trace) return undefined;
  const timeS = Math.min(Math.max(seconds, 0), day.lengthS);
  const row = rowAt(trace.timeS, timeS);
  const next = Math.min(row + 1, trace.timeS.length - 1);
  const span = trace.timeS[next] - trace.timeS[row];
  const share = span > 0 ? Math.min((timeS - trace.timeS[row]) / span, 1) : 0;
  return {
    timeS,
    connected: trace.connected[row],
    phases: day.phases.filter((p) => p.fromS <= timeS && timeS < p.toS),
    vessels: day.vessels.map((v, i) => {
      const volumeM3 = trace.volumeM3[i][row] + (trace.volumeM3[i][next] - trace.volumeM3[i][row]) * share;
      return {
        tankIds: v.tankIds,
        name: v.name,
        water: v.water,
        volumeM3,
        share: v.full > 0 ? volumeM3 / v.full : 0,
        inM3s: trace.inM3s[i][row],
        outM3s: trace.outM3s[i][row],
      };
    }),
    guns: trace.outletIds.flatMap((outletId, i) => (trace.gunPa[i][row] > 0 ? [{ outletId, pressurePa: trace.gunPa[i][row] }] : [])),
    mixes: day.mixes.flatMap((m, i) => {
      const strength = trace.strength[i][row];
      return strength === null ? [] : [{ mixId: m.mixId, strength }];
    }),
  };
}
