import { WATER_KG_M3, WATER_SPECIFIC_HEAT } from '../fluid/water.js';
import { DayRandom, triangular } from './random.js';
import type { DayModel, Planned, PlannedJob } from './model.js';
import { type Going, Rates } from './rates.js';
import { reaches } from './reach.js';
import type { Recorder } from './recorder.js';
import { DayTally } from './tally.js';
import { TieStep } from '../solve/straight-job.js';
import { TOUCH, VesselLaw } from '../solve/vessel-law.js';
import { tidy } from './tidy.js';
import { WaterStates } from './water-states.js';

const RHO_C = WATER_KG_M3 * WATER_SPECIFIC_HEAT;
const BOILING = 373.15;
const MOST_STEPS = 40_000;
/** Steps after which whoever works a day may look up: some milliseconds. */
const STEPS_AT_ONCE = 1000;
/** Longest step while a chemical level or a temperature moves its own rates. */
const FINE = 1 / 16;
const FINE_S = 300;
/** Tied tanks closer than this stand level, m. */
const LEVEL_M = 1e-4;
/** Change of a flow that counts as other work, of its size. */
const NEWS = 0.2;
/** Share of a tank that dumping leaves. */
const EMPTY = 1e-4;

/** A day's draw of what varies. Left out, everything takes its usual value. */
export interface DayDraw {
  readonly seed: number;
  readonly day: number;
}

/** A job that is being worked. */
interface Begun {
  readonly job: PlannedJob;
  /** A spigot gives water here. */
  readonly tap: boolean;
  /** By phase: what is left of it, s, and how much of it a trigger is held. */
  readonly left: Float64Array;
  readonly trigger: Float64Array;
  readonly place: ReturnType<typeof WaterStates.place>;
  /** By one of the crew: place in its queue. */
  readonly turn: number[];
  /** By phase: whether it was begun. */
  readonly phases: Uint8Array;
  readonly active: number[];
  connected: boolean;
  /** How much longer anybody waits for water, s. */
  patience: number;
  /** Taken so far. */
  steps: number;
}

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/**
 * Works a rig's day through, event by event. Within a step every rate is constant, or for a float valve bends by its own
 * exponential, and a step ends exactly where a level meets a limit or a phase its end, so nothing passes a limit unseen and
 * volumes balance to rounding. Chemical streams and temperatures, whose rates hang on levels, take short steps with the
 * rates of the step's middle. Everything it tallies stays until the next run.
 */
export class Simulator extends DayTally {
  private readonly random = new DayRandom();
  private readonly law = new VesselLaw();
  private readonly rates: Rates;
  /** Of each vessel and each machine's loop, K. */
  private readonly warm: Float64Array;
  private readonly loop: Float64Array;
  /** Drawn to its heel, not yet filled enough to work on. */
  private readonly short: Uint8Array;
  /** Volume of its vessel at which each machine starves. */
  private readonly starve: Float64Array;
  private readonly middle: Float64Array;
  /** Of the step at hand: what holds up each phase, and what goes on; made once, filled anew each step. */
  private readonly held: number[] = [];
  private readonly phases: number[] = [];
  private readonly going: Writable<Going>;
  /** Of each group of tied tanks: volumes, what else moves them, what crosses. */
  private readonly tied: readonly { readonly held: Float64Array; readonly net: Float64Array; readonly crossing: Float64Array; readonly pace: TieStep }[];
  /** By mix: strength of the day's stock against what it is reckoned at. */
  private readonly stock: Float64Array;
  /** Place of the day's season in the model. */
  season = 0;
  private cool = 293.15;
  /** Somebody waited in the last step. */
  private waitedNow = false;
  /** Whether what varies is drawn for the day. */
  private draws = false;
  private recorder: Recorder | undefined;
  /** The job at hand, by its place, and how far it is; undefined between two. */
  private at = -1;
  private begun: Begun | undefined;

