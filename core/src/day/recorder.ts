import type { DayModel } from './model.js';
import type { Rates } from './rates.js';
import type { DayTally } from './tally.js';
import type { DayTrace, PhaseRun } from './types.js';
import { VesselLaw } from '../solve/vessel-law.js';

/** Looks on while a day is worked through. Times are read off the simulator. */
export interface Recorder {
  begin(day: DayTally): void;
  /** Before a step of `dt` s is taken with these rates. */
  step(day: DayTally, rates: Rates, dt: number, connected: boolean): void;
  phaseBegins(day: DayTally, job: number, phase: number): void;
  phaseEnds(day: DayTally, job: number, phase: number): void;
  phaseWaits(job: number, phase: number, seconds: number): void;
  phaseUndone(job: number, phase: number, seconds: number): void;
  end(day: DayTally): void;
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

/** Everything about one day, for charts and for looking at a minute. */
export class TraceRecorder implements Recorder {
  readonly phases: Mutable<PhaseRun>[] = [];
  private readonly rows: { t: number; v: number[]; i: number[]; o: number[]; s: number[]; g: number[]; c: boolean; b: number[]; f: number[] }[] = [];
  private readonly law = new VesselLaw();

  constructor(private readonly model: DayModel) {}

  begin(): void {
    this.phases.length = 0;
    this.rows.length = 0;
  }
  step(day: DayTally, rates: Rates, dt: number, connected: boolean): void {
    const { into, out } = rates;
    const row = { i: [...into], o: [...out], s: [...rates.strength], g: [...rates.gun], c: connected, ...this.energy(day) };
    this.rows.push({ t: day.time, v: [...day.volume], ...row });
    // A float valve bends its line: points between draw it.
    if (dt < 90) return;
    const between = Math.min(Math.ceil(dt / 60), 40);
    for (let k = 1; k < between; k++) {
      const at = (dt * k) / between;
      this.rows.push({
        t: day.time + at,
        v: this.model.vessels.map((vessel, v) => {
          this.law.set(vessel, day.volume[v], into[v], out[v]);
          return Math.max(this.law.after(day.volume[v], at), 0);
        }),
        ...row,
      });
    }
  }
  private energy(day: DayTally): { b: number[]; f: number[] } {
    const { banks, stores } = this.model.energy;
    return { b: banks.map((x, i) => (x.usableAs > 0 ? Math.max(day.batteryLeft[i], 0) / x.usableAs : 0)), f: stores.map((x, i) => day.fuelLeft[i] / x.fullKg) };
  }
  phaseBegins(day: DayTally, job: number, phase: number): void {
    const p = this.model.jobs[job].phases[phase];
    this.phases.push({
      job,
      phase,
      kind: p.kind,
      crew: p.crew,
      fromS: day.time,
      toS: NaN,
      waitedS: 0,
      undoneS: 0,
      outletId: this.model.rig.outlets[p.outlet]?.id,
      mixId: this.model.soft[p.mix]?.mixId,
    });
  }
  private run(job: number, phase: number): Mutable<PhaseRun> {
    return this.phases.find((r) => r.job === job && r.phase === phase)!;
  }
  phaseEnds(day: DayTally, job: number, phase: number): void {
    this.run(job, phase).toS = day.time;
  }
  phaseWaits(job: number, phase: number, seconds: number): void {
    this.run(job, phase).waitedS += seconds;
  }
  phaseUndone(job: number, phase: number, seconds: number): void {
    this.run(job, phase).undoneS += seconds;
  }
  end(day: DayTally): void {
    const none = this.model.vessels.map(() => 0);
    this.rows.push({
      t: day.time,
      v: [...day.volume],
      i: none,
      o: none,
      s: this.model.soft.map(() => NaN),
      g: this.model.rig.outlets.map(() => 0),
      c: false,
      ...this.energy(day),
    });
  }

  trace(): DayTrace {
    const { rows, model } = this;
    return {
      timeS: rows.map((r) => r.t),
      volumeM3: model.vessels.map((_, v) => rows.map((r) => r.v[v])),
      inM3s: model.vessels.map((_, v) => rows.map((r) => r.i[v])),
      outM3s: model.vessels.map((_, v) => rows.map((r) => r.o[v])),
      strength: model.soft.map((_, k) => rows.map((r) => (Number.isNaN(r.s[k]) ? null : r.s[k]))),
      outletIds: model.rig.outlets.map((o) => o.id),
      gunPa: model.rig.outlets.map((_, o) => rows.map((r) => r.g[o])),
      connected: rows.map((r) => r.c),
      battery: model.energy.banks.map((_, b) => rows.map((r) => r.b[b])),
      fuel: model.energy.stores.map((_, f) => rows.map((r) => r.f[f])),
    };
  }
}

/** Bins of a level's histogram: shares of a full vessel. */
export const LEVEL_BINS = 200;

/** Levels at even times of the day, counted into bins: whole numbers, so that parts of a sample add up in any order. */
export class LevelCounter implements Recorder {
  /** Vessel by vessel, time by time, bin by bin. */
  readonly counts: Uint32Array;
  private next = 0;
  private readonly law = new VesselLaw();

  constructor(
    private readonly model: DayModel,
    /** s. */
    readonly times: readonly number[],
  ) {
    this.counts = new Uint32Array(model.vessels.length * times.length * LEVEL_BINS);
  }

  private count(v: number, at: number, volume: number): void {
    const share = volume / this.model.vessels[v].full;
    const bin = Math.min(Math.max(Math.floor(share * LEVEL_BINS), 0), LEVEL_BINS - 1);
    this.counts[(v * this.times.length + at) * LEVEL_BINS + bin]++;
  }
  begin(): void {
    this.next = 0;
  }
  step(day: DayTally, { into, out }: Rates, dt: number): void {
    const { times, model, law } = this;
    while (this.next < times.length && times[this.next] < day.time + dt) {
      const at = times[this.next] - day.time;
      for (let v = 0; v < model.vessels.length; v++) {
        law.set(model.vessels[v], day.volume[v], into[v], out[v]);
        this.count(v, this.next, Math.max(law.after(day.volume[v], at), 0));
      }
      this.next++;
    }
  }
  phaseBegins(): void {}
  phaseEnds(): void {}
  phaseWaits(): void {}
  phaseUndone(): void {}
  end(day: DayTally): void {
    for (; this.next < this.times.length; this.next++) for (let v = 0; v < this.model.vessels.length; v++) this.count(v, this.next, day.volume[v]);
  }
}
