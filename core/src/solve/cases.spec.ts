import { assumptionValues } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { Rig } from '../rig/schema';
import { seeded } from '../testing/near';
import { Cases, type CaseSettings } from './cases';
import { nodeIds } from './rig-network';

const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)];
const settings = (random: () => number, rig: Rig): CaseSettings => {
  const open = rig.outlets.filter(() => random() < 0.5);
  return {
    level: pick(random, ['full', 'half', 'lowest']),
    strainer: pick(random, ['clean', 'dirty']),
    water: pick(random, ['usual', 'summer']),
    spigot: pick(random, ['poor', 'typical', 'good']),
    ...(random() < 0.5 ? { guns: (o) => open.includes(o) } : {}),
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
      const fresh = new Cases(rig, values);
      expect(kept.set(s)).toBe(fresh.set(s));
      const scale = Math.max(1e-6, ...fresh.net.network.flow.map(Math.abs));
      fresh.net.network.flow.forEach((q, l) => expect(Math.abs(kept.net.network.flow[l] - q) / scale).toBeLessThan(1e-6));
    }
  });
  test('a case that is known costs no second solve; one with something changed does', () => {
    const rig = parseRig(LAYOUTS[0].make());
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    cases.set({});
    const before = cases.solves;
    cases.set({ level: 'full' });
    cases.set({});
    cases.set({ level: 'full' });
    expect(cases.solves - before).toBeLessThanOrEqual(1);
    const flow = cases.net.network.flow.slice();
    const machine = cases.net.network.node(nodeIds.machineIn(rig.machines[0].id));
    const now = cases.solves;
    cases.net.network.demand[machine] *= 0.5;
    cases.set({ level: 'full' });
    expect(cases.solves).toBe(now + 1);
    expect(Array.from(cases.net.network.flow)).not.toEqual(Array.from(flow));
    cases.net.network.demand[machine] /= 0.5;
    cases.set({ level: 'full' });
    cases.net.network.flow.forEach((q, l) => expect(Math.abs(q - flow[l])).toBeLessThan(1e-9));
  });
});