  constructor(model: DayModel) {
    super(model);
    this.rates = new Rates(model);
    this.going = { job: model.jobs[0], phases: this.phases, trigger: new Float64Array(0), connected: false, place: WaterStates.place(1) };
    this.warm = new Float64Array(model.vessels.length);
    this.short = new Uint8Array(model.vessels.length);
    this.middle = new Float64Array(model.vessels.length);
    this.stock = new Float64Array(model.soft.length);
    this.tied = model.ties.map(({ vessels: { length } }) => ({
      held: new Float64Array(length),
      net: new Float64Array(length),
      crossing: new Float64Array(length + 1),
      pace: new TieStep(),
    }));
    this.loop = new Float64Array(model.rig.machines.length);
    this.starve = new Float64Array(model.rig.machines.length);
  }

  /** Works one day through. */
  run(draw?: DayDraw, recorder?: Recorder): void {
    this.begin(draw, recorder);
    while (!this.goOn());
  }

  /** Begins a day; {@link goOn} works it. */
  begin(draw?: DayDraw, recorder?: Recorder): void {
    const { model, random } = this;
    const { spread } = model;
    if (draw) random.start(draw.seed, draw.day);
    this.draws = draw !== undefined;
    this.recorder = recorder;
    const { seasons } = spread;
    // A number is drawn for the season only where there is a choice.
    this.season = draw && seasons.length > 1 ? Math.floor(random.next() * seasons.length) : 0;
    const season = seasons[this.season];
    // Where the whole year is worked, the usual day meets the brief's own water.
    const inSeason = draw || seasons.length === 1;
    this.reset(inSeason ? this.vary(season.water) : model.rig.brief.water, this.vary(spread.stock), inSeason ? season.aged : model.soft.map(() => 1));
    this.at = -1;
    this.begun = undefined;
    recorder?.begin(this);
  }

  /**
   * Works the day that was begun further, until something of the rig had to be solved for it or so many steps are done: at
   * most some milliseconds, then a worker may look up.
   * @returns whether the day is over
   */
  goOn(): boolean {
    const { water } = this.model;
    const solved = water.solved;
    for (let steps = 0; steps < STEPS_AT_ONCE && water.solved === solved;) {
      if (!this.begun && !this.nextJob()) {
        this.recorder?.end(this);
        return true;
      }
      steps += this.work(STEPS_AT_ONCE - steps, solved);
    }
    return false;
  }

  private vary(x: readonly [number, number, number]): number {
    return this.draws ? triangular(this.random.next(), x[0], x[1], x[2]) : x[1];
  }

  /** Draws what the next job meets; false where there is none. */
  private nextJob(): boolean {
    const { model, random, draws } = this;
    const { spread } = model;
    if (!this.settled || ++this.at >= model.jobs.length) return false;
    const job = model.jobs[this.at];
    const season = spread.seasons[this.season];
    // Numbers are drawn alike whatever the rig, so that two ways of building meet the same day.
    // The usual day finds the tap as most sites have it.
    const dry = draws ? random.next() < season.dry : season.dry > 0.5;
    const factor = this.vary(spread.spigot);
    const distance = spread.distance ? this.vary(spread.distance) : 0;
    const height = spread.height ? this.vary(spread.height) : 0;
    const left = new Float64Array(job.phases.length);
    const trigger = new Float64Array(job.phases.length);
    for (let p = 0; p < job.phases.length; p++) {
      left[p] = job.phases[p].time * this.vary(spread.time);
      trigger[p] = Math.min(Math.max(job.phases[p].trigger * this.vary(spread.trigger), 0), 1);
    }
    this.outOfReach(job, distance, height);
    for (let v = 0; v < this.short.length; v++) if (this.volume[v] > model.vessels[v].heel + TOUCH) this.short[v] = 0;
    const tap = job.tap && !dry;
    this.begun = {
      job,
      tap,
      left,
      trigger,
      place: WaterStates.place(factor),
      turn: job.queues.map(() => 0),
      phases: new Uint8Array(job.phases.length),
      active: [],
      connected: tap && !job.connects,
      patience: model.values['day-patience'],
      steps: 0,
    };
    return true;
  }

