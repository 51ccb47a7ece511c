import { advise, applyFix } from '../../advise/advise';
import { addBurner } from '../../edit/energy';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';

const hot = (set: string, heat: string, stands?: string): RigDocument => {
  const d = LAYOUTS.find((l) => l.id === 'two-gun-split')!.make();
  addBurner(d, d.machines[0].id, { set, heat });
  if (stands) for (const l of d.lines) if (l.role === 'pressure') for (const p of l.parts) p.stands = stands;
  return d;
};

describe('a burner behind a washer', () => {
  // ρ Q c ΔT: 8 gpm through 60 K is 126.5 kW, at 85 % some 15 L/h of diesel; worked by hand from the first law.
  test('heats the flow that goes out by its heat over ρ Q c', () => {
    const d = hot('280 °F', '126.5 kW', '300 °F');
    const [b] = judged(d).burners;
    const flow = b.heat.working.inputs.find((x) => x.symbol === 'Q')!.value;
    near(b.rise.value, 126_500 / (998.2 * flow * 4182), 2e-3);
    near(b.fuel.value * 3.6e6, (126.5 / 0.85 / 35.8) * 3.6, 1e-3);
    expect(b.reaches).toBe(false);
  });
  test('a thermostat holds it there, and burns no more than that takes', () => {
    const [b] = judged(hot('120 °F', '300 kW', '300 °F')).burners;
    near(b.out.value, (120 + 459.67) / 1.8, 1e-9);
    expect(b.heat.value).toBeLessThan(300_000);
    expect(b.verdict).toBe('fed');
  });
  test('hose made for cold water behind it is a stop, and each cure cures it', () => {
    const d = hot('180 °F', '100 kW');
    const a = judged(d);
    expect(a.findings.find((f) => f.code === 'too-hot')).toMatchObject({ verdict: 'stop', station: 'fuel', subject: { kind: 'burner' } });
    const fixes = advise(d, parseRig(d), a).filter((f) => f.code === 'too-hot');
    expect(fixes.length).toBe(2);
    for (const f of fixes) expect(judged(applyFix(d, f)).findings.some((x) => x.code === 'too-hot')).toBe(false);
  });
  test('at just what the hose stands it is none', () => {
    expect(judged(hot('140 °F', '300 kW')).findings.some((f) => f.code === 'too-hot')).toBe(false);
    expect(judged(hot('141 °F', '300 kW')).findings.some((f) => f.code === 'too-hot')).toBe(true);
  });
  test('its pump is fed as before: the burner stands behind it', () => {
    const [cold, warm] = [judged(LAYOUTS.find((l) => l.id === 'two-gun-split')!.make()), judged(hot('180 °F', '100 kW', '300 °F'))];
    expect(warm.feeds).toEqual(cold.feeds);
  });
  test('no burner, nothing said', () => expect(judged(LAYOUTS[0].make()).burners).toEqual([]));
});
