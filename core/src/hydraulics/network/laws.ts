import { GRAVITY } from '../../fluid/air.js';
import { coilFactor, colebrook, frictionFactor, type Run, TURBULENT } from '../friction.js';
import { filled, starts } from './arrays.js';
import type { LinkSpec } from './spec.js';

/** Flow below which quadratic losses turn linear, m³/s: keeps the slope finite at rest. */
const STILL = 1e-7;
const STILL_SQUARED = STILL * STILL;
/** Head per flow of a shut check valve, s/m²: 10 m across it leak 10⁻¹¹ m³/s. */
const SHUT = 1e12;
/** Resistance that every link has at the least, s/m²: some µm of head, so that no link is quite without. */
const LEAST = 0.01;
const TWO_OVER_LN10 = 2 / Math.LN10;

/**
 * The loss of every link at its flow, and the slope of that loss. The public arrays may be changed between solves; what
 * hangs on bores and roughnesses alone is reckoned anew by {@link refresh}.
 */
export class Laws {
  readonly flow: Float64Array;
  readonly loss: Float64Array;
  readonly slope: Float64Array;
  readonly constant: Float64Array;
  readonly linear: Float64Array;
  readonly quadratic: Float64Array;
  readonly powerCoefficient: Float64Array;
  readonly runRoughness: Float64Array;
  readonly runLength: Float64Array;
  readonly runBore: Float64Array;
  /** First run of each link, by link; the last entry is the count. */
  readonly runStart: Int32Array;
  /** Kinematic viscosity of the liquid, m²/s. */
  viscosity = 1.0034e-6;
  /** 1/√f of each run at its last turbulent flow; 0 before the first. */
  readonly rootOf: Float64Array;

  private readonly oneWay: Uint8Array;
  private readonly exponent: Float64Array;
  private readonly runCoiled: Float64Array;
  private readonly runCoilDiameter: Float64Array;
  private readonly curveStart: Int32Array;
  private readonly curveFlow: Float64Array;
  private readonly curveHead: Float64Array;
  // Of each run, from its bore and roughness: what they were then, area, roughness in the Colebrook term.
  private readonly boreThen: Float64Array;
  private readonly roughnessThen: Float64Array;
  private readonly area: Float64Array;
  private readonly rough: Float64Array;
  private readonly factor = new Float64Array(2);

  constructor(links: readonly LinkSpec[], runStart: Int32Array) {
    const m = links.length;
    this.flow = new Float64Array(m);
    this.loss = new Float64Array(m);
    this.slope = new Float64Array(m);
    this.oneWay = filled(new Uint8Array(m), links, (x) => (x.oneWay ? 1 : 0));
    this.constant = filled(new Float64Array(m), links, (x) => x.constantM ?? 0);
    this.linear = filled(new Float64Array(m), links, (x) => x.linear ?? 0);
    this.quadratic = filled(new Float64Array(m), links, (x) => x.quadratic ?? 0);
    this.powerCoefficient = filled(new Float64Array(m), links, (x) => x.power?.coefficient ?? 0);
    this.exponent = filled(new Float64Array(m), links, (x) => x.power?.exponent ?? 2);
    const runs: Run[] = [];
    const points: { readonly flowM3s: number; readonly headM: number }[] = [];
    for (const x of links) {
      if (x.runs) for (const r of x.runs) runs.push(r);
      if (x.curve) for (const p of x.curve) points.push(p);
    }
    this.runStart = runStart;
    const n = runs.length;
    this.runLength = filled(new Float64Array(n), runs, (r) => r.lengthM);
    this.runBore = filled(new Float64Array(n), runs, (r) => r.boreM);
    this.runRoughness = filled(new Float64Array(n), runs, (r) => r.roughnessM);
    this.rootOf = new Float64Array(n);
    this.runCoiled = filled(new Float64Array(n), runs, (r) => Math.min(r.coiledLengthM ?? 0, r.lengthM));
    this.runCoilDiameter = filled(new Float64Array(n), runs, (r) => r.coilDiameterM ?? 0);
    this.curveStart = starts(new Int32Array(m + 1), links, (x) => x.curve?.length ?? 0);
    this.curveFlow = filled(new Float64Array(points.length), points, (p) => p.flowM3s);
    this.curveHead = filled(new Float64Array(points.length), points, (p) => p.headM);
    this.boreThen = new Float64Array(n);
    this.roughnessThen = new Float64Array(n);
    this.area = new Float64Array(n);
    this.rough = new Float64Array(n);
  }