  private reset(waterK: number, stock: number, aged: ArrayLike<number>): void {
    const { model } = this;
    this.clear(waterK);
    for (let k = 0; k < this.stock.length; k++) this.stock[k] = stock * aged[k];
    this.cool = waterK;
    this.short.fill(0);
    for (let g = 0; g < this.tied.length; g++) {
      const { net, pace } = this.tied[g];
      net.fill(0);
      pace.start();
      model.ties[g].tanks.begin();
    }
    this.warm.fill(waterK);
    this.loop.fill(waterK);
    const lost = model.vapourLoss(waterK);
    for (let m = 0; m < this.starve.length; m++) this.starve[m] = model.water.source[m] >= 0 ? model.water.starvesAt(m, lost) : 0;
  }

  /** Tells which hands of a job do not get to its far corner, or bring nothing there; the job is worked all the same. */
  private outOfReach(job: PlannedJob, distance: number, height: number): void {
    const { model } = this;
    const { rig, values, shortOf, reach, soft } = model;
    for (const p of job.phases) {
      const { reach: own, dry } = p.mix >= 0 ? soft[p.mix] : { reach: undefined, dry: false };
      if (own) {
        if (shortOf.softReach[p.mix] >= 0 && (dry || !reaches(own, rig, values, distance, height))) this.mark(shortOf.softReach[p.mix]);
      } else if (p.outlet >= 0 && shortOf.reach[p.outlet] >= 0 && !reaches(reach[p.outlet], rig, values, distance, height)) this.mark(shortOf.reach[p.outlet]);
    }
  }

  /**
   * The job that was begun, further: to its last phase, or until so many steps are done or something was solved for it.
   * @returns steps done
   */
  private work(most: number, solved: number): number {
    const begun = this.begun!;
    const { job, left, turn, phases, active } = begun;
    const { at, recorder, going } = this;
    const { water } = this.model;
    let { connected, patience } = begun;
    let steps = 0;
    for (; steps < most && water.solved === solved; steps++) {
      if (begun.steps + steps > MOST_STEPS) {
        this.settled = false;
        this.begun = undefined;
        return steps;
      }
      let count = 0;
      let driving = false;
      for (let c = 0; c < turn.length; c++) {
        const p = job.queues[c][turn[c]];
        if (p === undefined || among(active, count, p)) continue;
        // Nobody starts a phase for all before everyone has come to it.
        if (job.phases[p].crew === 0 && !allAt(job, turn, p)) continue;
        active[count++] = p;
        driving ||= job.phases[p].kind === 'drive';
        if (!phases[p]) {
          phases[p] = 1;
          recorder?.phaseBegins(this, at, p);
        }
      }
      cutTo(active, count);
      if (count === 0) {
        this.afterJob(job);
        this.begun = undefined;
        return steps + 1;
      }
      if (driving) this.carriedMost = Math.max(this.carriedMost, this.waterOnBoard());
      going.job = job;
      going.trigger = begun.trigger;
      going.connected = connected && !driving;
      going.place = begun.place;
      const dt = this.step(at, active, left, patience, recorder);
      if (this.waitedNow) patience -= dt;
      for (const p of active) {
        if (left[p] > 1e-9) continue;
        recorder?.phaseEnds(this, at, p);
        const { kind } = job.phases[p];
        if (kind === 'connect') connected = begun.tap;
        if (kind === 'drive') connected = begun.tap && !job.connects;
        for (let c = 0; c < turn.length; c++) if (job.queues[c][turn[c]] === p) turn[c]++;
      }
    }
    begun.connected = connected;
    begun.patience = patience;
    begun.steps += steps;
    return steps;
  }

  /** What holds a phase up now: the place of the shortage, −1 for nothing. */
  private holdUp(p: Planned): number {
    const { shortOf, energy } = this.model;
    const { drinkers } = energy;
    for (const v of p.needs) if (this.short[v]) return shortOf.vessel[v];
    for (const b of p.banks) if (this.batteryLeft[b] <= 0) return shortOf.battery[b];
    for (const d of p.drinkers) if (this.fuelLeft[drinkers[d].store] <= drinkers[d].deadKg) return shortOf.fuel[drinkers[d].store];
    return -1;
  }

