import fc from 'fast-check';
import { dimensionAlong, dimensionUp, through } from './dimension';
import { alongPath, type Label, labelInside, placeLabels } from './labels';
import { type Area, barScale, dialScale, trueScale } from './scale';

const meets = (a: Area, b: Area): boolean => a.x0 < b.x1 - 1e-9 && b.x0 < a.x1 - 1e-9 && a.y0 < b.y1 - 1e-9 && b.y0 < a.y1 - 1e-9;
const FRAME: Area = { x0: 0, y0: 0, x1: 640, y1: 300 };

describe('true scale', () => {
  it('is the same along and up, keeps everything in its area, and has heights upwards', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: 0.01, max: 6, noNaN: true }),
        (left, wide, low, tall) => {
          const s = trueScale({ left, right: left + wide, low, high: low + tall }, FRAME);
          expect(s.x(left + wide) - s.x(left)).toBeCloseTo(wide * s.k, 6);
          expect(s.y(low) - s.y(low + tall)).toBeCloseTo(tall * s.k, 6);
          expect(s.y(low)).toBeCloseTo(FRAME.y1, 6);
          expect(s.x(left)).toBeGreaterThanOrEqual(-1e-6);
          expect(s.x(left + wide)).toBeLessThanOrEqual(640 + 1e-6);
          expect(s.y(low + tall)).toBeGreaterThanOrEqual(-1e-6);
          expect(s.metres(s.k)).toBeCloseTo(1, 12);
          // As large as fits: one of the two sides is filled.
          expect(Math.min(640 - wide * s.k, 300 - tall * s.k)).toBeLessThan(1e-6);
        },
      ),
    );
  });

  it('draws a world without extent and a bar of nothing without a NaN', () => {
    const s = trueScale({ left: 1, right: 1, low: 2, high: 2 }, FRAME);
    expect([s.x(1), s.y(2), s.k].every(Number.isFinite)).toBe(true);
    const bar = barScale(0, 100);
    expect([bar(0), bar(NaN), bar(-3), bar(1e9)]).toEqual([0, 0, 0, 100]);
    expect(barScale(1, 100, 120)(1.5)).toBe(120);
    expect(dialScale(0.06)(0.03)).toBeCloseTo(Math.PI / 2, 12);
    expect(dialScale(0.06)(1)).toBe(0);
  });
});

describe('dimension lines', () => {
  it('run from edge to edge with a stroke at each end and the figure beside the middle', () => {
    const along = dimensionAlong(10, 110, 50, '41 in', { at: 110, y: 90 });
    expect(along.path).toBe('M10,50L110,50M10,46L10,54M110,46L110,54M110,50L110,90');
    expect([along.x, along.y, along.anchor]).toEqual([60, 46, 'middle']);
    const up = dimensionUp(20, 80, 200, '24 in', 'left');
    expect(up.path).toBe('M200,20L200,80M196,20L204,20M196,80L204,80');
    expect([up.x, up.y, up.anchor]).toEqual([192, 55, 'end']);
    expect(through([])).toBe('');
    expect(
      through(
        [
          [0, 0],
          [4, 0],
          [4, 4],
        ],
        true,
      ),
    ).toBe('M0,0L4,0L4,4Z');
  });
});

describe('labels', () => {
  const label = fc.record({
    x: fc.double({ min: 0, max: 640, noNaN: true }),
    y: fc.double({ min: 0, max: 300, noNaN: true }),
    lines: fc.array(fc.string({ minLength: 1, maxLength: 18 }), { minLength: 1, maxLength: 2 }),
  });

  it('never stand over one another or over what is drawn while they say that their place is free, and stay in the frame', () => {
    fc.assert(
      fc.property(
        fc.array(label, { maxLength: 7 }),
        fc.array(fc.tuple(fc.double({ min: 0, max: 600, noNaN: true }), fc.double({ min: 0, max: 280, noNaN: true })), { maxLength: 6 }),
        (labels, corners) => {
          const taken = corners.map(([x0, y0]): Area => ({ x0, y0, x1: x0 + 40, y1: y0 + 20 }));
          const placed = [
            ...placeLabels(
              labels.map((l, i): Label => ({ ...l, id: String(i) })),
              taken,
              FRAME,
            ).values(),
          ];
          expect(placed).toHaveLength(labels.length);
          placed.forEach((p, i) => {
            expect(p.box.x0).toBeGreaterThanOrEqual(-1e-6);
            expect(p.box.y1).toBeLessThanOrEqual(300 + 1e-6);
            if (!p.clear) return;
            for (const t of taken) expect(meets(p.box, t)).toBe(false);
            for (const before of placed.slice(0, i)) expect(meets(p.box, before.box)).toBe(false);
          });
        },
      ),
    );
  });

  it('find a free place wherever a drawing has room: six names at one point', () => {
    const six = Array.from({ length: 6 }, (_, i): Label => ({ id: String(i), lines: ['Washer, rear', '3 in to spare'], x: 320, y: 150 }));
    const placed = [...placeLabels(six, [], FRAME).values()];
    expect(placed.every((p) => p.clear)).toBe(true);
    // What stands away from its point is led back to it.
    expect(placed.at(-1)!.leader).toMatch(/^M320,150L/);
    expect(placed[0].leader).toBeUndefined();
  });

  it('says that it stands over something where all is taken', () => {
    const all: Area = { x0: 0, y0: 0, x1: 640, y1: 300 };
    expect(placeLabels([{ id: 'a', lines: ['name'], x: 50, y: 50 }], [all], FRAME).get('a')!.clear).toBe(false);
  });

  it('a slanted stretch takes its own strip, not its whole rectangle', () => {
    const strip = alongPath([
      [0, 0],
      [200, 200],
    ]);
    expect(strip.length).toBeGreaterThan(10);
    expect(strip.some((a) => meets(a, { x0: 150, y0: 10, x1: 190, y1: 40 }))).toBe(false);
    expect(strip.some((a) => meets(a, { x0: 95, y0: 95, x1: 105, y1: 105 }))).toBe(true);
  });

  it('a name stands in its box along, upright, or not at all', () => {
    expect(labelInside('Water tank', 200, 60)).toEqual({ text: 'Water tank', size: 15, upright: false });
    expect(labelInside('Water tank', 22, 200)?.upright).toBe(true);
    expect(labelInside('Water tank', 20, 20)).toBeUndefined();
  });
});
