import { advise, applyFix } from '../../advise/advise.js';
import { assess } from '../../assess/assess.js';
import { addTap, removeTap } from '../../edit/index.js';
import { bill } from '../../catalogue/bill.js';
import { tapParts } from '../../catalogue/tap-parts.js';
import { partHeadLoss } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { parseRig, readRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { Cases } from '../../solve/cases.js';
import { tapPlace } from '../../solve/hand-tap.js';
import { assumptionValues } from '../../assumption/register.js';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const withTap = (id: string, kind: 'hose' | 'bucket' = 'hose', change: (d: RigDocument) => void = () => undefined): RigDocument => {
  const d = layout(id);
  addTap(d, d.lines.find((l) => l.role === 'fill')!.id, kind);
  change(d);
  return d;
};
const fillOf = (d: RigDocument) => assess(parseRig(d)).fills[0];
const tapOf = (d: RigDocument) => fillOf(d).taps[0];
const told = (d: RigDocument, code: string) => assess(parseRig(d)).findings.filter((f) => f.code === code);

describe('hand hose and bucket tap', () => {
  test('water is parted so that both ways lose what there is at the tee, and the spigot gives their sum', () => {
    const d = withTap('small-buffer');
    const rig = parseRig(d);
    const values = assumptionValues(rig.assumptions);
    const cases = new Cases(rig, values);
    const line = rig.lines.find((l) => l.role === 'fill')!;
    const tap = line.taps![0];
    const r = tapOf(d);
    const { water } = cases.asDrawn;
    const curve = cases.net.curves.get(line.from.id!)!;
    const spigot = rig.spigots.find((s) => s.id === line.from.id)!;
    const total = r.gives.value + r.toTank;
    const loss = (parts: readonly (typeof line.parts)[number][], q: number): number => parts.reduce((s, p) => s + partHeadLoss(p, q, water, values, false), 0);
    // By hand: the head left at the tee, from the spigot's curve and the hose at the whole flow.
    const at = tapPlace(line);
    const tee = spigot.height + (curve.staticPressurePa - curve.k * total ** 2) / (water.densityKgM3 * GRAVITY) - loss(line.parts.slice(0, at), total);
    expect(tee - tap.height).toBeCloseTo(loss(tapParts(tap), r.gives.value), 3);
    const tank = rig.tanks.find((t) => t.id === line.to.id)!;
    expect(tee - (line.to.height ?? tank.base + tank.fullLevel)).toBeCloseTo(loss(line.parts.slice(at), r.toTank), 3);
  });
  test('it takes from the tank, has all once the float is shut, and less from a poor spigot', () => {
    const d = withTap('small-buffer');
    const fill = fillOf(d);
    const [r] = fill.taps;
    expect(r.toTank).toBeLessThan(fill.arrives.value);
    expect(r.gives.value + r.toTank).toBeGreaterThan(fill.arrives.value);
    expect(r.alone).toBeGreaterThan(r.gives.value);
    expect(r.poor).toBeLessThan(r.gives.value);
    expect(r.bucketTime.value).toBeCloseTo(0.0189270589 / r.gives.value, 6);
  });
  test('never more than the spigot gives: no water comes back out of the tank, however wide the tap and poor the spigot', () => {
    for (const id of ['small-buffer', 'buffer-skid', 'crew-of-four'])
      for (const kind of ['hose', 'bucket'] as const) {
        const fill = fillOf(withTap(id, kind));
        const [r] = fill.taps;
        expect(r.toTank).toBeGreaterThanOrEqual(0);
        expect(r.gives.value + r.toTank).toBeLessThanOrEqual(fill.spigotFlow.value * 1.001);
        expect(r.alone).toBeGreaterThanOrEqual(r.gives.value * 0.999);
        expect(r.poor).toBeLessThan(0.75 * fill.spigotFlow.value);
      }
  });
  test('shut but when it is used: nothing else on the rig changes', () => {
    for (const id of ['small-buffer', 'crew-of-four', 'two-unequal']) {
      const [bare, tapped] = [assess(parseRig(layout(id))), assess(parseRig(withTap(id)))];
      expect(tapped.fills.map((f) => f.arrives.value)).toEqual(bare.fills.map((f) => f.arrives.value));
      expect(tapped.feeds.map((f) => f.worst.marginM)).toEqual(bare.feeds.map((f) => f.worst.marginM));
    }
  });
  test('a bucket tap gives more than the same tap with a long hose; a spigot read at its hose’s end counts as read', () => {
    const end = (d: RigDocument): void => void (d.spigots[0].readings = [{ flow: '4 gpm', at: 'hose-end' }]);
    const [bucket, hose] = [tapOf(withTap('small-buffer', 'bucket', end)), tapOf(withTap('small-buffer', 'hose', end))];
    expect(bucket.gives.value).toBeGreaterThan(hose.gives.value);
    // Four gallons a minute came out of the hose's open end: no tap behind it gives more than a little above that.
    expect(bucket.gives.value + bucket.toTank).toBeLessThan(1.05 * 4 * 6.30902e-5);
  });
  test('a trickle is told with a wider hose, and a tap without a backflow preventer with one', () => {
    const thin = withTap('small-buffer', 'hose', (d) => {
      const t = d.lines.find((l) => l.taps)!.taps![0];
      t.bore = '1/4 in';
      t.length = '100 ft';
    });
    expect(told(thin, 'hand-weak')).toMatchObject([{ verdict: 'tight', station: 'fill' }]);
    const wider = advise(thin, parseRig(thin), assess(parseRig(thin))).find((f) => f.code === 'hand-weak' && f.id.includes('hand-hose'));
    expect(tapOf(applyFix(thin, wider!)).gives.value).toBeGreaterThan(1.2 * tapOf(thin).gives.value);
    const both = structuredClone(thin);
    addTap(both, both.lines.find((l) => l.taps)!.id, 'bucket');
    expect(told(both, 'hand-backflow')).toMatchObject([{ verdict: 'tight' }]);
    const guard = advise(thin, parseRig(thin), assess(parseRig(thin))).find((f) => f.code === 'hand-backflow')!;
    expect(told(applyFix(thin, guard), 'hand-backflow')).toEqual([]);
    expect(told(withTap('crew-of-four'), 'hand-backflow')).toEqual([]);
  });
  test('an end above what the spigot pushes gets nothing, and says so', () => {
    const high = withTap('small-buffer', 'hose', (d) => {
      d.lines.find((l) => l.taps)!.taps![0].height = '40 ft';
      d.spigots[0].staticPressure = '12 psi';
    });
    expect(tapOf(high).gives.value).toBe(0);
    expect(tapOf(high).bucketTime.value).toBe(Infinity);
    expect(told(high, 'hand-weak')).toMatchObject([{ verdict: 'starved' }]);
  });
  test('it costs and weighs as sold, and goes off as it came', () => {
    const [bare, tapped] = [bill(parseRig(layout('small-buffer'))), bill(parseRig(withTap('small-buffer')))];
    expect(tapped.price).toBeGreaterThan(bare.price);
    expect(tapped.massKg).toBeGreaterThan(bare.massKg);
    const d = withTap('small-buffer');
    removeTap(d, d.lines.find((l) => l.taps)!.id, 'hand');
    expect(d).toEqual(layout('small-buffer'));
  });
  test('only a line from a spigot to a tank carries one, each by an id of its own', () => {
    const d = layout('small-buffer');
    const feed = d.lines.find((l) => l.role === 'feed')!;
    addTap(d, feed.id, 'hose');
    const read = readRig(d);
    expect(read.ok ? [] : read.problems.map((p) => [p.path, p.code])).toEqual([[`lines.${d.lines.indexOf(feed)}.taps`, 'end']]);
    const twice = withTap('small-buffer');
    const line = twice.lines.find((l) => l.taps)!;
    line.taps!.push({ ...line.taps![0] });
    const again = readRig(twice);
    expect(again.ok ? [] : again.problems.map((p) => p.code)).toEqual(['twice']);
  });
});
