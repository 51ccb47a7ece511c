import { LAYOUTS } from '../../layouts/layouts';
import { parseRig, readRig } from '../../rig/read';
import { reread } from '../../rig/reread';
import type { RigDocument, Tank } from '../../rig/schema';
import { seeded } from '../../testing/near';
import { unlike } from '../../testing/unlike';
import { Alike, onlyRenamed, sameWater } from './alike';
import { assess } from '../assess';
import { reassess } from './reassess';

const crew = (): RigDocument => LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();

describe('tanks that hold the same water', () => {
  const [water] = parseRig(crew()).tanks;
  if (water.shape.kind !== 'box') throw new Error('no box');
  const walls = (height: number, more: Partial<Tank> = {}): Tank => ({
    ...water,
    shape: { ...(water.shape as { kind: 'box'; length: number; width: number }), height },
    ...more,
  });
  const [full] = [water.fullLevel];

  test('are those whose walls differ beyond what is filled alone', () => {
    expect(sameWater(walls(full), walls(full + 0.3))).toBe(true);
    expect(sameWater(walls(full + 0.1), walls(full + 0.3, { name: 'Another' }))).toBe(true);
    expect(sameWater(walls(full - 0.01), walls(full + 0.3))).toBe(false);
    expect(sameWater(walls(full + 0.3), walls(full - 0.01))).toBe(false);
    // Water is told to stand higher than it is filled to.
    const start = { startLevel: full + 0.2 };
    expect(sameWater(walls(full + 0.1, start), walls(full + 0.3, start))).toBe(false);
    expect(sameWater(walls(full), walls(full, { base: water.base + 0.1 }))).toBe(false);
    expect(sameWater(walls(full), { ...walls(full), shape: { ...water.shape, length: 1 } as Tank['shape'] })).toBe(false);
  });
  test('are none whose walls are round from below to above: those are round otherwise once they are taller', () => {
    const lying = (diameter: number): Tank => ({ ...water, fullLevel: 0.5, startLevel: 0.5, shape: { kind: 'lying-cylinder', diameter, length: 1 } });
    const oval = (height: number): Tank => ({ ...water, fullLevel: 0.5, startLevel: 0.5, shape: { kind: 'elliptical', width: 1, height, length: 1 } });
    expect(sameWater(lying(0.8), lying(0.9))).toBe(false);
    expect(sameWater(oval(0.8), oval(0.9))).toBe(false);
    // The very same shape is.
    const shape = lying(0.8).shape;
    expect(sameWater({ ...lying(0.8), shape }, { ...lying(0.8), shape, name: 'Another' })).toBe(true);
  });
  test('stand for what they were, from one to the next', () => {
    const wet = new Alike(sameWater);
    const [a, b, c, d] = [walls(full), walls(full + 0.1), walls(full + 0.2), walls(full - 0.1)];
    wet.learn([a], [b]);
    wet.learn([b], [c]);
    wet.learn([c], [d]);
    expect([a, b, c, d].map((t) => wet.of(t))).toEqual([a, a, a, d]);
    expect(wet.of(c)).toBe(a);
    const bare = new Alike(onlyRenamed);
    const renamed = { ...a, name: 'Another' };
    bare.learn([a], [renamed]);
    bare.learn([renamed], [b]);
    expect([bare.of(renamed), bare.of(b)]).toEqual([a, b]);
    expect(bare.of(renamed)).toBe(a);
  });
});

describe('a tank’s walls, and how far it is filled, edit after edit, answer as a fresh assessment does', () => {
  const inches = (random: () => number): string => `${(4 + Math.floor(random() * 72) / 2).toFixed(1)} in`;
  test.each(['crew-of-four', 'tied-tanks', 'two-totes', 'mix-tank-truck', 'small-buffer'])('%s (seed 31)', (id) => {
    const random = seeded(31);
    let d = LAYOUTS.find((l) => l.id === id)!.make();
    let read = readRig(d);
    if (!read.ok) throw new Error('unread');
    let last = reassess(read.rig);
    for (let i = 0; i < 60; i++) {
      const next = structuredClone(d);
      const tank = next.tanks[Math.floor(random() * next.tanks.length)];
      const what = random();
      if (what < 0.5 && 'height' in tank.shape) tank.shape.height = inches(random);
      else if (what < 0.75) tank.fullLevel = inches(random);
      else if (what < 0.9) tank.startLevel = inches(random);
      else for (const l of next.lines) if (l.from.at === 'tank' && l.from.id === tank.id) l.from.height = inches(random);
      const again = reread(next, read);
      if (!again.ok) continue;
      [d, read] = [next, again];
      last = reassess(again.rig, last);
      const { solves: _a, ...now } = last.assessment;
      const { solves: _b, ...then } = assess(parseRig(next));
      expect(unlike(now, then, `edit ${i}`)).toEqual([]);
    }
  });
});
