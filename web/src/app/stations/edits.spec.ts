import {
  addFill,
  addGun,
  addMachine,
  addReel,
  addSite,
  addTank,
  alsoFrom,
  assess,
  boost,
  branchOf,
  DEMO_RIGS,
  feedFrom,
  feedLines,
  inletsOf,
  joinInto,
  LAYOUTS,
  newHeader,
  parseRig,
  pontoonRig,
  removeBooster,
  removeFill,
  removeGun,
  type RigDocument,
  splitGun,
  switchInlet,
  tie,
} from '@pozzo/core';
import { layoutWaterway } from '../bench/waterway/waterway-layout';

const after = (change: (d: RigDocument) => void, start: () => RigDocument = pontoonRig) => {
  const d = start();
  change(d);
  return { d, a: assess(parseRig(d)) };
};

test('two machines share a header that is put in, and both are fed from it', () => {
  const { d, a } = after((x) => {
    newHeader(x, 'washer-a');
    addMachine(x);
    feedFrom(x, 'washer', 'manifold:header');
  });
  expect(d.manifolds.map((m) => m.id)).toEqual(['header']);
  expect(a.feeds.map((f) => f.lineIds[0])).toEqual(['main-header', 'main-header']);
  expect(a.feeds.every((f) => f.sourceId === 'water')).toBe(true);
});

test('a machine runs straight from the spigot, and is warned of a poor site', () => {
  const { a } = after((d) => feedFrom(d, 'washer-a', 'spigot:spigot'));
  expect(a.feeds[0]).toMatchObject({ direct: true, sourceId: 'spigot' });
  expect(a.findings.map((f) => f.code)).toContain('feed-starved');
});

test('a booster goes in and comes out again without a trace on the water', () => {
  const before = assess(parseRig(pontoonRig())).feeds[0].margin.value;
  const { d, a } = after((x) => boost(x, 'washer-a'));
  expect(a.feeds[0].boosted).toBe(true);
  expect(a.feeds[0].margin.value).toBeGreaterThan(before + 5);
  removeBooster(d, 'booster');
  expect(assess(parseRig(d)).feeds[0].margin.value).toBeCloseTo(before, 6);
});

test('an inlet is switched to antifreeze and back', () => {
  const { d, a } = after((x) => {
    const id = addTank(x);
    alsoFrom(x, 'washer-a', id);
    switchInlet(x, 'washer-a', inletsOf(x, 'washer-a')[1].id);
  });
  expect(a.feeds[0].sourceId).toBe('tank');
  switchInlet(d, 'washer-a', inletsOf(d, 'washer-a')[0].id);
  expect(assess(parseRig(d)).feeds[0].sourceId).toBe('water');
  expect(feedLines(d, 'washer-a').map((l) => l.id)).toEqual(['feed-a']);
  expect(branchOf(d, 'washer-a')?.id).toBe('feed-a');
});

test('two tanks are tied and fall together', () => {
  const { a } = after((d) => tie(d, 'water', addTank(d)));
  expect(a.tanks[0].tiedIds).toHaveLength(2);
  expect(a.tanks[0].fullVolumeM3).toBe(a.tanks[1].fullVolumeM3);
  expect(a.tanks[0].tie!.differenceM.value).toBeGreaterThanOrEqual(0);
});

test('a gun is split in two halves; with one open half the flow turns back', () => {
  const { a } = after((d) => void splitGun(d, 'gun-a'));
  expect(a.outlets).toHaveLength(2);
  const one = a.cases.find((c) => c.label === 'Gun')!;
  expect(one.machines[0].returnedM3s / (8 * 6.309e-5)).toBeGreaterThan(0.35);
  expect(a.cases.at(-1)!.machines[0].returnedM3s / (8 * 6.309e-5)).toBeLessThan(0.2);
});

test('guns and fill lines are added and removed', () => {
  const d = pontoonRig();
  const second = splitGun(d, 'gun-a')!;
  removeGun(d, second);
  removeGun(d, 'gun-a');
  expect(d.outlets).toEqual([]);
  d.lines = d.lines.filter((l) => l.role !== 'pressure');
  addGun(d, 'washer-a');
  expect(assess(parseRig(d)).outlets).toHaveLength(1);
  removeFill(d, 'fill');
  expect(d.spigots).toEqual([]);
  expect(addFill(d, 'water')).toBe('fill');
  expect(assess(parseRig(d)).fills[0].arrives.value).toBeGreaterThan(0);
});

test('two machines are joined into one hose, which then carries both flows', () => {
  const { a } = after((d) => {
    const id = addMachine(d);
    joinInto(d, id, 'gun-a');
    d.outlets[0].nozzle.size = '13';
    for (const l of d.lines) for (const p of l.parts) if (p.kind === 'hose' && l.role === 'pressure') p.bore = '1/2 in';
  });
  expect(a.outlets).toHaveLength(1);
  expect(a.outlets[0].machineIds).toEqual(['washer-a', 'washer']);
  expect(a.outlets[0].flow.value / 6.309e-5).toBeGreaterThan(11);
});

test('a reel is added where it does not cross, and goes with its line', () => {
  const d = pontoonRig();
  d.reels = [];
  addReel(d, 'hose-a');
  addReel(d, 'fill');
  expect(d.reels.map((r) => r.row)).toEqual(['1', '2']);
  addSite(d);
  expect(assess(parseRig(d)).findings.map((f) => f.code)).toEqual(['reel-order']);
  removeFill(d, 'fill');
  expect(d.reels.map((r) => r.line)).toEqual(['hose-a']);
});

test('nothing breaks on things that are not there', () => {
  const d = pontoonRig();
  for (const change of [
    () => tie(d, 'x', 'y'),
    () => alsoFrom(d, 'washer-a', 'x'),
    () => newHeader(d, 'x'),
    () => boost(d, 'x'),
    () => splitGun(d, 'x'),
    () => addFill(d, 'x'),
  ])
    change();
  expect(d).toEqual(pontoonRig());
});

test.each(LAYOUTS.map((l) => [l.id, l] as const))('the waterway draws %s with room for its words', (_id, layout) => {
  const d = layout.make();
  const w = layoutWaterway(d, assess(parseRig(d)), 'us');
  const guns = w.nodes
    .filter((n) => n.kind === 'gun')
    .map((n) => n.y)
    .sort((p, q) => p - q);
  guns.slice(1).forEach((y, i) => expect(y - guns[i]).toBeGreaterThanOrEqual(100));
  expect(w.pipes.filter((p) => p.kind === 'feed')).toHaveLength(d.machines.length);
  const taps = w.nodes.filter((n) => n.kind === 'spigot').map((n) => n.y);
  expect(new Set(taps).size).toBe(taps.length);
  for (const n of w.nodes) expect(n.y).toBeLessThan(w.height);
});

test('every build of the demo has an id of its own', () => expect(new Set(DEMO_RIGS().map((r) => r.id)).size).toBe(DEMO_RIGS().length));
