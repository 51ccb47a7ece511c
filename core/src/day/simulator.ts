import { WATER_SPECIFIC_HEAT } from '../fluid/water.js';
import { DayRandom, triangular } from './random.js';
import { type DayModel, levelAt, type Planned, type PlannedJob } from './model.js';
import { readTable } from './soft-states.js';
import { TOUCH, VesselLaw } from './vessel-law.js';
import { WaterStates, type SpigotTable } from './water-states.js';
import type { Recorder } from './recorder.js';

const RHO_C = 998.2 * WATER_SPECIFIC_HEAT;
const MOST_STEPS = 40_000;
/** Longest step while a chemical level or a temperature moves its own rates. */
const FINE = 1 / 16;
const FINE_S = 300;

/** A day's draw of what varies. Left out, everything takes its usual value. */
export interface DayDraw {
  readonly seed: number;
  readonly day: number;
}

/**
 * Works a rig's day through, event by event. Within a step every rate is constant, or for a float valve bends by its own
 * exponential, and a step ends exactly where a level meets a limit or a phase its end, so nothing passes a limit unseen and
 * volumes balance to rounding. Chemical streams and temperatures, whose rates hang on levels, take short steps with the
 * rates of the step's middle. Everything it tallies stays until the next run.
 */
export class Simulator {
  readonly volume: Float64Array;
  readonly lowest: Float64Array;
  /** By place in the model's shorts: first time, Infinity when never; seconds waited or left undone. */
  readonly firstAt: Float64Array;
  readonly lost: Float64Array;
  readonly mixUsed: Float64Array;
  readonly mixStrength: Float64Array;
  readonly mixLow: Float64Array;
  readonly mixHigh: Float64Array;
  readonly gunLow: Float64Array;
  readonly hottest: Float64Array;
  time = 0;
  waited = 0;
  undone = 0;
  used = 0;
  filled = 0;
  refilled = 0;
  dumped = 0;
  carriedMost = 0;
  batteryLeft = 0;
  fuelLeft = 0;
  fuelUsed = 0;
  settled = true;

  private readonly random = new DayRandom();
  private readonly law = new VesselLaw();
  private readonly into: Float64Array;
  private readonly out: Float64Array;
  private readonly heat: Float64Array;
  private readonly warm: Float64Array;
  private readonly loop: Float64Array;
  private readonly loopHeat: Float64Array;
  private readonly through: Float64Array;
  private readonly short: Uint8Array;
  private readonly starve: Float64Array;
  private readonly strength: Float64Array;
  private readonly gun: Float64Array;
  private readonly row: Float64Array;
  private readonly branch: Float64Array;
  private readonly middle: Float64Array;
  private readonly flowNow: Float64Array;
  private readonly open: number[] = [];
  private readonly pull: number[] = [];
  private stock = 1;
  private cool = 293.15;
  private current = 0;
  private fuelRate = 0;
  private running = 0;

  constructor(readonly model: DayModel) {
    const n = model.vessels.length;
    const m = model.rig.machines.length;
    const k = model.soft.length;
    const o = model.rig.outlets.length;
    const array = (length: number): Float64Array => new Float64Array(length);
    this.row = array(Math.max(2, ...model.soft.map((s) => s.width)));
    this.branch = array(this.row.length);
    this.middle = array(n);
    this.flowNow = array(k);
    this.volume = array(n);
    this.lowest = array(n);
    this.into = array(n);
    this.out = array(n);
    this.heat = array(n);
    this.warm = array(n);
    this.short = new Uint8Array(n);
    this.firstAt = array(model.shorts.length);
    this.lost = array(model.shorts.length);
    this.mixUsed = array(k);
    this.mixStrength = array(k);
    this.mixLow = array(k);
    this.mixHigh = array(k);
    this.strength = array(k);
    this.gunLow = array(o);
    this.gun = array(o);
    this.hottest = array(m);
    this.loop = array(m);
    this.loopHeat = array(m);
    this.through = array(m);
    this.starve = array(m);
  }