  /** One step to the next event; gives its length, s. */
  private step(at: number, active: readonly number[], left: Float64Array, patience: number, recorder: Recorder | undefined): number {
    const { volume, rates, going, held, phases } = this;
    const { energy } = this.model;
    const { job } = going;
    let done = false;
    for (const p of active)
      if (left[p] > 0 && this.reached(job.phases[p])) {
        left[p] = 0;
        done = true;
      }
    if (done) return 0;
    let soft = false;
    let count = 0;
    for (let i = 0; i < active.length; i++) {
      held[i] = this.holdUp(job.phases[active[i]]);
      if (held[i] >= 0) continue;
      phases[count++] = active[i];
      if (job.phases[active[i]].mix >= 0) soft = true;
    }
    cutTo(phases, count);
    rates.set(going, volume, this.stock, this.stored(), this.batteryLeft);
    let dt = this.tie(this.tieStep());
    // Held up: wait while the water comes back, else leave the rest undone.
    this.waitedNow = false;
    for (let i = 0; i < active.length; i++) {
      if (held[i] < 0) continue;
      const p = active[i];
      const phase = job.phases[p];
      const hope =
        phase.needs.every((v) => !this.short[v] || rates.into[v] > rates.out[v] + 1e-12) &&
        phase.banks.every((b) => this.batteryLeft[b] > 0) &&
        phase.drinkers.every((d) => this.fuelLeft[energy.drinkers[d].store] > energy.drinkers[d].deadKg);
      if (!hope || patience <= 0) {
        this.undone += left[p];
        this.mark(held[i], left[p]);
        recorder?.phaseUndone(at, p, left[p]);
        left[p] = 0;
        return 0;
      }
      this.waitedNow = true;
      dt = Math.min(dt, patience);
    }
    for (const p of going.phases) dt = Math.min(dt, left[p]);
    dt = this.untilEvent(going, dt);
    if (dt > 0 && (soft || this.any(going, 'dump'))) dt = this.toTheMiddle(going, dt);
    this.advance(going, dt, recorder);
    for (const p of going.phases) left[p] -= dt;
    for (let i = 0; i < active.length; i++) {
      if (held[i] < 0) continue;
      this.waited += dt;
      this.mark(held[i], dt);
      recorder?.phaseWaits(at, active[i], dt);
    }
    this.arrive(going, left);
    return dt;
  }

  /** The next thing that happens to a level, a battery, a fuel tank or a loop, within `dt` s. */
  private untilEvent(going: Going, dt: number): number {
    const { model, volume, law, rates } = this;
    const { vessels } = model;
    const { into, out } = rates;
    const soft = this.any(going, 'soft');
    for (let v = 0; v < vessels.length; v++) {
      // What stands still meets nothing.
      if (into[v] === 0 && out[v] === 0) {
        if (rates.heat[v] > 0) dt = Math.min(dt, FINE_S);
        continue;
      }
      const vessel = vessels[v];
      law.set(vessel, volume[v], into[v], out[v]);
      if (law.rate < 0 && out[v] > 0) dt = Math.min(dt, law.timeTo(volume[v], this.floorOf(going, v)));
      dt = Math.min(dt, law.timeTo(volume[v], vessel.full - vessel.band));
      if (this.short[v]) dt = Math.min(dt, law.timeTo(volume[v], this.restartOf(v)));
      for (let m = 0; m < this.starve.length; m++)
        if (rates.running & (1 << m) && model.water.source[m] === v) dt = Math.min(dt, law.timeTo(volume[v], this.starve[m]));
      if (rates.running && model.water.bands[v].length) dt = Math.min(dt, this.untilBand(v));
      if (rates.dumped[v] > 0) dt = Math.min(dt, (vessel.full * FINE) / rates.dumped[v]);
      if (soft && !vessel.water && out[v] > 0) dt = Math.min(dt, (vessel.full * FINE) / out[v]);
      if (rates.heat[v] > 0) dt = Math.min(dt, FINE_S);
      if (into[v] > 0 && rates.refilling[v]) dt = Math.min(dt, (vessel.full - volume[v]) / into[v]);
    }
    for (let b = 0; b < rates.current.length; b++)
      if (rates.current[b] > 0 && this.batteryLeft[b] > 0) dt = Math.min(dt, this.batteryLeft[b] / rates.current[b]);
    for (let c = 0; c < rates.air.length; c++) if (rates.air[c] > 0 && this.airLeft[c] > 0) dt = Math.min(dt, this.airLeft[c] / rates.air[c]);
    dt = this.untilFuel(dt);
    dt = Math.min(dt, this.loopLimit());
    return Number.isFinite(dt) ? dt : 0;
  }

