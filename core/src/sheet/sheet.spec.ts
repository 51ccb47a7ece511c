import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import { near } from '../testing/near';
import { deckDrawing, type Drawing, DRAWING_LAYERS } from './deck-drawing';
import { svgOf } from './svg';

const drawingOf = (id: string, units: 'us' | 'metric' = 'us'): Drawing => deckDrawing(parseRig(LAYOUTS.find((l) => l.id === id)!.make()), units)!;
const texts = (d: Drawing) => d.strokes.flatMap((s) => (s.kind === 'text' ? [s] : []));

describe('the drawing of a deck', () => {
  test.each(LAYOUTS.map((l) => l.id))('%s: all of it lies within its sheet, on layers that are known, with words that can be read', (id) => {
    const d = drawingOf(id);
    const { x0, x1, y0, y1 } = d.bounds;
    for (const s of d.strokes) {
      expect(DRAWING_LAYERS).toContain(s.layer);
      const points = s.kind === 'line' ? s.points : [s.at];
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(x0 - 0.2);
        expect(x).toBeLessThanOrEqual(x1 + 0.2);
        expect(y).toBeGreaterThanOrEqual(y0 - 1e-9);
        expect(y).toBeLessThanOrEqual(y1 + 1e-9);
      }
    }
    for (const t of texts(d)) expect([t.text, t.size >= 0.028]).toEqual([t.text, true]);
  });
  test('no name in the plan lies over another', () => {
    for (const l of LAYOUTS) {
      const boxes = texts(drawingOf(l.id)).filter((t) => t.layer === 'labels' && t.anchor === 'middle');
      const wide = (t: (typeof boxes)[number]): number => 0.5 * t.size * t.text.length;
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1)) {
          const apart = Math.abs(a.at[1] - b.at[1]) > 0.8 * Math.min(a.size, b.size) || Math.abs(a.at[0] - b.at[0]) > (wide(a) + wide(b)) / 2 - 1e-6;
          expect([l.id, a.text, b.text, apart]).toEqual([l.id, a.text, b.text, true]);
        }
      });
    }
  });
  test('its measures are those of the platform, in either system', () => {
    expect(texts(drawingOf('big-tank')).map((t) => t.text)).toEqual(expect.arrayContaining(['168\u00a0in', '83\u00a0in']));
    expect(texts(drawingOf('metric-header', 'metric')).map((t) => t.text)).toEqual(expect.arrayContaining(['300\u00a0cm', '160\u00a0cm']));
  });
  test('a rig without a platform is not drawn', () => {
    const d = LAYOUTS[0].make();
    delete d.platform;
    delete d.placements;
    expect(deckDrawing(parseRig(d), 'us')).toBeUndefined();
  });
  test('levels show as they stand', () => {
    const rig = parseRig(LAYOUTS.find((l) => l.id === 'big-tank')!.make());
    const liquid = (levels: readonly number[]): number => deckDrawing(rig, 'us', levels)!.strokes.filter((s) => s.layer === 'liquid').length;
    expect(liquid(rig.tanks.map(() => 0))).toBe(0);
    expect(liquid(rig.tanks.map((t) => t.fullLevel))).toBe(rig.tanks.length);
  });
});

describe('as SVG', () => {
  test('is to scale: at half the scale it is half as wide', () => {
    const width = (scale: number): number => Number(/width="([\d.]+)mm"/.exec(svgOf(drawingOf('big-tank'), scale))![1]);
    near(width(10) / width(20), 2, 1e-3);
    const { x0, x1 } = drawingOf('big-tank').bounds;
    near(width(20), ((x1 - x0) * 1000) / 20, 1e-3);
  });
  test('holds no number that is none', () => {
    for (const l of LAYOUTS) expect(svgOf(drawingOf(l.id))).not.toMatch(/NaN|undefined|Infinity/);
  });
});