  /** Works one day through. */
  run(draw?: DayDraw, recorder?: Recorder): void {
    const { model, random } = this;
    const { spread } = model;
    if (draw) random.start(draw.seed, draw.day);
    const vary = (x: readonly [number, number, number]): number => (draw ? triangular(random.next(), x[0], x[1], x[2]) : x[1]);
    this.reset(vary(spread.water), vary(spread.stock));
    recorder?.begin(this);
    for (let j = 0; j < model.jobs.length && this.settled; j++) {
      const job = model.jobs[j];
      // Numbers are drawn alike whatever the rig, so that two ways of building meet the same day.
      const dry = draw ? random.next() < spread.dry : false;
      const factor = vary(spread.spigot);
      const left = new Float64Array(job.phases.length);
      const trigger = new Float64Array(job.phases.length);
      for (let p = 0; p < job.phases.length; p++) {
        left[p] = job.phases[p].time * vary(spread.time);
        trigger[p] = Math.min(Math.max(job.phases[p].trigger * vary(spread.trigger), 0), 1);
      }
      this.work(job, j, job.tap && !dry, factor, left, trigger, recorder);
    }
    recorder?.end(this);
  }

  private reset(waterK: number, stock: number): void {
    const { model } = this;
    this.time = this.waited = this.undone = this.used = this.filled = this.refilled = this.dumped = this.carriedMost = 0;
    this.settled = true;
    this.stock = stock;
    this.cool = waterK;
    this.batteryLeft = model.battery;
    this.fuelLeft = model.fuel;
    this.fuelUsed = 0;
    this.firstAt.fill(Infinity);
    this.lost.fill(0);
    this.short.fill(0);
    this.mixUsed.fill(0);
    this.mixStrength.fill(0);
    this.mixLow.fill(Infinity);
    this.mixHigh.fill(0);
    this.gunLow.fill(Infinity);
    this.hottest.fill(waterK);
    this.warm.fill(waterK);
    this.loop.fill(waterK);
    for (let v = 0; v < this.volume.length; v++) this.volume[v] = this.lowest[v] = model.vessels[v].start;
    const lost = model.vapourLoss(waterK);
    for (let m = 0; m < this.starve.length; m++) this.starve[m] = model.water.source[m] >= 0 ? model.water.starvesAt(m, lost) : 0;
    for (let k = 0; k < model.soft.length; k++) {
      const a = model.shortOf.air[k];
      if (a >= 0) this.firstAt[a] = 0;
    }
  }

  private mark(place: number, lost = 0): void {
    if (place < 0) return;
    if (this.firstAt[place] > this.time) this.firstAt[place] = this.time;
    this.lost[place] += lost;
  }

  /** One job, from its first phase to its last. */
  private work(job: PlannedJob, at: number, tap: boolean, factor: number, left: Float64Array, trigger: Float64Array, recorder: Recorder | undefined): void {
    const { model } = this;
    const place = WaterStates.place(factor);
    const turn = job.queues.map(() => 0);
    const begun = new Uint8Array(job.phases.length);
    const active: number[] = [];
    let connected = tap && !job.connects;
    let patience = model.values['day-patience'];
    for (let v = 0; v < this.short.length; v++) if (this.volume[v] > model.vessels[v].heel + TOUCH) this.short[v] = 0;
    for (let steps = 0; ; steps++) {
      if (steps > MOST_STEPS) {
        this.settled = false;
        return;
      }
      active.length = 0;
      let driving = false;
      for (let c = 0; c < turn.length; c++) {
        const p = job.queues[c][turn[c]];
        if (p === undefined || active.includes(p)) continue;
        // Nobody starts a phase for all before everyone has come to it.
        if (job.phases[p].crew === 0 && !job.queues.every((q, k) => q[turn[k]] === p)) continue;
        active.push(p);
        driving ||= job.phases[p].kind === 'drive';
        if (!begun[p]) {
          begun[p] = 1;
          recorder?.phaseBegins(this, at, p);
        }
      }
      if (active.length === 0) return;
      if (driving) this.carriedMost = Math.max(this.carriedMost, this.waterOnBoard());
      const dt = this.step(job, at, active, left, trigger, connected && !driving, place, patience, recorder);
      if (this.waitedNow) patience -= dt;
      for (const p of active) {
        if (left[p] > 1e-9) continue;
        recorder?.phaseEnds(this, at, p);
        const { kind } = job.phases[p];
        if (kind === 'connect') connected = tap;
        if (kind === 'drive') connected = tap && !job.connects;
        for (let c = 0; c < turn.length; c++) if (job.queues[c][turn[c]] === p) turn[c]++;
      }
    }
  }

