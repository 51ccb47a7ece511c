import type { Cases } from './cases.js';
import { TiedTanks } from './tied-tanks.js';
import { TOUCH, VesselLaw } from './vessel-law.js';
import type { Vessel } from './vessels.js';

/** Water on board against time, by a straight job. */
export interface LevelSeries {
  /** s. */
  readonly timeS: readonly number[];
  /** Usable and unusable water together, m³. */
  readonly volumeM3: readonly number[];
}

/** How tanks that hang together fare while the same flows go on. */
export interface StraightRun {
  readonly series: LevelSeries;
  /** Until the first tank that washers draw on is at its heel, s; Infinity where none comes to it in the time given. */
  readonly dryS: number;
  /** Of each tank at the end, or when the first was dry, m³. */
  readonly volumes: readonly number[];
  /** Furthest that two of the tanks came to stand apart, m. */
  readonly apartM: number;
}

const ROWS = 60;
/** Shortest and longest step between tied tanks, s. */
const [SHORTEST, LONGEST] = [20, 1200];
/** Change of what crosses, of the flows at hand, over which the next step is shorter, and under which it is longer. */
const [SHORTER, LONGER] = [0.08, 0.03];

/** Step of tied tanks: short while what crosses changes, longer once it is steady. */
export class TieStep {
  private before = 0;
  seconds = SHORTEST;

  /** Before the first step of a run. */
  start(): void {
    this.before = 0;
    this.seconds = SHORTEST;
  }
  /** From now on other flows go on. */
  begin(): void {
    this.seconds = SHORTEST;
  }
  /** A step was taken with these flows by the ties, m³/s. */
  taken(crossing: Float64Array, scale: number): void {
    let now = 0;
    for (let i = 0; i < crossing.length; i++) now += Math.abs(crossing[i]);
    const change = Math.abs(now - this.before) / Math.max(scale, now, 1e-7);
    if (change < LONGER) this.seconds = Math.min(this.seconds * 2, LONGEST);
    else if (change > SHORTER) this.seconds = Math.max(this.seconds / 2, SHORTEST);
    this.before = now;
  }
}
const ENOUGH = 100_000;

/** What joins these vessels; undefined for one alone. */
export const tiesOf = (cases: Cases, vessels: readonly Vessel[]): TiedTanks | undefined =>
  vessels.length > 1
    ? new TiedTanks(
        cases,
        vessels.map((v) => v.tank),
      )
    : undefined;

/**
 * Levels of a tank, or of tanks tied together, by constant flows: a float valve shuts over its last travel, ties carry what
 * their levels drive. A tank at its heel gives no more; the levels stay as they then are.
 * @param into, out m³/s, by vessel given
 */
export function straightJob(
  cases: Cases,
  vessels: readonly Vessel[],
  into: readonly number[],
  out: readonly number[],
  jobS: number,
  ties = tiesOf(cases, vessels),
): StraightRun {
  if (vessels.length === 1) return alone(vessels[0], into[0], out[0], jobS);
  const n = vessels.length;
  const volumes = Float64Array.from(vessels, (v) => v.start);
  const laws = vessels.map(() => new VesselLaw());
  const net = new Float64Array(n);
  const crossing = new Float64Array(n + 1);
  const timeS = [0];
  const sum = (): number => {
    let all = 0;
    for (let v = 0; v < n; v++) all += volumes[v];
    return all;
  };
  const volumeM3 = [sum()];
  const pace = new TieStep();
  ties?.begin();
  const scale = out.reduce((s, q) => s + Math.abs(q), 0);
  let [time, dryS, apartM] = [0, Infinity, 0];
  let row = 1;
  for (let steps = 0; time < jobS && steps < ENOUGH; steps++) {
    const next = (jobS * row) / ROWS;
    let dt = next - time;
    if (Number.isFinite(dryS)) {
      time = next;
      timeS.push(time);
      volumeM3.push(sum());
      row++;
      continue;
    }
    if (ties) {
      dt = Math.min(dt, pace.seconds);
      for (let v = 0; v < n; v++) {
        laws[v].set(vessels[v], volumes[v], into[v], out[v]);
        net[v] = laws[v].rate;
      }
      ties.cross(volumes, net, dt, crossing);
      pace.taken(crossing, scale);
    }
    let untilDry = Infinity;
    for (let v = 0; v < n; v++) {
      const law = laws[v];
      law.set(vessels[v], volumes[v], into[v], out[v] - crossing[v]);
      if (vessels[v].drawn && out[v] > 0 && law.rate < 0)
        untilDry = Math.min(untilDry, volumes[v] <= vessels[v].heel + TOUCH ? 0 : law.timeTo(volumes[v], vessels[v].heel));
      dt = Math.min(dt, law.timeTo(volumes[v], vessels[v].full - vessels[v].band));
    }
    dt = Math.min(dt, untilDry);
    for (let v = 0; v < n; v++) volumes[v] = Math.max(laws[v].after(volumes[v], dt), 0);
    time += dt;
    if (ties) apartM = Math.max(apartM, ties.apart(volumes));
    if (dt === untilDry) dryS = time;
    if (time >= next - 1e-9) {
      time = next;
      timeS.push(time);
      volumeM3.push(sum());
      row++;
    }
  }
  return { series: { timeS, volumeM3 }, dryS, volumes: [...volumes], apartM };
}

/** As {@link straightJob} for one tank: between its limits its level follows one closed form. */
function alone(vessel: Vessel, into: number, out: number, jobS: number): StraightRun {
  const law = new VesselLaw();
  const timeS = [0];
  const volumeM3 = [vessel.start];
  let [since, volume, dryS] = [0, vessel.start, Infinity];
  const row = (): number => (jobS * timeS.length) / ROWS;
  for (let limits = 0; timeS.length <= ROWS && limits < ENOUGH; limits++) {
    law.set(vessel, volume, into, out);
    const falls = vessel.drawn && out > 0 && law.rate < 0;
    const untilDry = !falls ? Infinity : volume <= vessel.heel + TOUCH ? 0 : law.timeTo(volume, vessel.heel);
    const until = Math.min(untilDry, law.timeTo(volume, vessel.full - vessel.band));
    for (let next = row(); timeS.length <= ROWS && next < since + until; next = row()) {
      timeS.push(next);
      volumeM3.push(Math.max(law.after(volume, next - since), 0));
    }
    if (timeS.length > ROWS) break;
    volume = Math.max(law.after(volume, until), 0);
    since += until;
    if (until !== untilDry) continue;
    dryS = since;
    for (let next = row(); timeS.length <= ROWS; next = row()) {
      timeS.push(next);
      volumeM3.push(volume);
    }
  }
  return { series: { timeS, volumeM3 }, dryS, volumes: [volumeM3[volumeM3.length - 1]], apartM: 0 };
}
