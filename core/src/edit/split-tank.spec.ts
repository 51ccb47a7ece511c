import { advise } from '../advise/advise';
import { assess } from '../assess/assess';
import { standingOn } from '../deck/index';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig, readRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { shapeHeight, volumeAt } from '../rig/tank-shape';
import { near } from '../testing/near';
import { say } from '../working/figure';
import { splitTank } from './split-tank';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();

test('two narrow tanks hold what the one did, fill its place side by side, and are tied at the bottom', () => {
  for (const id of ['big-tank', 'two-unequal', 'crew-of-four']) {
    const d = layout(id);
    const one = parseRig(layout(id));
    const second = splitTank(d, 'water')!;
    const read = readRig(d);
    if (!read.ok) throw new Error(read.problems[0].message);
    const of = (rig: typeof one, tank: string): number => {
      const t = rig.tanks.find((x) => x.id === tank)!;
      return volumeAt(t.shape, shapeHeight(t.shape));
    };
    near(of(read.rig, 'water') + of(read.rig, second), of(one, 'water'), 1e-3);
    const box = (rig: typeof one, tank: string) => standingOn(rig).find((t) => t.id === tank)!.box!;
    const [a, b, whole] = [box(read.rig, 'water'), box(read.rig, second), box(one, 'water')];
    near(a.y1 - b.y0 + 1, 1, 1e-3);
    expect(Math.abs(b.y1 - whole.y1)).toBeLessThan(0.003);
    expect(d.lines.filter((l) => l.role === 'tie' && [l.from.id, l.to.id].includes(second))).toHaveLength(1);
  }
});

test('what moves from side to side is a quarter: the rig stands up to a harder pull', () => {
  const d = layout('big-tank');
  const half = (x: RigDocument): number => assess(parseRig(x)).weight!.states.find((s) => s.id === 'half')!.rolloverG;
  const before = half(d);
  splitTank(d, 'water');
  expect(half(d)).toBeGreaterThan(before);
});

test('a round tank, and one without a place, stay what they are', () => {
  const d = layout('big-tank');
  d.placements = d.placements!.filter((p) => p.thing !== 'water');
  expect(splitTank(d, 'water')).toBeUndefined();
  const round = layout('big-tank');
  round.tanks[0].shape = { kind: 'upright-cylinder', diameter: '40 in', height: '40 in' };
  expect(splitTank(round, 'water')).toBeUndefined();
});

test('carrying less is told with the days that go short, and less is never told as more', () => {
  const d = layout('two-batch');
  const rig = parseRig(d);
  const told = advise(d, rig, assess(rig))
    .filter((f) => f.code === 'over-gross' && f.id.includes(':carry-walls-tank-'))
    .map((f) => {
      const m = /^Carry ([\d.]+).gal in .*: (\d+) of 100 days short$/.exec(say(f.title, 'us'));
      if (!m) throw new Error(say(f.title, 'us'));
      return { gallons: Number(m[1]), days: Number(m[2]) };
    })
    .sort((a, b) => a.gallons - b.gallons);
  expect(told.length).toBeGreaterThan(2);
  told.slice(1).forEach((t, i) => expect(t.days).toBeLessThanOrEqual(told[i].days));
  expect(told[0].days).toBeGreaterThan(told[told.length - 1].days);
});