  /** Compressors whose receiver holds air, as bits. */
  private stored(): number {
    let bits = 0;
    for (let c = 0; c < this.airLeft.length; c++) if (this.airLeft[c] > 0) bits |= 1 << c;
    return bits;
  }

  /** Until a vessel whose level decides what a pump gets stands in another band, s. */
  private untilBand(v: number): number {
    const { law, volume } = this;
    let dt = Infinity;
    for (const edge of this.model.water.bands[v]) dt = Math.min(dt, law.rate < 0 ? law.timeTo(volume[v], edge) : law.timeTo(volume[v], edge + 3 * TOUCH));
    return dt;
  }

  /** Until a store is down to where it no longer runs to something that drinks from it, s. */
  private untilFuel(dt: number): number {
    const { drinkers } = this.model.energy;
    const { fuel } = this.rates;
    for (let d = 0; d < drinkers.length; d++) {
      const { store, deadKg } = drinkers[d];
      if (store >= 0 && fuel[store] > 0 && this.fuelLeft[store] > deadKg) dt = Math.min(dt, (this.fuelLeft[store] - deadKg) / fuel[store]);
    }
    return dt;
  }

  /** What a job takes besides: reels wound, engines started, A s. */
  private afterJob(job: PlannedJob): void {
    const { winding, startsOfMachine, startsOfMix } = this.model.energy;
    let machines = 0;
    let mixes = 0;
    for (const p of job.phases) {
      machines |= p.machines;
      if (p.mix >= 0) mixes |= 1 << p.mix;
    }
    for (let b = 0; b < this.batteryLeft.length; b++) {
      let taken = winding[b];
      for (let m = 0; m < startsOfMachine.length; m++) if (machines & (1 << m)) taken += startsOfMachine[m][b];
      for (let k = 0; k < startsOfMix.length; k++) if (mixes & (1 << k)) taken += startsOfMix[k][b];
      this.batteryLeft[b] = Math.max(this.batteryLeft[b] - taken, 0);
      if (this.batteryLeft[b] < this.batteryLowest[b]) this.batteryLowest[b] = this.batteryLeft[b];
    }
  }

  /** Longest step that the ties allow, s. */
  private tieStep(): number {
    let dt = Infinity;
    for (let g = 0; g < this.tied.length; g++) dt = Math.min(dt, this.tied[g].pace.seconds);
    return dt;
  }

  /**
   * Adds what crosses between tied tanks in a step of `dt` s to what goes out of each. What comes in by a tie is so much less
   * that goes out: no float valve stands in its way.
   * @returns `dt` where anything crosses, else Infinity
   */
  private tie(dt: number, again = false): number {
    const { model, volume, law, rates } = this;
    let moves = false;
    for (let g = 0; g < model.ties.length; g++) {
      const { vessels, tanks } = model.ties[g];
      const { held, net, crossing, pace } = this.tied[g];
      let scale = 0;
      let changed = false;
      for (let i = 0; i < vessels.length; i++) {
        const v = vessels[i];
        held[i] = volume[v];
        law.set(model.vessels[v], volume[v], rates.into[v], rates.out[v]);
        const now = model.vessels[v].band > 0 ? law.rate : rates.into[v] - rates.out[v];
        if (Math.abs(now - net[i]) > NEWS * (Math.abs(now) + Math.abs(net[i]))) changed = true;
        net[i] = now;
        scale += Math.abs(now);
      }
      if (scale === 0 && tanks.apart(held) < LEVEL_M) continue;
      // Other work, other flows: the step is short again, and so is this one.
      if (changed && !again) {
        pace.begin();
        dt = Math.min(dt, pace.seconds);
      }
      tanks.cross(held, net, dt, crossing);
      if (!again) pace.taken(crossing, scale);
      for (let i = 0; i < vessels.length; i++) rates.out[vessels[i]] -= tidy(crossing[i]);
      moves = true;
    }
    return moves ? dt : Infinity;
  }

