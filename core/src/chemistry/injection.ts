import { GRAVITY } from '../fluid/air.js';
import { WATER_KG_M3 } from '../fluid/water.js';

/** What a venturi injector does on its data sheet, and where it gives up. */
export interface Injector {
  /** Parts drawn for one part of water with no lift, a short hose and the soap nozzle on. */
  readonly drawRatio: number;
  /** Suction at the throat in that state, Pa. */
  readonly vacuumPa: number;
  /** Pressure at its outlet above which it no longer draws, Pa. */
  readonly stopsAtPa: number;
}

/** How the injector is placed on the rig. */
export interface InjectorPlace {
  /** At its outlet: hose, height and nozzle after it, Pa. */
  readonly backPressurePa: number;
  /** Of the liquid's surface above the injector, m; negative when it must be lifted. */
  readonly fallM: number;
  /** Water through the injector, m³/s. */
  readonly waterM3s: number;
  /** Resistance of the draw line, Pa per (m³/s)². */
  readonly drawQuadratic: number;
  /** Of the liquid, kg/m³. */
  readonly densityKgM3: number;
}

/**
 * Parts drawn for one part of water. The throat's suction falls in proportion to the back-pressure and is gone at
 * `stopsAtPa`; the draw follows the root of what pulls it: suction and fall, through the injector's own orifice and the
 * draw line. The law of the suction is an estimate to be calibrated with a timed cup; the rest is the energy equation.
 * @returns 0 when it does not draw
 */
export function drawRatio(injector: Injector, place: InjectorPlace): number {
  const { waterM3s: water } = place;
  if (!(water > 0)) return 0;
  const suction = injector.vacuumPa * Math.max(1 - place.backPressurePa / injector.stopsAtPa, 0);
  // Without suction the ball of its check valve rests: a liquid higher than the injector does not run in by itself.
  if (suction <= 0) return 0;
  const pull = suction + place.densityKgM3 * GRAVITY * place.fallM;
  if (pull <= 0) return 0;
  const own = (injector.vacuumPa / (injector.drawRatio * water) ** 2) * (place.densityKgM3 / WATER_KG_M3);
  return Math.sqrt(pull / (own + place.drawQuadratic)) / water;
}

/** The data-sheet ratio that explains a timed cup: what was drawn scales the ratio. */
export const calibratedRatio = (injector: Injector, place: InjectorPlace, measuredRatio: number): number => {
  const now = drawRatio(injector, place);
  if (!(now > 0) || !(measuredRatio > 0)) return NaN;
  // The draw line adds to the orifice's own resistance, so the scale is found by bisection on the ratio.
  let low = 1e-4;
  let high = 10;
  for (let i = 0; i < 80; i++) {
    const middle = Math.sqrt(low * high);
    if (drawRatio({ ...injector, drawRatio: middle }, place) < measuredRatio) low = middle;
    else high = middle;
  }
  return high < 9.99 ? high : NaN;
};
