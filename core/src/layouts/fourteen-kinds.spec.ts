import { assess } from '../assess/assess';
import type { Assessment } from '../subject/assessment';
import { dayModel } from '../day/model';
import { simulateModel } from '../day/simulate-day';
import { readRig } from '../rig/read';
import type { Rig } from '../rig/schema';
import { LAYOUTS } from './layouts';

const GPM = (231 * 0.0254 ** 3) / 60;
const GALLON = 60 * GPM;
const made = (id: string): { rig: Rig; a: Assessment } => {
  const read = readRig(LAYOUTS.find((l) => l.id === id)!.make());
  if (!read.ok) throw new Error(`${id}: ${read.problems[0].message}`);
  return { rig: read.rig, a: assess(read.rig) };
};
const gpm = (m3s: number): number => m3s / GPM;
const codes = (a: Assessment): string[] => a.findings.map((f) => f.code);
const volume = (a: Assessment, tank: string): number => a.tanks.find((t) => t.tankId === tank)!.ownVolumeM3 / GALLON;

/** The kinds of rig that the trade builds, each with what makes it that kind and what the trade would say against it. */
describe('the fourteen kinds of rig', () => {
  test('1: one 8 gpm washer behind a big tank, the second plumbed for', () => {
    const { rig, a } = made('big-tank');
    expect(rig.machines).toHaveLength(1);
    expect(gpm(rig.machines[0].flow)).toBeCloseTo(8, 6);
    expect(rig.manifolds.length).toBeGreaterThanOrEqual(2);
    expect(rig.lines.some((l) => l.closed)).toBe(true);
    expect(volume(a, 'water')).toBeGreaterThan(450);
  });
  test('2: two equal washers on two tied narrow tanks, a 12 V proportioner', () => {
    const { rig, a } = made('tied-tanks');
    expect(rig.machines[0].flow).toBe(rig.machines[1].flow);
    expect(a.tanks[0].tiedIds).toHaveLength(2);
    expect(a.tanks[0].tie!.differenceM.value).toBeLessThan(0.05);
    expect(a.chemical.mixes.map((m) => m.way)).toEqual(['proportioner']);
    expect(rig.softPumps[0].kind).toBe('electric');
  });
  test('3: 9 gpm behind a small buffer, air-operated soft wash, an injector switched from the wall', () => {
    const { rig, a } = made('small-buffer');
    expect(gpm(rig.machines[0].flow)).toBeCloseTo(9, 6);
    expect(volume(a, 'buffer')).toBeLessThan(110);
    expect(rig.softPumps.map((p) => p.kind)).toEqual(['air']);
    expect(rig.mixes.find((m) => m.way === 'downstream')!.injector!.remote).toBe(true);
    // The trade would say: short of water on a poor spigot, and a flush that leaves the valves full.
    expect(codes(a)).toEqual(expect.arrayContaining(['runs-dry-poor', 'flush-partial']));
  });
  test('4: an electric 1.2 gpm detailer fed by gravity in a van', () => {
    const { rig, a } = made('gravity-van');
    expect(gpm(rig.machines[0].flow)).toBeLessThan(2);
    expect(a.feeds[0].boosted).toBe(false);
    expect(a.feeds[0].verdict).toBe('fed');
    expect(rig.boosters).toEqual([]);
  });
  test('5: metric, 21 L/min on a 200 L header with a 100 m supply hose, 12 V proportioner, a glass line', () => {
    const { rig, a } = made('metric-header');
    expect(rig.machines[0].flow * 60000).toBeCloseTo(21, 6);
    expect(a.tanks[0].fullVolumeM3 * 1000).toBeGreaterThan(190);
    expect(a.tanks[0].fullVolumeM3 * 1000).toBeLessThan(230);
    const supply = rig.lines.find((l) => l.role === 'fill')!.parts.reduce((s, p) => s + (p.kind === 'hose' ? p.length : 0), 0);
    expect(supply).toBeCloseTo(100, 0);
    expect(a.chemical.pureWater).toHaveLength(1);
    expect(a.verdict).toBe('fed');
  });
  test('6: 10 gpm split to two guns, engine-driven soft wash, a tank to winterise from', () => {
    const { rig, a } = made('winter-split');
    expect(gpm(rig.machines[0].flow)).toBeCloseTo(10, 6);
    expect(a.outlets).toHaveLength(2);
    expect(rig.softPumps.map((p) => p.kind)).toContain('engine');
    expect(rig.tanks.some((t) => t.liquid === 'antifreeze')).toBe(true);
    expect(a.chemical.winter!.away.join(' ')).toMatch(/Turn the feed valve/);
  });
  test('7: a drop-in skid with a raised washer, a transfer pump and a compressor', () => {
    const { rig, a } = made('boosted-skid');
    expect(rig.boosters[0].running).toBe(true);
    expect(a.feeds[0].boosted).toBe(true);
    expect(rig.compressors[0].freeAir).toBeGreaterThan(0);
    expect(rig.outlets.length).toBeGreaterThanOrEqual(2);
  });
  test('8: a box truck with a tote, a bunded mix tank, cam locks past the reel', () => {
    const { rig, a } = made('mix-tank-truck');
    const mix = rig.tanks.find((t) => t.bund !== undefined)!;
    // A bund holds at least what its tank does.
    expect(mix.bund!).toBeGreaterThan(a.tanks.find((t) => t.tankId === mix.id)!.ownVolumeM3);
    expect(rig.lines.some((l) => l.parts.some((p) => p.kind === 'fitting' && p.is === 'cam-coupler'))).toBe(true);
    expect(mix.dropTube).toBe(true);
    expect(mix.ventTo).toBe('outside');
  });
  test('9: two unequal washers from one header, draw stick with a spare pump', () => {
    const { rig, a } = made('two-unequal');
    expect(rig.machines[0].flow).not.toBe(rig.machines[1].flow);
    expect(new Set(a.feeds.map((f) => f.lineIds[0])).size).toBe(1);
    expect(a.chemical.mixes.map((m) => m.way)).toEqual(['draw-stick']);
    expect(a.chemical.softPumps.some((p) => p.spare)).toBe(true);
  });
  test('10: a budget single axle: two batch tanks, no water tank, the washer straight from the spigot', () => {
    const { rig, a } = made('two-batch');
    expect(rig.tanks.every((t) => t.holds !== undefined)).toBe(true);
    expect(a.feeds[0].direct).toBe(true);
    expect(a.chemical.mixes.map((m) => m.way)).toEqual(['batch', 'batch']);
    // The trade would say: at a poor spigot it starves.
    expect(codes(a)).toContain('direct-poor-spigot');
  });
  test('11: two totes of carried water, oxygen bleach mixed on site, an air-operated proportioner', () => {
    const { rig, a } = made('two-totes');
    expect(rig.spigots).toEqual([]);
    expect(a.tanks[0].tiedIds).toHaveLength(2);
    expect(rig.liquids.find((l) => l.kind === 'oxygen-bleach')!.dose! / 1).toBeCloseTo(60, 6);
    expect(rig.softPumps[0].kind).toBe('air');
    // The trade would say: mix what the day takes, it does not keep.
    expect(codes(a)).toContain('use-by');
  });
  test('12: two guns at half flow, the unused half returned to the tank', () => {
    const { rig, a } = made('two-gun-split');
    const one = a.cases.find((c) => c.guns.filter((g) => g.open).length === 1)!;
    const flow = rig.machines[0].flow;
    expect(one.machines[0].returnedM3s / flow).toBeGreaterThan(0.35);
    expect(a.bypasses[0].goesTo).toBe('tank');
  });
  test('13: the plain first rig: one tank, one washer, one reel, a dump valve and water to wash hands', () => {
    const { rig, a } = made('carried-water');
    expect([rig.machines.length, rig.reels.length]).toEqual([1, 1]);
    expect(a.drains.some((d) => d.time !== undefined)).toBe(true);
    expect(rig.outlets.length + rig.lines.filter((l) => l.role === 'dump').length).toBeGreaterThanOrEqual(2);
  });
  test('14: a crew of four: two washers, two engine-driven and one 12 V soft wash, more than 500 gal', () => {
    const { rig, a } = made('crew-of-four');
    expect(rig.outlets).toHaveLength(4);
    expect(rig.softPumps.map((p) => p.kind).sort()).toEqual(['electric', 'engine', 'engine']);
    expect(volume(a, 'water')).toBeGreaterThan(500);
    expect(a.verdict).toBe('tight');
  });
});