  /** Sets the rates of the step's middle, which carry chemical levels to second order; shorter where a heel then comes sooner. */
  private toTheMiddle(going: Going, dt: number): number {
    const { volume, law, rates, middle } = this;
    const { vessels } = this.model;
    for (let v = 0; v < vessels.length; v++) middle[v] = Math.max(volume[v] + ((rates.into[v] - rates.out[v]) * dt) / 2, 0);
    rates.set(going, middle, this.stock, this.stored(), this.batteryLeft);
    this.tie(dt, true);
    for (let v = 0; v < vessels.length; v++) {
      law.set(vessels[v], volume[v], rates.into[v], rates.out[v]);
      if (law.rate < 0 && rates.out[v] > 0) dt = Math.min(dt, law.timeTo(volume[v], this.floorOf(going, v)));
    }
    return dt;
  }

  /** Lowest that the work at hand may draw a vessel: its heel, or what its dump leaves while it is dumped. */
  private floorOf({ job, phases }: Going, v: number): number {
    for (const p of phases) if (job.phases[p].kind === 'dump') return this.model.dump[v]?.stays ?? 0;
    return this.model.vessels[v].heel;
  }

  private restartOf(v: number): number {
    const { heel, full, band } = this.model.vessels[v];
    return Math.min(heel + this.model.values['day-restart'] * (full - heel), full - band);
  }

  /** Time until a machine's own loop meets its limit, s. */
  private loopLimit(): number {
    const { model, rates } = this;
    let dt = Infinity;
    for (let m = 0; m < this.loop.length; m++) {
      if (!(rates.loopHeat[m] > 0) || rates.through[m] > 1e-9) continue;
      const rate = rates.loopHeat[m] / (RHO_C * model.water.loopM3[m]);
      const room = model.values['bypass-limit'] - this.loop[m];
      if (room > 1e-6) dt = Math.min(dt, room / rate);
    }
    return dt;
  }

  /** Takes a step of `dt` s. */
  private advance(going: Going, dt: number, recorder: Recorder | undefined): void {
    const { model, rates } = this;
    const { energy } = model;
    const breathless = (k: number): boolean => energy.softCompressor[k] < 0 || rates.airShare[energy.softCompressor[k]] < 0.999;
    recorder?.step(this, rates, dt, going.connected);
    this.moveWater(dt);
    for (let k = 0; k < model.soft.length; k++) if (rates.strength[k] >= 0 && model.soft[k].air > 0 && breathless(k)) this.mark(model.shortOf.air[k]);
    for (let k = 0; k < model.soft.length; k++) if (rates.strength[k] >= 0) this.sprayed(k, rates.sprayed[k] * dt, rates.strength[k]);
    if (dt > 0) for (let o = 0; o < this.gunLow.length; o++) if (rates.gun[o] > 0 && rates.gun[o] < this.gunLow[o]) this.gunLow[o] = rates.gun[o];
    for (let b = 0; b < this.batteryLeft.length; b++) {
      this.batteryLeft[b] = Math.min(this.batteryLeft[b] - rates.current[b] * dt, energy.banks[b].usableAs);
      if (this.batteryLeft[b] < this.batteryLowest[b]) this.batteryLowest[b] = this.batteryLeft[b];
    }
    for (let c = 0; c < this.airLeft.length; c++) {
      this.airLeft[c] = Math.min(this.airLeft[c] - rates.air[c] * dt, energy.compressors[c].receiver);
      if (this.airLeft[c] < this.airLowest[c]) this.airLowest[c] = Math.max(this.airLeft[c], 0);
    }
    for (let f = 0; f < this.fuelLeft.length; f++) {
      // A burner goes on asking of a tank that is dry, and its water stays cold.
      const burnt = Math.min(rates.fuel[f] * dt, this.fuelLeft[f]);
      this.fuelLeft[f] -= burnt;
      this.fuelUsed[f] += burnt;
    }
    this.fuelUsed[this.fuelLeft.length] += rates.fuel[this.fuelLeft.length] * dt;
    this.warmLoops(dt);
    for (let m = 0; m < this.starve.length; m++) if (rates.thirsty & (1 << m)) this.mark(model.shortOf.feed[m]);
    this.time += dt;
  }

