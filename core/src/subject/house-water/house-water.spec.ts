import { advise, applyFix } from '../../advise/advise';
import { feedFrom } from '../../edit/feed';
import { takePart } from '../../catalogue/items';
import { line as drawn, parts } from '../../catalogue/build-line';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import { shapeHeight } from '../../rig/tank-shape';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { openWays } from './house-water';

/*
 * Plumbing codes sort what may come back by its hazard: chemicals are the worst, held off by an air gap or a reduced pressure
 * device; water that has stood in a tank is a middling one (IPC 608, EN 1717; from memory).
 */
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument): readonly string[] =>
  judged(d)
    .findings.filter((f) => f.code.startsWith('house-'))
    .map((f) => `${f.code} ${f.verdict}`);
const guard = (d: RigDocument, id: string, item = 'reduced-pressure-34'): void =>
  void d.lines.find((l) => l.id === id)!.parts.splice(1, 0, takePart(item, 'guard'));
const unguard = (d: RigDocument, id: string): void => {
  const l = d.lines.find((x) => x.id === id)!;
  l.parts = l.parts.filter((p) => p.is !== 'backflow-preventer');
};

test('no layout is told of any way', () => {
  for (const l of LAYOUTS) expect([l.id, told(l.make())]).toEqual([l.id, []]);
});

describe('a washer straight off a spigot', () => {
  test('wants a backflow preventer; with one it is well, and the fix puts it in', () => {
    const d = layout('two-batch');
    unguard(d, 'feed-a');
    expect(told(d)).toEqual(['house-direct tight']);
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'house-direct')!;
    expect(told(applyFix(d, fix))).toEqual([]);
  });
  test('whose hose an injector feeds is unsafe: soap and SH come back', () => {
    const d = layout('small-buffer');
    const injected = d.mixes!.find((m) => m.injector)!;
    const washer = d.machines[0].id;
    feedFrom(d, washer, `spigot:${d.spigots[0].id}`);
    expect(injected.injector!.outlet).toBe(d.outlets[0].id);
    expect(told(d)).toContain('house-chemical stop');
    expect(judged(d).verdict).toBe('stop');
    const feed = d.lines.find((l) => l.from.at === 'spigot' && l.role === 'feed')!;
    guard(d, feed.id);
    expect(told(d)).toEqual([]);
  });
});

describe('a tank of chemicals filled from a spigot', () => {
  const batch = (height: string): RigDocument => {
    const d = layout('two-batch');
    const t = d.tanks.find((x) => x.liquid === 'chemical')!;
    d.lines.push(drawn('batch-fill', 'fill', `spigot:${d.spigots[0].id}`, `tank:${t.id}@${height}`, parts('hose-garden-34', 'float-valve-34')));
    return d;
  };
  test('under its surface is unsafe, and level with its lid too; twice its bore clear above it there is an air gap', () => {
    expect(told(batch('4 in'))).toEqual(['house-chemical stop']);
    const d = batch('4 in');
    const t = parseRig(d).tanks.find((x) => x.liquid === 'chemical')!;
    // A tank's bulkheads count from its bottom.
    const lid = shapeHeight(t.shape);
    expect(told(batch(`${lid} m`))).toEqual(['house-chemical stop']);
    // 3/4 in ends: 1 1/2 in, 38.1 mm.
    expect(told(batch(`${lid + 0.037} m`))).toEqual(['house-chemical stop']);
    expect(told(batch(`${lid + 0.039} m`))).toEqual([]);
  });
  test('with a preventer, or shut, it is not', () => {
    const safe = batch('4 in');
    guard(safe, 'batch-fill');
    expect(told(safe)).toEqual([]);
    const shut = batch('4 in');
    shut.lines.at(-1)!.closed = true;
    expect(told(shut)).toEqual([]);
  });
});

test('a proportioner straight off a spigot is unsafe: its stock comes back; from a tank it is not', () => {
  const d = layout('tied-tanks');
  const water = d.lines.find((l) => l.role === 'chemical' && l.to.at === 'mix' && d.tanks.some((t) => t.id === l.from.id && t.liquid === 'water'))!;
  expect(told(d)).toEqual([]);
  water.from = { at: 'spigot', id: d.spigots[0].id };
  expect(told(d)).toEqual(['house-chemical stop']);
});

describe('a tank of water', () => {
  const at = (height: string): RigDocument => {
    const d = layout('buffer-skid');
    d.lines.find((l) => l.role === 'fill')!.to.height = height;
    return d;
  };
  test('filled near its bottom may be siphoned out; at its brim or above it may not', () => {
    expect(told(at('4 in'))).toEqual(['house-drowned tight']);
    expect(told(at('34 in'))).toEqual([]);
    const d = at('4 in');
    guard(d, 'fill');
    expect(told(d)).toEqual([]);
  });
});

test('a way is followed through a header, and named by the line that leaves the spigot', () => {
  const d = layout('two-batch');
  unguard(d, 'feed-a');
  d.manifolds.push({ id: 'header', name: 'Header', height: '10 in' });
  const feed = d.lines.find((l) => l.id === 'feed-a')!;
  feed.to = { at: 'manifold', id: 'header' };
  d.lines.push(drawn('on', 'feed', 'manifold:header', 'machine:washer-a', parts('hose-helix-1')));
  expect(openWays(parseRig(d)).map((w) => [w.line.id, w.to, w.id])).toEqual([['feed-a', 'machine', 'washer-a']]);
});

describe('devices by hazard', () => {
  const direct = (item: string | undefined, chemical: boolean): RigDocument => {
    const d = layout(chemical ? 'small-buffer' : 'two-batch');
    const washer = d.machines[0].id;
    if (chemical) feedFrom(d, washer, `spigot:${d.spigots[0].id}`);
    const feed = d.lines.find((l) => l.from.at === 'spigot' && l.role === 'feed')!;
    feed.parts = feed.parts.filter((p) => p.is !== 'backflow-preventer');
    if (item) guard(d, feed.id, item);
    return d;
  };
  test.each([
    [undefined, ['house-direct tight'], ['house-chemical stop']],
    // Nobody said what it is: enough for water that has stood, not known to be for chemicals.
    ['backflow-34', [], ['house-device tight']],
    ['vacuum-breaker-34', ['house-device tight'], ['house-chemical stop']],
    ['double-check-34', [], ['house-chemical stop']],
    ['reduced-pressure-34', [], []],
  ])('%s before a washer, and before one that draws soap and SH', (item, water, chemical) => {
    expect(told(direct(item, false))).toEqual(water);
    expect(told(direct(item, true))).toEqual(chemical);
  });
  test('the fix puts in what the hazard takes, in the place of what was there', () => {
    const d = direct('double-check-34', true);
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'house-chemical')!;
    const after = applyFix(d, fix);
    expect(told(after)).toEqual([]);
    expect(after.lines.flatMap((l) => l.parts).filter((p) => p.is === 'backflow-preventer')).toEqual([expect.objectContaining({ device: 'reduced-pressure' })]);
  });
  test('a vacuum breaker holds where nothing after it shuts: an open hose into a tank', () => {
    const d = layout('buffer-skid');
    const fill = d.lines.find((l) => l.role === 'fill')!;
    fill.to.height = '4 in';
    fill.parts = [...parts('hose-garden-34'), takePart('vacuum-breaker-34', 'guard')];
    expect(told(d)).toEqual([]);
    fill.parts.push(takePart('float-valve-34', 'float'));
    expect(told(d)).toEqual(['house-device tight']);
  });
});
