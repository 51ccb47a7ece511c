import { type DayModel, dumpAt, levelAt, type PlannedJob } from './model.js';
import { hardDraw } from '../energy/index.js';
import { readTable } from './soft-states.js';
import { TOUCH } from '../solve/vessel-law.js';

/** How good a spigot is, as a place in the tables of the water states. */
export interface SpigotPlace {
  readonly at: number;
  readonly share: number;
}

/** What goes on in a step: phases that work, their triggers, whether a tap is connected and how good it is. */
export interface Going {
  readonly job: PlannedJob;
  readonly phases: readonly number[];
  readonly trigger: Float64Array;
  readonly connected: boolean;
  readonly place: SpigotPlace;
}

/** Everything that flows while the same work goes on: set anew for each step, read by whoever takes it. SI. */
export class Rates {
  readonly into: Float64Array;
  readonly out: Float64Array;
  /** Heat that returning water brings into each vessel, W. */
  readonly heat: Float64Array;
  /** Of each machine's own loop, W, and what goes through it, m³/s. */
  readonly loopHeat: Float64Array;
  readonly through: Float64Array;
  /** Trade share at the wall by mix, NaN while it rests; and its flow, m³/s. */
  readonly strength: Float64Array;
  readonly sprayed: Float64Array;
  /** Pressure at each gun in hand, Pa; 0 for the others. */
  readonly gun: Float64Array;
  /** Out of each battery, A, hard draws told for more; negative while it is charged. */
  readonly current: Float64Array;
  /** Drawn from each and put into each, A, but for what pumps draw in pulses: by pump its battery, A and share of the time. */
  private readonly drawn: Float64Array;
  private readonly put: Float64Array;
  private readonly pulseAmps: Float64Array;
  private readonly pulseShare: Float64Array;
  private readonly pulsing: number[][];
  /** Free air out of each compressor's receiver, m³/s; negative while it fills. */
  readonly air: Float64Array;
  /** Share of their air that its pumps get. */
  readonly airShare: Float64Array;
  /** Out of each fuel store, kg/s, the last place for what nobody told where from. */
  readonly fuel: Float64Array;
  /** Machines running, and those of them that a spigot does not feed well enough, as bits. */
  running = 0;
  thirsty = 0;
  /** Vessels at a refill place. */
  readonly refilling: Uint8Array;
  /** Of what goes out, what is let out by dump lines, m³/s. */
  readonly dumped: Float64Array;

  private readonly asked: Float64Array;
  private readonly mean: Float64Array;
  private readonly row: Float64Array;
  private readonly branch: Float64Array;
  private readonly open: number[] = [];
  private readonly pull: number[] = [];
  /** What went on when the sums over taps and triggers were last made, and those sums: they hold until it changes. */
  private readonly kept: {
    trigger: Float64Array | undefined;
    place: Going['place'] | undefined;
    connected: boolean;
    stored: number;
    bands: number;
    phases: number[];
    into: Float64Array;
    out: Float64Array;
    fuel: Float64Array;
    drawn: Float64Array;
    put: Float64Array;
  };

  constructor(private readonly model: DayModel) {
    const array = (length: number): Float64Array => new Float64Array(length);
    const { vessels, soft, rig } = model;
    this.into = array(vessels.length);
    this.out = array(vessels.length);
    this.heat = array(vessels.length);
    this.loopHeat = array(rig.machines.length);
    this.through = array(rig.machines.length);
    this.strength = array(soft.length);
    this.sprayed = array(soft.length);
    this.gun = array(rig.outlets.length);
    this.row = array(Math.max(2, ...soft.map((s) => s.width)));
    this.branch = array(this.row.length);
    this.refilling = new Uint8Array(vessels.length);
    this.dumped = array(vessels.length);
    this.kept = {
      trigger: undefined,
      place: undefined,
      connected: false,
      stored: 0,
      bands: 0,
      phases: [],
      into: array(vessels.length),
      out: array(vessels.length),
      fuel: array(model.energy.stores.length + 1),
      drawn: array(model.energy.banks.length),
      put: array(model.energy.banks.length),
    };
    this.current = array(model.energy.banks.length);
    this.drawn = array(model.energy.banks.length);
    this.put = array(model.energy.banks.length);
    this.pulseAmps = array(soft.length);
    this.pulseShare = array(soft.length);
    this.pulsing = model.energy.banks.map(() => []);
    this.air = array(model.energy.compressors.length);
    this.airShare = array(model.energy.compressors.length).fill(1);
    this.fuel = array(model.energy.stores.length + 1);
    this.asked = array(model.energy.compressors.length);
    this.mean = array(model.energy.compressors.length);
  }

