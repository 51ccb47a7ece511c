import { LAYOUTS } from '../../layouts/layouts';
import type { End } from '../../rig/schema';
import { parseRig } from '../../rig/read';
import { judged } from '../../testing/judge';

const names = (end: End): string => `${end.at}:${end.id ?? ''}`;

describe.each(LAYOUTS.map((l) => [l.id, l] as const))('what flows in the lines of %s', (_id, layout) => {
  const d = layout.make();
  const rig = parseRig(d);
  const { lineFlow, machines, chemical } = judged(d);
  /** What flows in at an end less what flows out, m³/s, of the lines of some roles. */
  const gains = (at: string, roles: readonly string[]): number =>
    rig.lines.reduce((s, l) => s + (roles.includes(l.role) ? (names(l.to) === at ? lineFlow[l.id] : 0) - (names(l.from) === at ? lineFlow[l.id] : 0) : 0), 0);

  test('is told of every line, and of none that is shut', () => {
    expect(Object.keys(lineFlow).sort()).toEqual(rig.lines.map((l) => l.id).sort());
    for (const l of rig.lines) expect([l.id, Number.isFinite(lineFlow[l.id]), l.closed ? Math.abs(lineFlow[l.id]) < 1e-9 : true]).toEqual([l.id, true, true]);
  });
  test('comes out of every header and booster as it goes in', () => {
    for (const m of rig.manifolds)
      expect([m.id, Math.abs(gains(`manifold:${m.id}`, ['fill', 'feed', 'boost', 'pressure', 'tie'])) < 1e-8]).toEqual([m.id, true]);
    for (const b of rig.boosters) expect([b.id, Math.abs(gains(`booster:${b.id}`, ['fill', 'feed', 'boost'])) < 1e-8]).toEqual([b.id, true]);
  });
  test('goes into a machine as it goes to its guns and back', () => {
    for (const m of rig.machines) {
      const into = gains(`machine:${m.id}`, ['feed', 'boost', 'fill']);
      const out = -gains(`machine:${m.id}`, ['pressure']);
      const back = machines.find((x) => x.machineId === m.id)!.returned.value;
      const round = rig.lines.some((l) => l.role === 'bypass' && !l.closed && l.from.id === m.id && l.to.at !== 'machine');
      // Without a return of its own what is not sprayed turns round inside, and is not drawn anew.
      expect([m.id, Math.abs(into - out - back) < 1e-8 || (!round && Math.abs(into - m.flow) < 1e-8)]).toEqual([m.id, true]);
    }
  });
  test('of every blend adds up to what its pump pushes', () => {
    for (const m of chemical.mixes.filter((x) => x.pumpId !== undefined)) {
      const into = m.streams.reduce((s, x) => s + x.flowM3s, 0);
      expect([m.mixId, Math.abs(into - m.flow.value) < 1e-9]).toEqual([m.mixId, true]);
      // Each stream flows in its own line.
      if (m.way === 'proportioner') expect(m.streams.map((x) => lineFlow[x.lineId])).toEqual(m.streams.map((x) => x.flowM3s));
    }
  });
});
