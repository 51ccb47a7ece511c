import type { AsTold } from '../working/figure.js';
import { assumptionValues } from '../assumption/register.js';
import { levelOf } from '../rig/tank-shape.js';
import type { Rig } from '../rig/schema.js';
import { deckLoad } from '../solve/deck-load.js';
import { Stocks } from '../solve/stock.js';
import type { Finding } from '../subject/finding.js';
import { weightFindings } from '../subject/weight/findings.js';
import type { WeightResult, WeightState } from '../subject/weight/result.js';
import { ratedOn, stateOf } from '../subject/weight/states.js';
import { message } from '../working/figure.js';
import type { DayResult } from './types.js';

/** A state of a day, and when it was, s after the day's start. */
export interface DayWeightState extends WeightState {
  readonly atS: number;
}

/** What a worked day puts on axles and coupling. */
export interface DayWeight {
  /** `end`, then the worst minute of driving for each limit: `worst:gross`, `worst:axle-1`, `worst:tongue-least` … */
  readonly states: readonly DayWeightState[];
  /** Over the whole day: axles and coupling, kg, and whether the rig was driving. */
  readonly track: {
    readonly timeS: readonly number[];
    readonly axles: readonly (readonly number[])[];
    readonly tongue: readonly number[];
    readonly driving: readonly boolean[];
  };
}

/** What the states of a day and those of the rig itself, as assessed, tell together. */
export const dayWeightFindings = (rig: Rig, weight: AsTold<WeightResult>, day: DayWeight): readonly Finding[] =>
  weightFindings(rig, { ...weight, states: [...weight.states, ...day.states] }, assumptionValues(rig.assumptions));

/** Axles and coupling through a day that was worked. Undefined for a rig without a platform, or a day without its trace. */
export function weighDay(rig: Rig, day: DayResult): DayWeight | undefined {
  const { platform } = rig;
  const { trace } = day;
  if (!platform || !trace) return undefined;
  const values = assumptionValues(rig.assumptions);
  const load = deckLoad(rig, new Stocks(rig, values))!;
  const rated = ratedOn(platform);
  const drives = day.phases.filter((p) => p.kind === 'drive' || p.kind === 'refill');
  const row = new Map<string, number>();
  day.vessels.forEach((v, i) => v.tankIds.forEach((id) => void (row.has(id) || row.set(id, i))));
  // Vessels stand as the tanks do, one for each.
  const one = trace.volumeM3.length === rig.tanks.length;
  const levelsAt = (k: number): number[] => rig.tanks.map((t, i) => levelOf(t.shape, trace.volumeM3[one ? i : row.get(t.id)!]?.[k] ?? 0));
  const store = new Map(day.fuels.map((f, i) => [f.id, i]));
  const fuelAt =
    (k: number) =>
    (id: string): number => {
      const i = store.get(id);
      // What nothing drinks from stays full.
      return i === undefined ? 1 : (trace.fuel[i]?.[k] ?? 1);
    };
  const at = trace.timeS.map((s, k): DayWeightState => ({
    ...stateOf(platform, rated, load, { id: `at:${s}`, name: message('On the road'), levels: levelsAt(k), fuel: fuelAt(k) }),
    driven: true,
    atS: s,
  }));
  const driving = trace.timeS.map((s) => drives.some((p) => s >= p.fromS - 1e-6 && s <= p.toS + 1e-6));
  const onRoad = at.filter((_, k) => driving[k]);
  const worst = (id: string, name: string, of: (s: WeightState) => number | undefined): DayWeightState[] => {
    let out: DayWeightState | undefined;
    let most = -Infinity;
    for (const s of onRoad) {
      const v = of(s);
      if (v !== undefined && v > most) [out, most] = [s, v];
    }
    return out ? [{ ...out, id: `worst:${id}`, name: message(`${name}, {clock} into the day`, { clock: { value: out.atS, dimension: 'time' } }) }] : [];
  };
  const last = at[at.length - 1];
  const states = [
    ...(last ? [{ ...last, id: 'end', name: message('As the day ends') }] : []),
    ...worst('gross', 'Heaviest on the road', (s) => s.massKg),
    ...platform.axles.flatMap((_, i) => worst(`axle-${i + 1}`, `Most on axle ${i + 1}`, (s) => s.axles[i])),
    ...worst('tongue-most', 'Most on the ‹coupler›', (s) => s.tongueShare),
    ...worst('tongue-least', 'Least on the ‹coupler›', (s) => (s.tongueShare === undefined ? undefined : -s.tongueShare)),
    ...worst('steer', 'Least on the steering axle', (s) => (s.steerShare === undefined ? undefined : -s.steerShare)),
    ...worst('side', 'Most to one side', (s) => Math.abs(s.streetShare - 0.5)),
    ...worst('rollover', 'Easiest to tip', (s) => -s.rolloverG),
  ];
  return {
    states,
    track: { timeS: trace.timeS, axles: platform.axles.map((_, i) => at.map((s) => s.axles[i])), tongue: at.map((s) => s.tongueKg ?? 0), driving },
  };
}