test('every kind is sound: it reads, its flows settle, no chemical is starved or dangerous, and its usual day can be worked', () => {
  for (const l of LAYOUTS) {
    const { rig, a } = made(l.id);
    expect(codes(a)).not.toContain('unsolved');
    // What the two batch tanks weigh together is the lesson of theirs.
    for (const f of a.findings) if (f.code !== 'over-gross' || l.id !== 'two-batch') expect(['fed', 'tight']).toContain(f.verdict);
    for (const m of a.chemical.mixes) expect(m.verdict).not.toBe('starved');
    for (const m of a.chemical.mixes) expect(m.flow.value).toBeGreaterThan(0);
    const day = simulateModel(dayModel(rig));
    expect(day.settled).toBe(true);
    expect(day.shortages.filter((s) => s.cause === 'water' || s.cause === 'feed')).toEqual([]);
  }
});
test('names are the invented yard’s, and every layout is its own', () => {
  expect(new Set(LAYOUTS.map((l) => l.title)).size).toBe(LAYOUTS.length);
  for (const l of LAYOUTS) {
    const d = l.make();
    expect(d.customer).toMatch(
      /^(Tram depot|Marina pontoon crew|Stone-conservation mason|Holiday park|Dairy co-operative|Greenhouse grower|Night-market crew|Hill village)$/,
    );
    expect(d.name.length).toBeGreaterThan(4);
    expect(l.make()).toEqual(d);
    expect(l.make()).not.toBe(d);
  }
});