  /** What of links never changes: links of the same kinds obey the same laws for the same arrays. */
  kindsOf(links: ArrayLike<number>): number[] {
    const { oneWay, exponent, runStart, runCoiled, runCoilDiameter, curveStart, curveFlow, curveHead } = this;
    const out: number[] = [];
    for (let k = 0; k < links.length; k++) {
      const l = links[k];
      out.push(oneWay[l], exponent[l], runStart[l + 1] - runStart[l], curveStart[l + 1] - curveStart[l]);
      for (let r = runStart[l]; r < runStart[l + 1]; r++) out.push(runCoiled[r], runCoilDiameter[r]);
      for (let i = curveStart[l]; i < curveStart[l + 1]; i++) out.push(curveFlow[i], curveHead[i]);
    }
    return out;
  }

  /** Call before a solve: bores and roughnesses may have been changed. */
  refresh(): void {
    const { runBore, runRoughness, boreThen, roughnessThen, area, rough } = this;
    for (let r = 0; r < runBore.length; r++) {
      const d = runBore[r];
      if (boreThen[r] === d && roughnessThen[r] === runRoughness[r]) continue;
      boreThen[r] = d;
      roughnessThen[r] = runRoughness[r];
      area[r] = 0.7853981633974483 * d * d;
      rough[r] = runRoughness[r] / d / 3.7;
    }
  }

  /** Loss and slope of a link at its present flow, into `loss[l]` and `slope[l]`. */
  evaluate(l: number): void {
    const q = this.flow[l];
    if (this.oneWay[l] && q < 0) {
      this.loss[l] = this.constant[l] + SHUT * q;
      if (this.curveStart[l + 1] > this.curveStart[l]) this.loss[l] -= this.curveHead[this.curveStart[l]];
      this.slope[l] = SHUT;
      return;
    }
    const size = Math.abs(q);
    const sign = q < 0 ? -1 : 1;
    const smooth = Math.sqrt(q * q + STILL_SQUARED);
    const k = this.quadratic[l];
    const linear = this.linear[l] + LEAST;
    let h = this.constant[l] + linear * q + k * q * smooth;
    let s = linear + (k * (2 * q * q + STILL_SQUARED)) / smooth;
    const c = this.powerCoefficient[l];
    if (c !== 0) {
      const e = this.exponent[l] - 1;
      const scaled = c * smooth ** e;
      h += scaled * q;
      s += scaled * (1 + (e * q * q) / (smooth * smooth));
    }
    const nu = this.viscosity;
    for (let r = this.runStart[l], end = this.runStart[l + 1]; r < end; r++) {
      const d = this.runBore[r];
      const area = this.area[r];
      const v = size / area;
      const reynolds = (v * d) / nu;
      let length = this.runLength[r];
      if (reynolds <= 2000) {
        const laminar = (32 * nu * length) / (GRAVITY * d * d * area);
        h += laminar * q;
        s += laminar;
        continue;
      }
      let f: number;
      let logSlope: number;
      if (reynolds < TURBULENT) {
        frictionFactor(reynolds, this.runRoughness[r] / d, this.factor);
        f = this.factor[0];
        logSlope = this.factor[1];
      } else {
        // Colebrook–White by Newton's method from the last root, where there is one: near the answer one step is exact to rounding.
        const rough = this.rough[r];
        const viscous = 2.51 / reynolds;
        let x = this.rootOf[r];
        if (x === 0) x = 1 / Math.sqrt(colebrook(reynolds, rough * 3.7));
        else {
          let step = 1;
          for (let i = 0; i < 4 && (step > 1e-6 || step < -1e-6); i++) {
            const inside = rough + viscous * x;
            step = (x + TWO_OVER_LN10 * Math.log(inside)) / (1 + (TWO_OVER_LN10 * viscous) / inside);
            x -= step;
          }
        }
        this.rootOf[r] = x;
        f = 1 / (x * x);
        const pull = (TWO_OVER_LN10 * viscous) / (rough + viscous * x);
        logSlope = (-2 * pull) / (1 + pull);
      }
      if (this.runCoiled[r] > 0) length += this.runCoiled[r] * (coilFactor(reynolds, d, this.runCoilDiameter[r]) - 1);
      const loss = ((f * length) / d) * ((v * v) / (2 * GRAVITY));
      h += sign * loss;
      s += ((2 + logSlope) * loss) / size;
    }
    if (this.curveStart[l + 1] > this.curveStart[l]) {
      let i = this.curveStart[l] + 1;
      while (i < this.curveStart[l + 1] - 1 && q > this.curveFlow[i]) i++;
      const fall = (this.curveHead[i - 1] - this.curveHead[i]) / (this.curveFlow[i] - this.curveFlow[i - 1]);
      h -= this.curveHead[i - 1] - fall * (q - this.curveFlow[i - 1]);
      s += fall;
    }
    this.loss[l] = h;
    this.slope[l] = s;
  }
}
