import { assumptionValues } from '../../assumption/register';
import { GRAVITY } from '../../fluid/air';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { seeded } from '../../testing/near';
import { Cases } from '../../solve/cases';

/** A layout with machines, hoses and nozzles changed at random. */
function shaken(random: () => number): RigDocument {
  const d = LAYOUTS[Math.floor(random() * LAYOUTS.length)].make();
  for (const m of d.machines) m.flow = `${(1 + 9 * random()).toFixed(2)} gpm`;
  for (const o of d.outlets) {
    o.nozzle.size = (1.5 + 10 * random()).toFixed(1);
    o.open = random() < 0.8;
  }
  for (const l of d.lines) for (const p of l.parts) if (p.kind === 'hose' && l.role === 'pressure') p.length = `${(5 + 250 * random()).toFixed(1)} ft`;
  return d;
}

test('what pumps and spigots give is what lines, jets and lift take, on 120 random rigs (seed 41)', () => {
  const random = seeded(41);
  for (let i = 0; i < 120; i++) {
    const rig = parseRig(shaken(random));
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    expect(cases.at({ strainer: random() < 0.5 ? 'dirty' : 'clean' }).settled).toBe(true);
    const { network, water } = cases.net;
    const rhoG = water.densityKgM3 * GRAVITY;
    // Fixed heads and forced flows bring power in or take it out at their head; every link burns what it loses.
    let brought = 0;
    let burnt = 0;
    const spec = network.spec;
    spec.nodes.forEach((n, k) => {
      if (n.headM === undefined) brought -= network.demand[k] * network.head[k] * rhoG;
    });
    spec.links.forEach((l, k) => {
      const [a, b] = [network.node(l.from), network.node(l.to)];
      if (spec.nodes[a].headM !== undefined) brought += network.flow[k] * network.head[a] * rhoG;
      if (spec.nodes[b].headM !== undefined) brought -= network.flow[k] * network.head[b] * rhoG;
      if (!network.closed[k]) burnt += network.flow[k] * network.headLoss(k) * rhoG;
    });
    const scale = rig.machines.reduce((s, m) => s + m.flow * m.unloader.setting, 0);
    if (Math.abs(brought - burnt) > 1e-6 * scale) throw new Error(`rig ${i}: ${brought} W brought, ${burnt} W burnt`);
    const done = network.massError();
    expect(done).toBeLessThan(1e-9);
  }
});
