import { scaleLinear } from 'd3-scale';

/** Corners of a part of a drawing: x to the right, y down. */
export interface Area {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** Metres to drawn units, the same along and up: x to the right, heights upwards. */
export interface TrueScale {
  /** Drawn units for a metre. */
  readonly k: number;
  readonly x: (metres: number) => number;
  readonly y: (height: number) => number;
  /** Metres for a length in drawn units. */
  readonly metres: (drawn: number) => number;
}

/** The largest true scale at which a piece of the world fits an area; what is left over is shared to both sides. */
export function trueScale(world: { readonly left: number; readonly right: number; readonly low: number; readonly high: number }, area: Area): TrueScale {
  const along = Math.max(world.right - world.left, 1e-6);
  const up = Math.max(world.high - world.low, 1e-6);
  const k = Math.min((area.x1 - area.x0) / along, (area.y1 - area.y0) / up);
  const spare = area.x1 - area.x0 - along * k;
  const x = scaleLinear([world.left, world.right === world.left ? world.left + along : world.right], [area.x0 + spare / 2, area.x0 + spare / 2 + along * k]);
  const y = scaleLinear([world.low, world.high === world.low ? world.low + up : world.high], [area.y1, area.y1 - up * k]);
  return { k, x: (m) => x(m), y: (m) => y(m), metres: (d) => d / k };
}

/** A share of a whole as a length of a bar; what is outside is cut at the ends. */
export function barScale(whole: number, length: number, most = length): (value: number) => number {
  const s = scaleLinear([0, whole > 0 ? whole : 1], [0, length]);
  return (value) => Math.min(Math.max(s(Number.isFinite(value) ? value : 0), 0), most);
}

/** Values from nothing to the most on an arc from the left over the top to the right: radians anticlockwise from the right. */
export function dialScale(most: number): (value: number) => number {
  const s = scaleLinear([0, most > 0 ? most : 1], [Math.PI, 0]).clamp(true);
  return (value) => s(value);
}
