import { assess } from '../../assess/assess';
import { advise } from '../../advise/advise';
import { pontoonRig } from '../../layouts/first-rig';
import { twoGunSplit } from '../../layouts/two-gun-split';
import { parseRig } from '../../rig/read';
import { near } from '../../testing/near';

const split = (kind: 'trapped-pressure' | 'regulating' | 'flow-actuated') => {
  const d = twoGunSplit();
  d.machines[0].unloader.kind = kind;
  return d;
};
const held = (d: ReturnType<typeof twoGunSplit>) => assess(parseRig(d));

describe('a flow-actuated unloader', () => {
  test('goes slack at one of two guns with half-size nozzles, and works with both', () => {
    const [byFlow, byPressure] = [held(split('flow-actuated')), held(split('regulating'))];
    const one = (a: typeof byFlow) => a.cases.find((c) => c.guns.filter((g) => g.open).length === 1)!;
    const all = (a: typeof byFlow) => a.cases[a.cases.length - 1];
    const pressure = (c: ReturnType<typeof one>) => c.guns.find((g) => g.open)!.pressurePa;
    expect(one(byFlow).machines[0].letsGo).toBe(true);
    expect(pressure(one(byFlow))).toBeLessThan(0.15 * pressure(one(byPressure)));
    expect(all(byFlow).machines[0].letsGo).toBe(false);
    near(pressure(all(byFlow)), pressure(all(byPressure)), 1e-9);
    expect(byFlow.findings.find((f) => f.code === 'unloader-slack')?.verdict).toBe('starved');
    expect(byPressure.findings.some((f) => f.code === 'unloader-slack')).toBe(false);
  });
  test('is answered by one that goes by pressure', () => {
    const d = split('flow-actuated');
    const rig = parseRig(d);
    const fix = advise(d, rig, assess(rig)).find((x) => x.id.includes('unloader-'));
    expect(fix).toBeDefined();
  });
  test('leaves the pump at low pressure in bypass, like a trapped one', () => {
    const shut = (kind: Parameters<typeof split>[0]) => held(split(kind)).cases[0].machines[0].pumpPressurePa;
    near(shut('flow-actuated'), shut('trapped-pressure'), 1e-9);
    expect(shut('regulating')).toBeGreaterThan(5 * shut('flow-actuated'));
  });
  test('what passes just enough holds it shut: the edge is where the assumption puts it', () => {
    const d = pontoonRig();
    d.machines[0].unloader.kind = 'flow-actuated';
    const a = held(d);
    const m = a.cases[a.cases.length - 1].machines[0];
    const out = (m.flowM3s - m.returnedM3s) / parseRig(d).machines[0].flow;
    const at = (share: number) => held({ ...d, assumptions: { ...d.assumptions, 'unloader-hold': `${(100 * share).toFixed(4)} %` } });
    const last = (x: typeof a) => x.cases[x.cases.length - 1].machines[0].letsGo;
    expect(last(at(Math.min(out - 0.001, 0.999)))).toBe(false);
    if (out < 0.998) expect(last(at(out + 0.001))).toBe(true);
  });
});

describe('overrun and reseat', () => {
  test('follow the sheet where it is given, else the assumption', () => {
    const d = pontoonRig();
    const set = parseRig(d).machines[0].unloader.setting;
    near(held(d).machines[0].peak.value, 1.1 * set, 1e-9);
    near(held(d).machines[0].reseat.value, 0.85 * set, 1e-9);
    d.machines[0].unloader.overrun = '20 %';
    d.machines[0].unloader.reseat = '5 %';
    near(held(d).machines[0].peak.value, 1.2 * set, 1e-9);
    near(held(d).machines[0].reseat.value, 0.95 * set, 1e-9);
  });
  test('a hose printed between the setting and the peak is told, below the setting a stop', () => {
    const d = pontoonRig();
    const set = parseRig(d).machines[0].unloader.setting / 6894.757;
    const rated = (psi: number) => {
      for (const l of d.lines) if (l.role === 'pressure') for (const p of l.parts) p.rated = '6000 psi';
      d.lines.find((l) => l.role === 'pressure')!.parts[0].rated = `${psi.toFixed(0)} psi`;
      return held(d).findings.find((f) => f.code === 'rating-low')?.verdict;
    };
    expect(rated(set * 0.97)).toBe('stop');
    expect(rated(set * 1.05)).toBe('tight');
    expect(rated(set * 1.15)).toBeUndefined();
  });
});
