import { advise, applyFix } from '../../advise/advise';
import { moveThing } from '../../edit/place';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';
import { say } from '../../working/figure';

const layout = (id: string, slope?: { nose: string; kerb: string }): RigDocument => {
  const d = LAYOUTS.find((l) => l.id === id)!.make();
  if (slope) d.platform!.slope = slope;
  return d;
};
const told = (d: RigDocument, code: string): string[] =>
  judged(d)
    .findings.filter((f) => f.code === code)
    .map((f) => say(f.message, 'us').replace(/[\u00a0\u202f]/g, ' '));
const INCH = 0.0254;

describe('on the steepest site', () => {
  test('nothing is judged on level sites, nor without a platform', () => {
    const d = layout('big-tank');
    expect(judged(d).slope).toBeUndefined();
    d.platform!.slope = { nose: '8 %', kerb: '4 %' };
    delete d.platform;
    delete d.placements;
    expect(judged(d).slope).toBeUndefined();
  });
  test('no layout is in trouble on a slope of 8 % along and 4 % across', () => {
    for (const l of LAYOUTS) expect([l.id, told(layout(l.id, { nose: '8 %', kerb: '4 %' }), 'slope-feed')]).toEqual([l.id, []]);
  });
  test('a tank of straight walls keeps its floor times the tilt; a slope the other way keeps as much', () => {
    const d = layout('big-tank', { nose: '10 %', kerb: '0 %' });
    const rig = parseRig(d);
    const [kept] = judged(d).slope!.tanks;
    const tank = rig.tanks.find((t) => t.id === kept.tankId)!;
    const own = judged(d).plan!.lines.find((l) => rig.lines.find((x) => x.id === l.lineId)!.from.id === tank.id)!;
    const at = rig.placements.find((p) => p.thing === tank.id)!;
    if (tank.shape.kind !== 'box' || at.turned === '0') throw new Error('another layout');
    // Turned by a quarter: its width lies along the deck.
    const middle = at.x + tank.shape.width / 2;
    near(kept.tiltM, 0.1 * Math.abs(own.points[0].x - middle), 1e-9);
    near(kept.keptM3, kept.tiltM * tank.shape.length * tank.shape.width, 1e-9);
    d.platform!.slope = { nose: '-10 %', kerb: '0 %' };
    near(judged(d).slope!.tanks[0].keptM3, kept.keptM3, 1e-12);
  });
  test('a pump is as much higher over the outlet as the slope times the way between them, which its margin loses', () => {
    const d = layout('crew-of-four', { nose: '5 %', kerb: '0 %' });
    const a = judged(d);
    for (const f of a.slope!.feeds) {
      const feed = a.feeds.find((x) => x.machineId === f.machineId)!;
      const [from, to] = [feed.lineIds[0], feed.lineIds[feed.lineIds.length - 1]].map((id) => a.plan!.lines.find((l) => l.lineId === id)!);
      near(f.dropM, 0.05 * Math.abs(from.points[0].x - to.points.at(-1)!.x), 1e-9);
      near(f.marginM, feed.worst.marginM - f.dropM, 1e-12);
    }
    // Twice as steep takes twice as much.
    const twice = judged(layout('crew-of-four', { nose: '10 %', kerb: '0 %' })).slope!.feeds;
    twice.forEach((f, i) => near(f.dropM, 2 * a.slope!.feeds[i].dropM, 1e-9));
  });
  test('a pump that is fed on the level and starves on the slope is told, and a tank that stands higher cures it', () => {
    const d = layout('big-tank', { nose: '30 %', kerb: '0 %' });
    moveThing(d, 'washer-a', 20 * INCH, 0);
    const spare = judged(d).slope!.feeds[0];
    // A pump that asks for just more than the slope leaves it.
    d.machines[0].npshRequired = `${(2 + (parseRig(d).machines[0].npshRequired ?? 0) + spare.marginM + spare.dropM / 2).toFixed(3)} m`;
    for (let i = 0; i < 6 && judged(d).slope!.feeds[0].marginM >= 0; i++)
      d.machines[0].npshRequired = `${(parseRig(d).machines[0].npshRequired! + judged(d).slope!.feeds[0].marginM + spare.dropM / 2).toFixed(3)} m`;
    const now = judged(d);
    expect(now.feeds[0].worst.marginM).toBeGreaterThan(0);
    expect(told(d, 'slope-feed')).toEqual([
      expect.stringMatching(/^Washer A is fed on the level with .* of inlet head to spare; on the steepest site it may stand .* higher/),
    ]);
    const fix = advise(d, parseRig(d), now).find((f) => f.code === 'slope-feed' && f.cures)!;
    expect(told(applyFix(d, fix), 'slope-feed')).toEqual([]);
  });
  test('a tank that keeps much is told with its share; less is not', () => {
    const d = layout('winter-split', { nose: '12 %', kerb: '6 %' });
    expect(told(d, 'slope-heel')).toEqual([
      expect.stringMatching(
        /^On the steepest site Water keeps [\d.]+ gal from its outlet, [\d.]+% of what it gives on the level: it runs dry so much earlier\.$/,
      ),
    ]);
    d.assumptions['slope-kept'] = '60 %';
    expect(told(d, 'slope-heel')).toEqual([]);
  });
  test('what has no place is not judged', () => {
    const d = layout('big-tank', { nose: '8 %', kerb: '4 %' });
    d.placements = d.placements!.filter((p) => p.thing !== 'water');
    expect(judged(d).slope!).toMatchObject({ tanks: [], feeds: [] });
  });
});
