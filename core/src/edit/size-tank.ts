import { TANK_SIZES } from '../catalogue/tank-sizes.js';
import { findUnit, fromSi } from '../quantity/dimension.js';
import { parseQuantity, si } from '../quantity/parse.js';
import type { RigDocument, TankDocument, TankShape } from '../rig/schema.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';
import { like, m } from './length.js';

type Shape = TankDocument['shape'];

const tall = (s: Shape): string => (s.kind === 'lying-cylinder' ? s.diameter : s.height);

/** What a shape holds to its brim, m³. */
export function volumeOf(shape: Shape): number {
  const sides = Object.fromEntries(Object.entries(shape).map(([k, x]) => [k, k === 'kind' ? x : si(x, 'length')]));
  return volumeAt(sides as unknown as TankShape, shapeHeight(sides as unknown as TankShape));
}

/** A length in the unit that it was typed in, close enough to hold a typed volume within a few parts in ten thousand. */
const exactly = (text: string, metres: number): string => {
  const read = parseQuantity(text, 'length');
  const unit = read.ok && !/ft.*in|'.*"/.test(text) ? read.unit : 'in';
  return `${Number(fromSi(metres, findUnit('length', unit)!).toPrecision(6))} ${unit}`;
};

/**
 * Changes a tank's shape. Its float and its start go with the height as long as they stood at the top or at one another;
 * what was set apart stays, as far as it still lies inside.
 */
export function reshapeTank(t: TankDocument, change: (shape: Shape) => Shape): void {
  const [was, top] = [m(tall(t.shape)), tall(t.shape)];
  const [full, start] = [m(t.fullLevel), m(t.startLevel)];
  t.shape = change(t.shape);
  const is = m(tall(t.shape));
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-4;
  const to = (level: number): string => (level === is ? tall(t.shape) : like(top, level));
  if (near(full, was) || full > is) t.fullLevel = to(is);
  if (near(start, full)) t.startLevel = t.fullLevel;
  else if (near(start, was) || start > is) t.startLevel = to(is);
}

/** Makes a tank hold so much, m³: as tall as it was, wider; a lying one longer. Everything plumbed to it keeps its height. */
export function sizeTank(d: RigDocument, tankId: string, volumeM3: number): void {
  const t = d.tanks.find((x) => x.id === tankId);
  if (!t || !(volumeM3 > 0)) return;
  const factor = volumeM3 / volumeOf(t.shape);
  const by = (text: string, f: number): string => exactly(text, m(text) * f);
  reshapeTank(t, (s) => {
    switch (s.kind) {
      case 'box':
        return { ...s, length: by(s.length, Math.sqrt(factor)), width: by(s.width, Math.sqrt(factor)) };
      case 'upright-cylinder':
        return { ...s, diameter: by(s.diameter, Math.sqrt(factor)) };
      case 'lying-cylinder':
      case 'elliptical':
        return { ...s, length: by(s.length, factor) };
    }
  });
}

/** Puts a tank off the shelf in the place of one. */
export function useTankSize(d: RigDocument, tankId: string, sizeId: string): void {
  const t = d.tanks.find((x) => x.id === tankId);
  const size = TANK_SIZES.find((x) => x.id === sizeId);
  if (t && size) reshapeTank(t, () => ({ ...size.shape }));
}