  /**
   * Sets all flows for what goes on.
   * @param volume of each vessel, m³, that chemical streams hang on
   * @param stock by mix: strength of the day's stock against what it is reckoned at
   * @param stored compressors whose receiver holds air, as bits
   * @param charge of each battery, A s of what may be used: what hangs on it slows as it falls
   */
  set(going: Going, volume: Float64Array, stock: Float64Array, stored: number, charge: Float64Array): void {
    const { into, out, kept, strength, fuel, drawn, put } = this;
    for (const list of this.pulsing) list.length = 0;
    const bands = this.model.water.bandsAt(volume);
    if (this.sameAsKept(going, stored, bands)) {
      for (let v = 0; v < into.length; v++) {
        into[v] = kept.into[v];
        out[v] = kept.out[v];
      }
      for (let f = 0; f < fuel.length; f++) fuel[f] = kept.fuel[f];
      for (let b = 0; b < drawn.length; b++) {
        drawn[b] = kept.drawn[b];
        put[b] = kept.put[b];
      }
    } else {
      into.fill(0);
      out.fill(0);
      this.heat.fill(0);
      this.loopHeat.fill(0);
      this.through.fill(0);
      this.gun.fill(0);
      drawn.fill(0);
      put.set(this.model.energy.alwaysPut);
      fuel.fill(0);
      this.breathe(going, stored);
      this.wash(going, bands);
      this.fill(going);
      this.charge(going);
      kept.into.set(into);
      kept.out.set(out);
      kept.fuel.set(fuel);
      kept.drawn.set(drawn);
      kept.put.set(put);
    }
    for (let k = 0; k < strength.length; k++) strength[k] = NaN;
    const { phases, job, trigger } = going;
    for (let i = 0; i < phases.length; i++) {
      const { mix } = job.phases[phases[i]];
      if (mix >= 0) this.spray(mix, trigger[phases[i]], volume, stock[mix], charge);
    }
    this.draw();
    this.refillAndDump(going, volume);
  }

  /** Whether the same hands do the same as when last set; if not, what they do is noted. */
  private sameAsKept({ phases, trigger, connected, place }: Going, stored: number, bands: number): boolean {
    const { kept } = this;
    let same =
      kept.trigger === trigger &&
      kept.connected === connected &&
      kept.place === place &&
      kept.stored === stored &&
      kept.bands === bands &&
      kept.phases.length === phases.length;
    for (let i = 0; same && i < phases.length; i++) if (kept.phases[i] !== phases[i]) same = false;
    if (same) return true;
    kept.trigger = trigger;
    kept.connected = connected;
    kept.place = place;
    kept.stored = stored;
    kept.bands = bands;
    kept.phases.length = phases.length;
    for (let i = 0; i < phases.length; i++) kept.phases[i] = phases[i];
    return false;
  }

  /** Washers: every way that the triggers in hand can stand at one moment, by its chance. */
  private wash({ job, phases, trigger }: Going, bands: number): void {
    const { open, pull, out, gun } = this;
    open.length = 0;
    pull.length = 0;
    let running = 0;
    for (const p of phases) {
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
    if (!running) return;
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
      const s = this.model.water.state(mask, running, bands);
      for (let v = 0; v < out.length; v++) {
        out[v] += chance * s.draw[v];
        this.heat[v] += chance * s.heat[v];
      }
      for (let m = 0; m < this.loopHeat.length; m++) {
        this.loopHeat[m] += chance * s.loopHeat[m];
        this.through[m] += chance * s.through[m];
      }
      for (let o = 0; o < gun.length; o++) if (mask & (1 << o) && (gun[o] === 0 || s.pressure[o] < gun[o])) gun[o] = s.pressure[o];
      for (let f = 0; f < this.fuel.length; f++) this.fuel[f] += chance * s.fuel[f];
    }
  }

  /**
   * Air of the pumps at work, compressor by compressor. While a receiver holds some they get all they ask; after that what the
   * compressor gives, which a receiver evens out over triggers pulled and let go.
   */
  private breathe({ job, phases, trigger }: Going, stored: number): void {
    const { compressors, softCompressor } = this.model.energy;
    const { asked, mean } = this;
    asked.fill(0);
    mean.fill(0);
    for (const p of phases) {
      const { mix } = job.phases[p];
      const c = mix < 0 ? -1 : softCompressor[mix];
      if (c < 0) continue;
      asked[c] += this.model.soft[mix].air;
      mean[c] += this.model.soft[mix].air * trigger[p];
    }
    for (let c = 0; c < compressors.length; c++) {
      const { given, receiver } = compressors[c];
      const steady = receiver > 0 ? mean[c] : asked[c];
      this.airShare[c] = stored & (1 << c) || !(steady > given) ? 1 : given / steady;
      this.air[c] = mean[c] * this.airShare[c] - given;
    }
  }