  /** Volumes and temperatures of the vessels, and where the water went. */
  private moveWater(dt: number): void {
    const { model, volume, law, rates } = this;
    const { vessels } = model;
    for (let v = 0; v < vessels.length; v++) {
      if (rates.into[v] === 0 && rates.out[v] === 0 && rates.heat[v] === 0) continue;
      const before = volume[v];
      law.set(rates.refilling[v] ? { full: vessels[v].full, band: 0 } : vessels[v], before, rates.into[v], rates.out[v]);
      const after = Math.max(law.after(before, dt), 0);
      volume[v] = after;
      // What the float let in is what balances the rest.
      const gave = rates.out[v] * dt;
      const came = after - before + gave;
      if (vessels[v].water) {
        if (rates.refilling[v]) this.refilled += came;
        else this.filled += came;
        const dump = rates.dumped[v] * dt;
        this.dumped += dump;
        this.used += gave - dump;
      }
      if (after < this.lowest[v]) this.lowest[v] = after;
      const middle = (before + after) / 2;
      if (middle > 1e-6) {
        const rate = (rates.heat[v] / RHO_C + (came / Math.max(dt, 1e-9)) * (this.cool - this.warm[v])) / middle;
        this.warm[v] = Math.max(this.warm[v] + rate * dt, this.cool);
      }
    }
  }

  /** Water in front of each machine: in its loop while it turns round there, else as its tank has it. */
  private warmLoops(dt: number): void {
    const { model, rates, loop } = this;
    for (let m = 0; m < loop.length; m++) {
      if (!(rates.running & (1 << m))) {
        loop[m] = this.cool;
        continue;
      }
      const v = model.water.source[m];
      const fed = v >= 0 ? this.warm[v] : this.cool;
      const heat = rates.loopHeat[m];
      if (!(model.water.loopM3[m] > 0 && heat > 0)) loop[m] = fed;
      else if (rates.through[m] > 1e-9) loop[m] = fed + heat / (RHO_C * rates.through[m]);
      else loop[m] = Math.min(Math.max(loop[m], fed) + (heat * dt) / (RHO_C * model.water.loopM3[m]), BOILING);
      if (loop[m] > this.hottest[m]) this.hottest[m] = loop[m];
    }
  }

  /** What the step's end has brought: tanks at their limits, batteries flat, pumps hot, phases done early. */
  private arrive({ job, phases }: Going, left: Float64Array): void {
    const { model, volume, rates } = this;
    const { into, out } = rates;
    const { vessels, shortOf } = model;
    const dumping = this.any({ job, phases }, 'dump');
    for (let v = 0; v < vessels.length; v++) {
      if (this.short[v]) {
        if (volume[v] >= this.restartOf(v) - TOUCH) this.short[v] = 0;
      } else if (!dumping && volume[v] <= vessels[v].heel + TOUCH && out[v] > into[v]) {
        this.short[v] = 1;
        this.mark(shortOf.vessel[v]);
      }
    }
    for (let m = 0; m < this.loop.length; m++) {
      if (!(rates.running & (1 << m))) continue;
      const v = model.water.source[m];
      const starve = this.starve[m];
      if (v >= 0 && volume[v] <= starve + TOUCH && (out[v] > into[v] || volume[v] < starve - TOUCH)) this.mark(shortOf.feed[m]);
      if (this.loop[m] >= model.values['bypass-limit'] - 1e-6) this.mark(shortOf.heat[m]);
    }
    for (let b = 0; b < this.batteryLeft.length; b++)
      if (this.batteryLeft[b] <= 1e-6 && rates.current[b] > 0) {
        this.batteryLeft[b] = 0;
        this.mark(shortOf.battery[b]);
      }
    for (let c = 0; c < this.airLeft.length; c++) if (this.airLeft[c] <= 1e-12 && rates.air[c] > 0) this.airLeft[c] = 0;
    this.runDry(job, phases);
    for (const p of phases) if (this.reached(job.phases[p])) left[p] = 0;
  }

