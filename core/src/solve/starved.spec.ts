import fc from 'fast-check';
import { assess } from '../assess/assess.js';
import { assumptionValues } from '../assumption/register.js';
import { dayModel } from '../day/model.js';
import { LAYOUTS } from '../layouts/layouts.js';
import { si } from '../quantity/parse.js';
import { parseRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { near } from '../testing/near.js';
import { Cases } from './cases.js';
import { feedPath, inletMargin } from './inlet.js';
import { passedFlows } from './passed-flows.js';

const GPM = si('1 gpm', 'flow');
const PSI = si('1 psi', 'pressure');
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();

/** The small electric washer of the van, 1.14 gpm against an unloader at 1600 psi, with this nozzle; its feed throttled. */
function smallWasher(nozzle: string, throttle: number | undefined): RigDocument {
  const d = layout('gravity-van');
  const [m] = d.machines;
  m.flow = '1.14 gpm';
  m.ratedPressure = '1700 psi';
  m.unloader = { kind: 'trapped-pressure', setting: '1600 psi' };
  m.inletLeast = '-1 psi';
  d.outlets[0].nozzle = { size: nozzle, angle: '25', count: '1' };
  d.lines = d.lines.map((l) => (l.role === 'pressure' ? { ...l, parts: l.parts.filter((p) => p.kind === 'hose').map((p) => ({ ...p, length: '10 ft' })) } : l));
  const feed = d.lines.find((l) => l.to.at === 'machine' && l.role === 'feed')!;
  if (throttle !== undefined) feed.parts.push({ id: 'throttle', name: 'Thin valve', kind: 'valve', is: 'inlet-valve', bore: '1/4 in', cv: `${throttle} Cv` });
  return d;
}

describe('a pump gives no more than its feed passes', () => {
  // Common practice: a washer of the 1.2 gpm class shows about 1300 psi with a number 2.0 orifice and 1600 with 1.7 on a
  // garden hose; fed by gravity, where the feed passes 1.05 gpm, 1050 and 1600.
  const gun = (d: RigDocument) => {
    const a = assess(parseRig(d));
    return { psi: a.outlets[0].pressure.value / PSI, gpm: a.outlets[0].flow.value / GPM };
  };
  /** Throttle at which the feed passes 1.05 gpm with the number 2.0 orifice. */
  const throttle = (() => {
    let [low, high] = [0.05, 20];
    for (let i = 0; i < 60; i++) {
      const half = Math.sqrt(low * high);
      if (gun(smallWasher('2.0', half)).gpm < 1.05) low = half;
      else high = half;
    }
    return high;
  })();
  test('the four gauges of a small electric washer', () => {
    near(gun(smallWasher('2.0', undefined)).psi, 1300, 0.06);
    near(gun(smallWasher('1.7', undefined)).psi, 1600, 0.06);
    near(gun(smallWasher('2.0', throttle)).psi, 1050, 0.06);
    near(gun(smallWasher('1.7', throttle)).psi, 1600, 0.06);
  });
  test('the words tell what the feed passes, at the pump and at the gun, and no head that no air has', () => {
    const d = layout('buffer-skid');
    const feed = d.lines.find((l) => l.role === 'feed')!;
    for (const p of feed.parts) if (p.kind === 'hose') Object.assign(p, { bore: '3/8 in', length: '12 ft' });
    const a = assess(parseRig(d));
    const passes = a.lineFlow[feed.id];
    expect(passes).toBeLessThan(0.7 * 8 * GPM);
    near(a.outlets.reduce((s, o) => s + o.flow.value, 0) + a.machines[0].returned.value, passes, 1e-4);
    expect(a.outlets[0].verdict).toBe('starved');
    expect(a.findings.map((f) => f.code)).toEqual(expect.arrayContaining(['feed-starved', 'gun-weak']));
  });
  test('the day gives the gun no more either', () => {
    const d = layout('buffer-skid');
    for (const p of d.lines.find((l) => l.role === 'feed')!.parts) if (p.kind === 'hose') Object.assign(p, { bore: '3/8 in', length: '12 ft' });
    const rig = parseRig(d);
    const model = dayModel(rig);
    const state = model.water.state(1, 1);
    near(state.pressure[0], assess(rig).outlets[0].pressure.value, 1e-6);
    near(state.draw[0], assess(rig).outlets[0].flow.value, 1e-3);
  });
  test.each(['two-unequal', 'crew-of-four', 'metric-header', 'buffer-skid'])(
    '%s: whatever its feed is made to be, at most the displacement, no head short, one of the two at its limit',
    (id) => {
      let starved = 0;
      fc.assert(
        fc.property(fc.double({ min: 0.12, max: 1, noNaN: true }), fc.double({ min: 0.3, max: 3, noNaN: true }), (bore, length) => {
          const rig = parseRig(layout(id));
          const lines = rig.lines.map((l) =>
            l.role === 'feed' || l.role === 'boost'
              ? { ...l, parts: l.parts.map((p) => (p.kind === 'hose' ? { ...p, bore: p.bore * bore, length: p.length * length } : p)) }
              : l,
          );
          const cases = new Cases({ ...rig, lines }, assumptionValues(rig.assumptions));
          const wanted = cases.at({ level: 'lowest', strainer: 'dirty' });
          const given = cases.given({ level: 'lowest', strainer: 'dirty' });
          for (const m of cases.rig.machines) {
            if (cases.net.cutOff.has(m.id)) continue;
            const { marginM } = inletMargin(given, m, feedPath(wanted, m));
            const flow = given.machineFlow(m);
            expect(flow).toBeLessThanOrEqual(m.flow * (1 + 1e-12));
            if (flow > 0) expect(marginM).toBeGreaterThan(-2e-3);
            if (flow < m.flow * 0.9999) starved++;
            if (flow < m.flow * 0.9999) expect(marginM).toBeLessThan(3e-3);
          }
        }),
        { numRuns: 40, seed: 11 },
      );
      expect(starved).toBeGreaterThan(5);
    },
  );
});

describe('pumps on one header', () => {
  /** Heads to spare where all share a loss and each has its own besides. */
  const header = (rest: readonly number[], shared: number, own: readonly number[]) => (q: readonly number[]) => {
    const all = q.reduce((s, x) => s + x, 0);
    return q.map((x, i) => rest[i] - shared * all * all - own[i] * x * x);
  };
  test('alike pumps get alike, even where all of the loss is shared', () => {
    const q = passedFlows([1, 1], header([1, 1], 1, [0, 0]));
    near(q[0], 0.5, 2e-3);
    near(q[1], q[0], 1e-6);
  });
  test('the one with more head to spare gets all it wants, the other what is left', () => {
    const q = passedFlows([1, 1], header([4, 0.9], 0.4, [0, 0]));
    expect(q[0]).toBe(1);
    near(1.4 * 0 + q[1], Math.sqrt(0.9 / 0.4) - 1, 5e-3);
  });
  test('what lies too high gives nothing', () => expect(passedFlows([2], header([-1], 1, [1]))).toEqual([0]));
});
