import { RIG_VERSION } from './version';
import { pontoonRig } from '../layouts/first-rig';
import { near } from '../testing/near';
import { parseRig, quantityRule, readRig } from './read';
import type { RigDocument, TankShape } from './schema';
import { levelOf, surfaceAt, volumeAt } from './tank-shape';
import { upgrade } from './upgrade';

const changed = (change: (d: RigDocument) => void): RigDocument => {
  const d = pontoonRig();
  change(d);
  return d;
};
const problems = (input: unknown) => {
  const r = readRig(input);
  return r.ok ? [] : r.problems;
};

describe('a rig file', () => {
  test('reads to SI and keeps its words', () => {
    const r = readRig(pontoonRig());
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    expect(r.document).toEqual(pontoonRig());
    near(r.rig.machines[0].flow, 8 * 6.30901964e-5, 1e-8);
    near(r.rig.tanks[0].shape.kind === 'box' ? r.rig.tanks[0].shape.length : 0, 52 * 0.0254, 1e-12);
  });

  test('survives JSON unchanged', () => expect(readRig(JSON.parse(JSON.stringify(pontoonRig())))).toMatchObject({ ok: true }));

  test.each<[string, (d: RigDocument) => void, string, string]>([
    ['a negative length', (d) => void ((d.lines[0].parts[0] as { length: string }).length = '-3 ft'), 'lines.0.parts.0.length', '≥ 1 mm'],
    ['a zero bore', (d) => void (d.lines[0].parts[0].bore = '0 in'), 'lines.0.parts.0.bore', '≥ 1 mm'],
    ['a huge flow', (d) => void (d.machines[0].flow = '1e9 gpm'), 'machines.0.flow', '≤ 100 gpm'],
    ['a wrong unit', (d) => void (d.machines[0].flow = '8 psi'), 'machines.0.flow', 'a flow'],
    ['not a number', (d) => void (d.tanks[0].base = 'NaN in'), 'tanks.0.base', 'a length'],
    ['no unit', (d) => void (d.tanks[0].base = '12'), 'tanks.0.base', 'a length'],
    ['an unknown field', (d) => void ((d as unknown as Record<string, unknown>)['colour'] = 'red'), 'colour', 'never'],
    ['an empty name', (d) => void (d.name = ' '), 'name', '>=1'],
    ['a line to nowhere', (d) => void (d.lines[1].to.id = 'washer-z'), 'lines.1.to.id', 'a machine'],
    ['a fill line from a machine', (d) => void (d.lines[0].from = { at: 'machine', id: 'washer-a' }), 'lines.0.from.at', 'spigot, manifold'],
    ['an id used twice', (d) => void (d.tanks[0].id = 'washer-a'), 'machines.0.id', 'unique'],
    ['an unknown assumption', (d) => void (d.assumptions['moon-phase'] = '3'), 'assumptions.moon-phase', ''],
    ['an assumption out of bounds', (d) => void (d.assumptions['pump-efficiency'] = '-5 %'), 'assumptions.pump-efficiency', '≥ 5 %'],
    ['no readings', (d) => void (d.spigots[0].readings = []), 'spigots.0.readings', '>=1'],
  ])('with %s names field and bound', (_name, change, path, bound) => {
    const found = problems(changed(change));
    expect(found.map((p) => p.path)).toContain(path);
    const p = found.find((x) => x.path === path)!;
    expect(p.bound).toContain(bound);
    expect(p.message.length).toBeGreaterThan(10);
  });

  test.each([
    [null],
    [42],
    ['text'],
    [[]],
    [{}],
    [{ format: 'other' }],
    [{ format: 'pozzo-rig' }],
    [{ format: 'pozzo-rig', version: 'x' }],
    [{ format: 'pozzo-rig', version: 1 }],
  ])('%j is refused without an exception', (input) => {
    expect(problems(input).length).toBeGreaterThan(0);
    expect(() => parseRig(input)).toThrow();
  });

  test('of a later version says what to do', () =>
    expect(problems({ ...pontoonRig(), version: 99 })[0]).toMatchObject({ code: 'version', bound: `≤ ${RIG_VERSION}` }));

  test('of an older version is lifted step by step, and the old one is left as it was', () => {
    const old = { format: 'pozzo-rig', version: 1, title: 'Skid' };
    const lifted = upgrade(old, { 1: (o) => ({ ...o, name: o['title'] }), 2: (o) => ({ ...o, name: `${String(o['name'])}!` }) }, 3);
    expect(lifted).toMatchObject({ ok: true, document: { version: 3, name: 'Skid!' } });
    expect(old).toEqual({ format: 'pozzo-rig', version: 1, title: 'Skid' });
    expect(upgrade(old, {}, 3)).toMatchObject({ ok: false, problem: { code: 'version' } });
  });
});

describe('a field asks the schema', () => {
  test.each([
    ['machines.0.flow', 'flow', '0.1 gpm'],
    ['tanks.3.shape.diameter', 'length', '2 in'],
    ['lines.0.parts.2.cvDirty', 'flowCoefficient', '0.001 Cv'],
    ['lines.0.parts.2.coiledLength', 'length', '0 m'],
    ['machines.0.npshRequired', 'length', '0 ft'],
    ['lines.0.from.height', 'length', '-10 ft'],
    ['spigots.0.readings.1.flow', 'flow', '0.05 gpm'],
  ])('%s is a %s of at least %s', (path, dimension, min) => expect(quantityRule(path)).toMatchObject({ dimension, min }));
  test.each([['machines.0.name'], ['nothing.here'], ['machines']])('%s holds no quantity', (path) => expect(quantityRule(path)).toBeUndefined());
});

describe('tanks', () => {
  const shapes: TankShape[] = [
    { kind: 'box', length: 1.2, width: 0.8, height: 0.7 },
    { kind: 'upright-cylinder', diameter: 1, height: 1.2 },
    { kind: 'lying-cylinder', diameter: 0.9, length: 1.5 },
    { kind: 'elliptical', width: 1.2, height: 0.7, length: 1.4 },
  ];
  test.each(shapes.map((s) => [s.kind, s] as const))('%s: level and volume answer each other, and the surface is the slope', (_kind, s) => {
    const height = s.kind === 'lying-cylinder' ? s.diameter : s.height;
    for (const share of [0.1, 0.3, 0.5, 0.8, 0.99]) {
      const level = share * height;
      near(levelOf(s, volumeAt(s, level)), level, 1e-9);
      near((volumeAt(s, level + 1e-6) - volumeAt(s, level - 1e-6)) / 2e-6, surfaceAt(s, level), 1e-4);
    }
    expect(volumeAt(s, -1)).toBe(0);
    expect(volumeAt(s, 99)).toBe(volumeAt(s, height));
    expect(levelOf(s, 99)).toBe(height);
  });
  test('a half-full cylinder holds half', () => near(volumeAt(shapes[2], 0.45), (Math.PI / 8) * 0.81 * 1.5, 1e-12));
});