  /** Stores down to where nothing runs from them to what drinks: cans are poured in, else the work stops. */
  private runDry(job: PlannedJob, phases: readonly number[]): void {
    for (const p of phases) {
      for (const d of job.phases[p].drinkers) this.dryOf(d);
      for (const d of job.phases[p].warmers) this.dryOf(d);
    }
  }

  private dryOf(d: number): void {
    const { model } = this;
    const { drinkers, stores } = model.energy;
    const { store, deadKg } = drinkers[d];
    if (!(this.rates.fuel[store] > 0) || this.fuelLeft[store] > deadKg + 1e-9) return;
    const { fuel, fullKg } = stores[store];
    const spare = fuel === 'petrol' ? this.petrolSpare : this.dieselSpare;
    const poured = Math.min(spare, fullKg - this.fuelLeft[store]);
    if (poured > 1e-6 && this.fuelLeft[store] + poured > deadKg + 1e-6) {
      this.fuelLeft[store] += poured;
      if (fuel === 'petrol') this.petrolSpare -= poured;
      else this.dieselSpare -= poured;
      return;
    }
    this.fuelLeft[store] = Math.min(this.fuelLeft[store], deadKg);
    this.mark(model.shortOf.fuel[store]);
  }

  /** A phase that ends with a level has it: full tanks need no filling, empty ones no dumping. */
  private reached({ kind, refill }: Planned): boolean {
    const { model, volume } = this;
    const { vessels } = model;
    if (refill) {
      for (let k = 0; k < refill.vessels.length; k++) if (!(volume[refill.vessels[k]] >= vessels[refill.vessels[k]].full - TOUCH)) return false;
      return true;
    }
    if (kind === 'fill') {
      for (let v = 0; v < vessels.length; v++) if (vessels[v].filled && !(volume[v] >= vessels[v].full - vessels[v].band - TOUCH)) return false;
      return true;
    }
    if (kind === 'dump') {
      for (let v = 0; v < vessels.length; v++) {
        const dump = vessels[v].water ? model.dump[v] : undefined;
        if (dump && !(volume[v] <= dump.stays + EMPTY * vessels[v].full)) return false;
      }
      return true;
    }
    return false;
  }

  /** Whether any phase at hand sprays a mix, or dumps. */
  private any({ job, phases }: Pick<Going, 'job' | 'phases'>, what: 'soft' | 'dump'): boolean {
    for (let i = 0; i < phases.length; i++) {
      const p = job.phases[phases[i]];
      if (what === 'soft' ? p.mix >= 0 : p.kind === 'dump') return true;
    }
    return false;
  }
}

/** Whether a number is among the first of a list. */
function among(list: readonly number[], count: number, x: number): boolean {
  for (let i = 0; i < count; i++) if (list[i] === x) return true;
  return false;
}

/** Whether every hand has come to a phase. */
function allAt({ queues }: PlannedJob, turn: readonly number[], phase: number): boolean {
  for (let k = 0; k < queues.length; k++) if (queues[k][turn[k]] !== phase) return false;
  return true;
}

/** To set a length takes long, the same one too. */
function cutTo(list: number[], length: number): void {
  if (list.length !== length) list.length = length;
}