  private waitedNow = false;

  private waterOnBoard(): number {
    let sum = 0;
    for (let v = 0; v < this.volume.length; v++) if (this.model.vessels[v].water) sum += this.volume[v];
    return sum;
  }

  /** What holds a phase up now: the place of the shortage, −1 for nothing. */
  private holdUp(p: Planned): number {
    const { shortOf, soft } = this.model;
    for (const v of p.needs) if (this.short[v]) return shortOf.vessel[v];
    if (p.mix >= 0 && soft[p.mix].electric && this.model.battery > 0 && this.batteryLeft <= 0) return shortOf.battery;
    if (this.fuelLeft <= 0 && (p.outlet >= 0 || (p.mix >= 0 && soft[p.mix].fuel > 0))) return shortOf.fuel;
    return -1;
  }

  /** One step to the next event; gives its length, s. */
  private step(
    job: PlannedJob,
    at: number,
    active: readonly number[],
    left: Float64Array,
    trigger: Float64Array,
    connected: boolean,
    place: { readonly at: number; readonly share: number },
    patience: number,
    recorder: Recorder | undefined,
  ): number {
    const { model, volume, into, out, law } = this;
    const { vessels } = model;
    const held = active.map((p) => this.holdUp(job.phases[p]));
    const going = active.filter((_, i) => held[i] < 0);
    this.rates(job, going, trigger, connected, place, volume);
    let dt = Infinity;
    // Held up: wait while the water comes back, else leave the rest undone.
    this.waitedNow = false;
    for (let i = 0; i < active.length; i++) {
      if (held[i] < 0) continue;
      const p = active[i];
      const phase = job.phases[p];
      const hope = phase.needs.every((v) => !this.short[v] || into[v] > out[v] + 1e-12) && this.batteryLeft > 0 === model.battery > 0 && this.fuelLeft > 0;
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
    for (const p of going) dt = Math.min(dt, left[p]);
    const soft = going.some((p) => job.phases[p].mix >= 0);
    for (let v = 0; v < vessels.length; v++) {
      const vessel = vessels[v];
      law.set(vessel, volume[v], into[v], out[v]);
      if (law.rate < 0 && out[v] > 0) dt = Math.min(dt, law.timeTo(volume[v], this.floorOf(job, going, v)));
      dt = Math.min(dt, law.timeTo(volume[v], vessel.full - vessel.band));
      if (this.short[v]) dt = Math.min(dt, law.timeTo(volume[v], this.restartOf(v)));
      for (let m = 0; m < this.starve.length; m++)
        if (this.running & (1 << m) && model.water.source[m] === v) dt = Math.min(dt, law.timeTo(volume[v], this.starve[m]));
      if (soft && !vessel.water && out[v] > 0) dt = Math.min(dt, (vessel.full * FINE) / out[v]);
      if (this.heat[v] > 0) dt = Math.min(dt, FINE_S);
    }
    for (const p of going) {
      const { kind } = job.phases[p];
      if (kind === 'refill') for (let v = 0; v < vessels.length; v++) if (into[v] > 0) dt = Math.min(dt, (vessels[v].full - volume[v]) / into[v]);
    }
    if (this.current > 0 && this.batteryLeft > 0) dt = Math.min(dt, this.batteryLeft / this.current);
    if (this.fuelRate > 0 && Number.isFinite(this.fuelLeft)) dt = Math.min(dt, this.fuelLeft / this.fuelRate);
    dt = Math.min(dt, this.loopLimit());
    if (!Number.isFinite(dt)) dt = 0;
    if (soft && dt > 0) {
      // The middle of the step: its rates carry the levels to second order.
      const middle = this.middle;
      for (let v = 0; v < vessels.length; v++) middle[v] = Math.max(volume[v] + ((into[v] - out[v]) * dt) / 2, 0);
      const before = dt;
      this.rates(job, going, trigger, connected, place, middle);
      for (let v = 0; v < vessels.length; v++) {
        law.set(vessels[v], volume[v], into[v], out[v]);
        if (law.rate < 0 && out[v] > 0) dt = Math.min(dt, law.timeTo(volume[v], this.floorOf(job, going, v)));
      }
      dt = Math.min(dt, before);
    }
    this.advance(job, going, dt, connected, recorder);
    for (const p of going) left[p] -= dt;
    for (let i = 0; i < active.length; i++) {
      if (held[i] < 0) continue;
      this.waited += dt;
      this.mark(held[i], dt);
      recorder?.phaseWaits(at, active[i], dt);
    }
    this.arrive(job, going, left);
    return dt;
  }

  /** Lowest that the work at hand may draw a vessel: its heel, or its bottom while it is dumped. */
  private floorOf(job: PlannedJob, going: readonly number[], v: number): number {
    for (const p of going) if (job.phases[p].kind === 'dump') return 0;
    return this.model.vessels[v].heel;
  }

  private restartOf(v: number): number {
    const { heel, full, band } = this.model.vessels[v];
    return Math.min(heel + this.model.values['day-restart'] * (full - heel), full - band);
  }

  /** Flows of everything that goes on, at these volumes. */
  private rates(
    job: PlannedJob,
    going: readonly number[],
    trigger: Float64Array,
    connected: boolean,
    place: { readonly at: number; readonly share: number },
    volume: Float64Array,
  ): void {
    const { model, into, out, open, pull } = this;
    const { water, vessels } = model;
    into.fill(0);
    out.fill(0);
    this.heat.fill(0);
    this.loopHeat.fill(0);
    this.through.fill(0);
    this.strength.fill(NaN);
    this.gun.fill(0);
    this.current = -model.charging;
    this.fuelRate = 0;
    open.length = 0;
    pull.length = 0;
    let running = 0;
    for (const p of going) {
      const phase = job.phases[p];
      if (phase.outlet < 0) continue;
      running |= phase.machines;
      const known = open.indexOf(phase.outlet);
      if (known >= 0) pull[known] = 1 - (1 - pull[known]) * (1 - trigger[p]);
      else {
        open.push(phase.outlet);
        pull.push(trigger[p]);
      }
    }
    this.running = running;
    if (running) {
      // Every way that these triggers can stand at one moment, by its chance.
      for (let bits = 0; bits < 1 << open.length; bits++) {
        let chance = 1;
        let mask = 0;
        for (let i = 0; i < open.length; i++) {
          if (bits & (1 << i)) {
            chance *= pull[i];
            mask |= 1 << open[i];
          } else chance *= 1 - pull[i];
        }
        if (!(chance > 0)) continue;
        const s = water.state(mask, running);
        for (let v = 0; v < out.length; v++) {
          out[v] += chance * s.draw[v];
          this.heat[v] += chance * s.heat[v];
        }
        for (let m = 0; m < this.loopHeat.length; m++) {
          this.loopHeat[m] += chance * s.loopHeat[m];
          this.through[m] += chance * s.through[m];
        }
        for (let o = 0; o < this.gun.length; o++) if (mask & (1 << o) && (this.gun[o] === 0 || s.pressure[o] < this.gun[o])) this.gun[o] = s.pressure[o];
        this.fuelRate += chance * s.fuel;
      }
    }
    for (const p of going) {
      const phase = job.phases[p];
      if (phase.mix >= 0) this.spray(phase.mix, trigger[p], volume);
    }
    const table: SpigotTable = water.spigot(running);
    if (connected)
      for (let v = 0; v < into.length; v++) into[v] = table.into[place.at][v] + (table.into[place.at + 1][v] - table.into[place.at][v]) * place.share;
    for (let m = 0; m < this.starve.length; m++) {
      if (!(running & (1 << m)) || !water.direct[m]) continue;
      const margin = connected ? table.margin[place.at][m] + (table.margin[place.at + 1][m] - table.margin[place.at][m]) * place.share : -1;
      if (margin < 0) this.mark(model.shortOf.feed[m]);
    }
    for (const p of going) {
      const { kind } = job.phases[p];
      if (kind === 'refill') {
        let n = 0;
        for (let v = 0; v < vessels.length; v++) if (vessels[v].water && this.volume[v] < vessels[v].full - TOUCH) n++;
        for (let v = 0; v < vessels.length; v++) into[v] = vessels[v].water && this.volume[v] < vessels[v].full - TOUCH ? model.values['refill-flow'] / n : 0;
      }
      if (kind === 'dump') for (let v = 0; v < vessels.length; v++) if (vessels[v].water && this.volume[v] > TOUCH) out[v] += model.dump[v];
    }
  }

  /** A mix being sprayed: what it takes from each vessel, its strength, its current. */
  private spray(k: number, share: number, volume: Float64Array): void {
    const { model, out, row, branch } = this;
    const t = model.soft[k];
    const places = model.softVessels[k];
    for (let i = 0; i < places.length; i++) {
      const v = places[i];
      branch[i] = v >= 0 ? levelAt(model.branchLevels[k][i], volume[v] / model.vessels[v].full) : t.low[i];
    }
    readTable(t, branch, row);
    const n = places.length;
    let flow = row[n];
    let active = 0;
    for (let i = 0; i < n; i++) {
      const q = row[i] * t.air;
      if (places[i] >= 0) out[places[i]] += share * q;
      flow += q;
      active += q * t.strengths[i];
    }
    this.strength[k] = flow > 0 ? (active / flow) * this.stock : 0;
    this.flowNow[k] = share * flow;
    this.current += share * row[n + 1];
    this.fuelRate += share * t.fuel;
  }

  /** Time until a machine's own loop meets its limit, s. */
  private loopLimit(): number {
    const { model } = this;
    let dt = Infinity;
    for (let m = 0; m < this.loop.length; m++) {
      if (!(this.loopHeat[m] > 0) || this.through[m] > 1e-9) continue;
      const rate = this.loopHeat[m] / (RHO_C * model.water.loopM3[m]);
      const room = model.values['bypass-limit'] - this.loop[m];
      if (room > 1e-6) dt = Math.min(dt, room / rate);
    }
    return dt;
  }

  private advance(job: PlannedJob, going: readonly number[], dt: number, connected: boolean, recorder: Recorder | undefined): void {
    const { model, volume, into, out, law } = this;
    const { vessels } = model;
    recorder?.step(this, into, out, this.strength, this.gun, dt, connected);
    let refilling = false;
    let dumping = false;
    for (const p of going) {
      refilling ||= job.phases[p].kind === 'refill';
      dumping ||= job.phases[p].kind === 'dump';
    }
    for (let v = 0; v < vessels.length; v++) {
      const before = volume[v];
      law.set(refilling ? { full: vessels[v].full, band: 0 } : vessels[v], before, into[v], out[v]);
      const after = Math.max(law.after(before, dt), 0);
      volume[v] = after;
      // What the float let in is what balances the rest.
      const gave = out[v] * dt;
      const came = after - before + gave;
      if (vessels[v].water) {
        if (refilling) this.refilled += came;
        else this.filled += came;
        const dump = dumping && before > TOUCH ? Math.min(model.dump[v] * dt, gave) : 0;
        this.dumped += dump;
        this.used += gave - dump;
      }
      if (after < this.lowest[v]) this.lowest[v] = after;
      const middle = (before + after) / 2;
      if (middle > 1e-6) {
        const rate = (this.heat[v] / RHO_C + (came / Math.max(dt, 1e-9)) * (this.cool - this.warm[v])) / middle;
        this.warm[v] += rate * dt;
        if (this.warm[v] < this.cool) this.warm[v] = this.cool;
      }
    }
    for (let k = 0; k < model.soft.length; k++) {
      const s = this.strength[k];
      if (!(s >= 0)) continue;
      const sprayed = this.flowNow[k] * dt;
      this.mixUsed[k] += sprayed;
      this.mixStrength[k] += sprayed * s;
      if (dt > 0 && sprayed > 0) {
        if (s < this.mixLow[k]) this.mixLow[k] = s;
        if (s > this.mixHigh[k]) this.mixHigh[k] = s;
      }
    }
    if (dt > 0) for (let o = 0; o < this.gun.length; o++) if (this.gun[o] > 0 && this.gun[o] < this.gunLow[o]) this.gunLow[o] = this.gun[o];
    this.batteryLeft = Math.min(this.batteryLeft - this.current * dt, model.battery);
    this.fuelLeft -= this.fuelRate * dt;
    this.fuelUsed += this.fuelRate * dt;
    for (let m = 0; m < this.loop.length; m++) {
      const on = (this.running & (1 << m)) !== 0;
      const v = model.water.source[m];
      const fed = v >= 0 ? this.warm[v] : this.cool;
      if (!on) this.loop[m] = this.cool;
      else if (model.water.loopM3[m] > 0 && this.loopHeat[m] > 0) {
        if (this.through[m] > 1e-9) this.loop[m] = fed + this.loopHeat[m] / (RHO_C * this.through[m]);
        else this.loop[m] = Math.min(Math.max(this.loop[m], fed) + (this.loopHeat[m] * dt) / (RHO_C * model.water.loopM3[m]), 373.15);
      } else this.loop[m] = fed;
      if (on && this.loop[m] > this.hottest[m]) this.hottest[m] = this.loop[m];
    }
    this.time += dt;
  }

  /** What the step's end has brought: tanks at their limits, batteries flat, pumps hot, phases done early. */
  private arrive(job: PlannedJob, going: readonly number[], left: Float64Array): void {
    const { model, volume, into, out } = this;
    const { vessels, shortOf } = model;
    const dumping = going.some((p) => job.phases[p].kind === 'dump');
    for (let v = 0; v < vessels.length; v++) {
      if (this.short[v]) {
        if (volume[v] >= this.restartOf(v) - TOUCH) this.short[v] = 0;
      } else if (!dumping && volume[v] <= vessels[v].heel + TOUCH && out[v] > into[v]) {
        this.short[v] = 1;
        this.mark(shortOf.vessel[v]);
      }
    }
    for (let m = 0; m < this.loop.length; m++) {
      if (!(this.running & (1 << m))) continue;
      const v = model.water.source[m];
      const starve = this.starve[m];
      if (v >= 0 && volume[v] <= starve + TOUCH && (out[v] > into[v] || volume[v] < starve - TOUCH)) this.mark(shortOf.feed[m]);
      if (this.loop[m] >= model.values['bypass-limit'] - 1e-6) this.mark(shortOf.heat[m]);
    }
    if (model.battery > 0 && this.batteryLeft <= 1e-6 && this.current > 0) {
      this.batteryLeft = 0;
      this.mark(shortOf.battery);
    }
    if (this.fuelLeft <= 1e-9) {
      this.fuelLeft = 0;
      this.mark(shortOf.fuel);
    }
    for (const p of going) {
      const { kind } = job.phases[p];
      if (kind === 'fill' && this.all((v) => !vessels[v].filled || volume[v] >= vessels[v].full - vessels[v].band - TOUCH)) left[p] = 0;
      if (kind === 'refill' && this.all((v) => !vessels[v].water || volume[v] >= vessels[v].full - TOUCH)) left[p] = 0;
      if (kind === 'dump' && this.all((v) => !vessels[v].water || model.dump[v] === 0 || volume[v] <= TOUCH)) left[p] = 0;
    }
  }

  private all(is: (v: number) => boolean): boolean {
    for (let v = 0; v < this.volume.length; v++) if (!is(v)) return false;
    return true;
  }
}
