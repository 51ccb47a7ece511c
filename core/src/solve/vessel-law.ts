import { exp, ln } from './exact-math.js';

/** Volumes closer than this to a limit are at it, m³: a thousandth of a millilitre. */
export const TOUCH = 1e-9;

/**
 * How a vessel's volume moves while what comes and goes is constant. Below the float's last travel it moves evenly; within
 * it the inflow falls in proportion to the room left, so that V' = in·(full − V)/band − out, an exponential; a full vessel
 * without a float takes in just what leaves it. All closed forms.
 */
export class VesselLaw {
  /** Of the volume at the start of the step, m³/s. */
  rate = 0;
  private bends = false;
  private goal = 0;
  private k = 0;
  private top = 0;

  /** Sets the law for a step that starts at a volume. */
  set(vessel: { readonly full: number; readonly band: number }, volume: number, into: number, out: number): void {
    const { full, band } = vessel;
    const edge = full - band;
    this.top = full;
    this.bends = false;
    this.rate = into - out;
    if (!(into > 0)) return;
    if (band > 0) {
      // At its very edge the band is entered only by rising water.
      if (volume > edge + TOUCH || (volume >= edge - TOUCH && this.rate > 0)) {
        this.bends = true;
        this.k = into / band;
        this.goal = full - (out * band) / into;
        this.rate = this.k * (this.goal - volume);
      }
    } else if (volume >= full - TOUCH && this.rate > 0) this.rate = 0;
  }

  /** Volume after a time, s. */
  after(volume: number, dt: number): number {
    if (this.bends) return this.goal + (volume - this.goal) * exp(-this.k * dt);
    return Math.min(volume + this.rate * dt, Math.max(this.top, volume));
  }

  /** Time until a volume is met, s; Infinity when it is not, or is behind. */
  timeTo(volume: number, target: number): number {
    if (!this.bends) {
      const t = (target - volume) / this.rate;
      return t > 1e-9 ? t : Infinity;
    }
    const ratio = (target - this.goal) / (volume - this.goal);
    if (!(ratio > 0 && ratio < 1)) return Infinity;
    const t = -ln(ratio) / this.k;
    return t > 1e-9 ? t : Infinity;
  }
}