  /** What draws on the batteries and charges them while engines run and the vehicle drives. */
  private charge({ job, phases }: Going): void {
    const { running, charging, remoteBank, remoteA } = this.model.energy;
    let mixes = 0;
    let driving = false;
    for (const p of phases) {
      const { mix, kind } = job.phases[p];
      if (mix >= 0) {
        mixes |= 1 << mix;
        if (remoteBank[mix] >= 0) this.drawn[remoteBank[mix]] += remoteA;
      }
      if (kind === 'drive') driving = true;
    }
    for (let i = 0; i < running.length; i++) {
      const r = running[i];
      if (r.machines & this.running || r.mixes & mixes) this.drawn[r.bank] += r.amps;
    }
    for (let i = 0; i < charging.length; i++) {
      const c = charging[i];
      if (c.driving ? driving : c.machines & this.running || c.mixes & mixes) this.put[c.bank] += c.amps;
    }
  }

  /** Out of each battery: the harder all that draws together draws, the more (Peukert, on the sum), pulse by pulse of its pumps. */
  private draw(): void {
    const { current, drawn, put, pulsing, pulseAmps, pulseShare } = this;
    const { banks, always } = this.model.energy;
    for (let b = 0; b < current.length; b++) {
      const own = pulsing[b];
      let taken = 0;
      for (let bits = 0; bits < 1 << own.length; bits++) {
        let chance = 1;
        let amps = drawn[b];
        for (let i = 0; i < own.length; i++) {
          const on = (bits & (1 << i)) !== 0;
          chance *= on ? pulseShare[own[i]] : 1 - pulseShare[own[i]];
          if (on) amps += pulseAmps[own[i]];
        }
        if (chance > 0 && amps > 0) taken += chance * amps * hardDraw(banks[b], amps);
      }
      current[b] = taken + always[b] - put[b];
    }
  }

  /** A mix being sprayed: what it takes from each vessel, its strength, its current. */
  private spray(k: number, share: number, volume: Float64Array, stock: number, charge: Float64Array): void {
    const { model, out, row, branch } = this;
    const { banks, softBank, softCompressor, softEngine, softFuel, softIdle, sag, stores, drinkers } = model.energy;
    const t = model.soft[k];
    const bank = softBank[k];
    // Out of breath, or slower as its battery empties.
    const breath = t.air > 0 ? (softCompressor[k] < 0 ? 0 : this.airShare[softCompressor[k]]) : 1;
    const pace = bank >= 0 ? breath * (1 - sag[bank] * (banks[bank].usableAs > 0 ? 1 - Math.max(charge[bank], 0) / banks[bank].usableAs : 1)) : breath;
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
      const q = row[i] * pace;
      if (places[i] >= 0) out[places[i]] += share * q;
      flow += q;
      active += q * t.strengths[i];
    }
    this.strength[k] = flow > 0 ? (active / flow) * stock : 0;
    this.sprayed[k] = share * flow;
    if (bank >= 0 && share > 0) {
      this.pulseAmps[k] = row[n + 1];
      this.pulseShare[k] = share;
      this.pulsing[bank].push(k);
    }
    const drinker = softEngine[k];
    this.fuel[drinker >= 0 && drinkers[drinker].store >= 0 ? drinkers[drinker].store : stores.length] += share * softFuel[k] + (1 - share) * softIdle[k];
  }

  /** What the tap gives, and which machines straight from it go without. */
  private fill({ connected, place }: Going): void {
    const { into, running } = this;
    const { water } = this.model;
    const table = water.spigot(running);
    const between = (rows: readonly Float64Array[], i: number): number => rows[place.at][i] + (rows[place.at + 1][i] - rows[place.at][i]) * place.share;
    if (connected) for (let v = 0; v < into.length; v++) into[v] = between(table.into, v);
    this.thirsty = 0;
    for (let m = 0; m < water.direct.length; m++)
      if (running & (1 << m) && water.direct[m] && !(connected && between(table.margin, m) >= 0)) this.thirsty |= 1 << m;
  }

  private refillAndDump({ job, phases }: Going, volume: Float64Array): void {
    const { into, out, model, refilling } = this;
    const { vessels } = model;
    for (let v = 0; v < refilling.length; v++) refilling[v] = this.dumped[v] = 0;
    for (let i = 0; i < phases.length; i++) {
      const { kind, refill } = job.phases[phases[i]];
      if (refill) {
        let n = 0;
        for (let k = 0; k < refill.vessels.length; k++) if (volume[refill.vessels[k]] < vessels[refill.vessels[k]].full - TOUCH) n++;
        for (let k = 0; k < refill.vessels.length; k++) {
          const v = refill.vessels[k];
          refilling[v] = 1;
          into[v] = volume[v] < vessels[v].full - TOUCH ? refill.flow / n : 0;
        }
      }
      // Two who dump open no second valve.
      if (kind === 'dump')
        for (let v = 0; v < vessels.length; v++)
          if (vessels[v].water && volume[v] > TOUCH && this.dumped[v] === 0) out[v] += this.dumped[v] = dumpAt(model, v, volume[v]);
    }
  }
}
