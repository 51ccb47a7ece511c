import { assess } from '../../assess/assess';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { near } from '../../testing/near';
import { placeOf } from '../../edit/place';
import { addBooster } from '../../edit/booster';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const circuits = (d: RigDocument) => assess(parseRig(d)).circuits;

describe('cables from the battery', () => {
  test('a pump’s cable carries its solved current, loses at most 3 %, and its fuse lies between', () => {
    for (const l of LAYOUTS)
      for (const c of circuits(l.make())) {
        expect(c.verdict).toBe('fed');
        expect(c.dropShare!).toBeLessThanOrEqual(0.03 + 1e-9);
        expect(c.fuseA!).toBeGreaterThanOrEqual(1.25 * c.current.value - 1e-9);
        near(c.voltage, 12.5 * (1 - c.dropShare!), 1e-9);
      }
  });
  test('its length is the way along the deck with slack; farther off it takes thicker wire', () => {
    const d = layout('tied-tanks');
    const near1 = circuits(d)[0];
    expect(near1.asLaid).toBe(true);
    placeOf(d, 'power/battery')!.x = '0 in';
    placeOf(d, 'soft-pump')!.x = '120 in';
    const far = circuits(d)[0];
    expect(far.lengthM).toBeGreaterThan(near1.lengthM);
    expect(far.gauge!).toBeLessThanOrEqual(near1.gauge!);
  });
  test('without a place it is the usual length, and that is said', () => {
    const d = layout('tied-tanks');
    d.placements = d.placements!.filter((p) => p.thing !== 'power/battery');
    const [c] = circuits(d);
    expect(c.asLaid).toBe(false);
    near(c.lengthM, 3.048, 1e-9);
    expect(assess(parseRig(d)).assumptionsUsed).toContain('wire-length');
  });
  test('a booster’s current is its head and flow over its efficiency', () => {
    const d = layout('boosted-skid');
    const c = circuits(d).find((x) => x.loadId === 'transfer')!;
    expect(c.current.value).toBeGreaterThan(2);
    const half = circuits({ ...d, assumptions: { ...d.assumptions, 'booster-efficiency': '17.5 %' } }).find((x) => x.loadId === 'transfer')!;
    near(half.current.value, 2 * c.current.value, 1e-9);
  });
  test('one that is switched off draws nothing', () => {
    const d = layout('boosted-skid');
    d.boosters[0].running = false;
    expect(circuits(d).some((x) => x.loadId === 'transfer')).toBe(false);
  });
  test('so far off that no cable does is told', () => {
    const d = layout('tied-tanks');
    d.placements = d.placements!.filter((p) => p.thing !== 'power/battery');
    d.assumptions = { ...d.assumptions, 'wire-length': '100 m' };
    const a = assess(parseRig(d));
    expect(a.circuits[0].gauge).toBeUndefined();
    expect(a.findings.find((f) => f.code === 'circuit-long')).toMatchObject({ verdict: 'tight', station: 'power' });
  });
  test('no battery, no circuits: that is told elsewhere', () => {
    const d = layout('tied-tanks');
    delete d.power;
    expect(circuits(d)).toEqual([]);
    const booster = layout('buffer-skid');
    addBooster(booster, [booster.lines.find((l) => l.role === 'feed')!.id], 0);
    expect(circuits(booster)).toEqual([]);
  });
});
