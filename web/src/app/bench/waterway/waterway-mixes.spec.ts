import { assess, LAYOUTS, parseRig, type RigDocument } from '@pozzo/core';
import { layoutWaterway, leftToRight } from './waterway-layout';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const draw = (d: RigDocument, system: 'us' | 'metric' = 'us') => layoutWaterway(d, assess(parseRig(d)), system);

describe('the chemical side on the waterway', () => {
  test('a proportioner joins water and chemicals at its mark, each in its colour', () => {
    const w = draw(layout('tied-tanks'));
    const own = w.pipes.filter((p) => p.key === 'mix:blend');
    expect(own.filter((p) => p.kind === 'stream')).toHaveLength(1);
    expect(own.filter((p) => p.kind === 'chem').length).toBeGreaterThanOrEqual(3);
    expect(w.nodes.filter((n) => n.kind === 'mix').map((n) => n.name)).toEqual(['Proportioner']);
    expect(w.nodes.find((n) => n.kind === 'soft-pump')!.sub).toMatch(/gpm · .*psi/);
  });
  test('an injected mix leads into the hose of its gun', () => {
    const w = draw(layout('small-buffer'));
    expect(w.pipes.map((p) => p.title?.text)).toContain('into the hose of Gun');
    expect(w.pipes.find((p) => p.title?.text === 'into the hose of Gun')!.title!.sub).toMatch(/% at the wall/);
  });
  test('a glass line is water all the way, with no strength to tell', () => {
    const w = draw(layout('metric-header'), 'metric');
    const own = w.pipes.filter((p) => p.key === 'mix:glass');
    expect(own.every((p) => p.kind === 'stream')).toBe(true);
    expect(w.nodes.find((n) => n.kind === 'gun' && n.key === 'mix:glass')!.sub).toMatch(/^\d.*L\/min$/);
  });
  test('chemical tanks are chemical, and stand within the drawing below the water', () => {
    const w = draw(layout('crew-of-four'));
    expect(w.tanks.filter((t) => t.chemical).map((t) => t.name)).toEqual(['SH tank', 'Soap tank', 'Mix Roofs', 'Mix Growth']);
    w.tanks.slice(1).forEach((t, i) => expect(t.y).toBeGreaterThanOrEqual(w.tanks[i].y + w.tanks[i].height));
    for (const t of w.tanks) expect(t.y + t.height).toBeLessThanOrEqual(w.height);
  });
  test('a mix that goes wrong is the one that shouts', () => {
    const d = layout('crew-of-four');
    for (const p of d.lines.find((l) => l.id === 'blend-sh')!.parts) if (p.kind === 'valve') p.setting = '90 %';
    const w = draw(d);
    expect(new Set([...w.pipes, ...w.nodes, ...w.tanks].filter((s) => s.loud).map((s) => s.key))).toEqual(new Set(['mix:blend']));
  });
});

test('the keyboard goes through it from left to right, spigot first', () => {
  for (const id of ['crew-of-four', 'tied-tanks', 'buffer-skid']) {
    const order = leftToRight(draw(layout(id)));
    expect(new Set(order.map((x) => x.track)).size).toBe(order.length);
    const places = order.flatMap((x) => (x.is === 'pipe' ? [] : [x.of.x]));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    const at = (kind: string) => order.findIndex((x) => x.is !== 'tank' && x.of.kind === kind);
    expect(at('spigot')).toBeLessThan(at('fill'));
    expect(at('feed')).toBeLessThan(at('machine'));
    expect(at('machine')).toBeLessThan(at('gun'));
  }
});
