import { assumptionValues } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { Rig } from '../rig/schema';
import { seeded } from '../testing/near';
import { Cases, type CaseSettings } from './cases';
import { feedPath, inletMargin, raised } from './inlet';

const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)];
const settings = (random: () => number, rig: Rig): CaseSettings => {
  const open = rig.outlets.filter(() => random() < 0.5);
  return {
    level: pick(random, ['full', 'half', 'lowest']),
    strainer: pick(random, ['clean', 'dirty']),
    water: pick(random, ['usual', 'summer']),
    spigot: pick(random, ['poor', 'typical', 'good']),
    ...(random() < 0.5 ? { open: open.map((o) => o.id) } : {}),
  };
};

describe('operating cases', () => {
  test.each(LAYOUTS.map((l) => [l.id, l] as const))('of %s: one asked for again, in any order, answers as a fresh rig would (seed 8)', (_id, layout) => {
    const rig = parseRig(layout.make());
    const values = assumptionValues(rig.assumptions);
    const random = seeded(8);
    const list = Array.from({ length: 5 }, () => settings(random, rig));
    const kept = new Cases(rig, values);
    for (let i = 0; i < 15; i++) {
      const s = pick(random, list);
      const fresh = new Cases(rig, values).at(s);
      const again = kept.at(s);
      expect(again.settled).toBe(fresh.settled);
      const scale = Math.max(1e-6, ...rig.lines.map((l) => Math.abs(fresh.flowOf(l.id))));
      for (const l of rig.lines) expect(Math.abs(again.flowOf(l.id) - fresh.flowOf(l.id)) / scale).toBeLessThan(1e-6);
    }
  });
  test('of a machine that hangs on one tank alone, a level by the shift of another is that level solved', () => {
    let [met, not] = [0, 0];
    for (const layout of LAYOUTS) {
      const rig = parseRig(layout.make());
      const cases = new Cases(rig, assumptionValues(rig.assumptions));
      for (const m of rig.machines) {
        const path = feedPath(cases.asDrawn, m);
        const tank = rig.tanks.find((t) => path[0]?.from.at === 'tank' && t.id === path[0].from.id);
        if (!tank) continue;
        if (!cases.hangsOnlyOn(m, tank.id)) {
          not++;
          continue;
        }
        met++;
        const full = inletMargin(cases.at({ level: 'full', strainer: 'dirty' }), m, path);
        const low = inletMargin(cases.at({ level: 'lowest', strainer: 'dirty' }), m, path);
        const by = cases.levelIn(tank, { level: 'lowest' }) - cases.levelIn(tank, { level: 'full' });
        for (const key of ['marginM', 'availableM', 'npshM', 'gaugeM'] as const) expect(Math.abs(low[key] - raised(full, by)[key])).toBeLessThan(1e-9);
      }
    }
    expect(met).toBeGreaterThan(8);
    // Tied tanks, and tanks that share a header, are solved level by level.
    expect(not).toBeGreaterThan(0);
  });
  test('an answer stays as it is, whatever is asked afterwards', () => {
    const rig = parseRig(LAYOUTS[0].make());
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const drawn = cases.asDrawn;
    const before = rig.lines.map((l) => drawn.flowOf(l.id));
    const head = drawn.headOf('machineIn', rig.machines[0].id);
    cases.at({ level: 'full', strainer: 'dirty', water: 'summer', spigot: 'poor', open: [] });
    cases.at({ trial: { what: 'draw', machine: rig.machines[0], flowM3s: 1e-5 } });
    expect(rig.lines.map((l) => drawn.flowOf(l.id))).toEqual(before);
    expect(drawn.headOf('machineIn', rig.machines[0].id)).toBe(head);
    expect(cases.asDrawn).toBe(drawn);
  });
  test('a trial leaves the rig as drawn', () => {
    for (const l of LAYOUTS) {
      const rig = parseRig(l.make());
      const values = assumptionValues(rig.assumptions);
      const cases = new Cases(rig, values);
      const [machine] = rig.machines;
      const line = rig.lines.find((x) => x.role === 'fill' || x.role === 'feed')!;
      const hose = line.parts.find((p) => p.kind === 'hose')!;
      cases.at({ trial: { what: 'bore', line, hose, boreM: hose.bore * 2 } });
      cases.at({ trial: { what: 'booster', line, shutoffPa: 3e5, openFlowM3s: 1e-3 } });
      if (machine) cases.at({ trial: { what: 'draw', machine, flowM3s: machine.flow / 2 } });
      for (const booster of rig.boosters) cases.at({ trial: { what: 'switch', booster } });
      const fresh = new Cases(rig, values).asDrawn;
      for (const x of rig.lines) expect(cases.asDrawn.flowOf(x.id)).toBeCloseTo(fresh.flowOf(x.id), 9);
    }
  });
  test('a case that is known costs no second solve; another one does', () => {
    const rig = parseRig(LAYOUTS[0].make());
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    cases.at({ level: 'full' });
    const { solves } = cases;
    expect(cases.at({ level: 'full' })).toBe(cases.at({ level: 'full' }));
    expect(cases.solves).toBe(solves);
    cases.at({ trial: { what: 'draw', machine: rig.machines[0], flowM3s: rig.machines[0].flow / 2 } });
    expect(cases.solves).toBe(solves + 1);
  });
  test('no tank is taken to be fuller than it is filled, however much has to stand over its outlet', () => {
    const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
    const tank = d.tanks[0];
    [tank.fullLevel, tank.startLevel] = ['3 in', '3 in'];
    for (const l of d.lines) if (l.from.at === 'tank' && l.from.id === tank.id) l.from.height = '6 in';
    const rig = parseRig(d);
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const [t] = rig.tanks;
    expect(cases.heel.get(t.id)!).toBeGreaterThan(t.fullLevel);
    for (const level of ['full', 'half', 'lowest'] as const) expect(cases.levelIn(t, { level })).toBe(t.fullLevel);
  });
});
