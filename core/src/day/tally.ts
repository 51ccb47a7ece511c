import type { DayModel } from './model.js';

/** What a day comes to while it is worked through. SI; by place in the model. */
export class DayTally {
  readonly volume: Float64Array;
  readonly lowest: Float64Array;
  /** By place in the model's shorts: first time, Infinity when never; seconds waited or left undone. */
  readonly firstAt: Float64Array;
  readonly lost: Float64Array;
  /** By mix: sprayed, m³; the same times its trade share; the ends of that share. */
  readonly mixUsed: Float64Array;
  readonly mixStrength: Float64Array;
  readonly mixLow: Float64Array;
  readonly mixHigh: Float64Array;
  /** By outlet, Pa; Infinity where none was in hand. */
  readonly gunLow: Float64Array;
  /** By machine, K. */
  readonly hottest: Float64Array;
  /** s. */
  time = 0;
  waited = 0;
  undone = 0;
  /** Water, m³. */
  used = 0;
  filled = 0;
  refilled = 0;
  dumped = 0;
  carriedMost = 0;
  /** By battery, A s of what may be used. */
  readonly batteryLeft: Float64Array;
  readonly batteryLowest: Float64Array;
  /** By compressor: free air in its receivers above its pumps' pressure, m³. */
  readonly airLeft: Float64Array;
  readonly airLowest: Float64Array;
  /** By fuel tank, kg; what is left in cans; burnt from each, the last place for what nobody told where from. */
  readonly fuelLeft: Float64Array;
  readonly fuelUsed: Float64Array;
  petrolSpare = 0;
  dieselSpare = 0;
  /** False when the day took more steps than it may. */
  settled = true;

  constructor(readonly model: DayModel) {
    const array = (length: number): Float64Array => new Float64Array(length);
    const { vessels, soft, shorts, rig } = model;
    this.volume = array(vessels.length);
    this.lowest = array(vessels.length);
    this.firstAt = array(shorts.length);
    this.lost = array(shorts.length);
    this.mixUsed = array(soft.length);
    this.mixStrength = array(soft.length);
    this.mixLow = array(soft.length);
    this.mixHigh = array(soft.length);
    this.gunLow = array(rig.outlets.length);
    this.hottest = array(rig.machines.length);
    const { banks, compressors, stores } = model.energy;
    this.batteryLeft = array(banks.length);
    this.batteryLowest = array(banks.length);
    this.airLeft = array(compressors.length);
    this.airLowest = array(compressors.length);
    this.fuelLeft = array(stores.length);
    this.fuelUsed = array(stores.length + 1);
  }

  /** As the day starts, with its water at a temperature, K. */
  protected clear(waterK: number): void {
    const { model } = this;
    this.time = this.waited = this.undone = this.used = this.filled = this.refilled = this.dumped = this.carriedMost = 0;
    this.settled = true;
    const { banks, compressors, stores, spareKg } = model.energy;
    for (let b = 0; b < banks.length; b++) this.batteryLeft[b] = this.batteryLowest[b] = banks[b].usableAs;
    for (let c = 0; c < compressors.length; c++) this.airLeft[c] = this.airLowest[c] = compressors[c].receiver;
    for (let f = 0; f < stores.length; f++) this.fuelLeft[f] = stores[f].fullKg;
    this.fuelUsed.fill(0);
    this.petrolSpare = spareKg.petrol;
    this.dieselSpare = spareKg.diesel;
    this.firstAt.fill(Infinity);
    this.lost.fill(0);
    this.mixUsed.fill(0);
    this.mixStrength.fill(0);
    this.mixLow.fill(Infinity);
    this.mixHigh.fill(0);
    this.gunLow.fill(Infinity);
    this.hottest.fill(waterK);
    for (let v = 0; v < this.volume.length; v++) this.volume[v] = this.lowest[v] = model.vessels[v].start;
  }

  /** Something is short from now on, or costs so many seconds. */
  protected mark(place: number, lost = 0): void {
    if (place < 0) return;
    if (this.firstAt[place] > this.time) this.firstAt[place] = this.time;
    this.lost[place] += lost;
  }

  protected sprayed(k: number, m3: number, strength: number): void {
    this.mixUsed[k] += m3;
    this.mixStrength[k] += m3 * strength;
    if (!(m3 > 0)) return;
    if (strength < this.mixLow[k]) this.mixLow[k] = strength;
    if (strength > this.mixHigh[k]) this.mixHigh[k] = strength;
  }

  /** Water on board, m³. */
  protected waterOnBoard(): number {
    let sum = 0;
    for (let v = 0; v < this.volume.length; v++) if (this.model.vessels[v].water) sum += this.volume[v];
    return sum;
  }
}
