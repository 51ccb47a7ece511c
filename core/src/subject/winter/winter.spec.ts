import { assumptionValues } from '../../assumption/register';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { LAYOUTS } from '../../layouts/layouts';
import { near } from '../../testing/near';
import { crewOfFour } from '../../layouts/crew-of-four';
import { codes, GAL, judged } from '../../testing/judge';

test('every circuit counts, and colder nights take more antifreeze', () => {
  const d = crewOfFour();
  const mild = judged(d).chemical.winter!;
  expect(mild.circuits.length).toBeGreaterThan(4);
  d.brief.coldest = '-20 °F';
  const hard = judged(d).chemical.winter!;
  expect(hard.antifreeze.value).toBeGreaterThan(mild.antifreeze.value);
  expect(hard.away.length).toBeGreaterThan(4);
});

describe('antifreeze', () => {
  const winter = (coldest: string | undefined, change: (d: RigDocument) => void = () => undefined) => {
    const d = LAYOUTS.find((l) => l.id === 'winter-split')!.make();
    if (coldest === undefined) delete d.brief.coldest;
    else d.brief.coldest = coldest;
    change(d);
    const a = judged(d);
    return { rig: parseRig(d), told: a.findings, ...a.chemical.winter! };
  };
  const fillNames = (rig: ReturnType<typeof parseRig>): readonly string[] => rig.lines.filter((l) => l.role === 'fill').map((l) => l.name ?? 'Fill hose');

  test('is what is wet but for the fill hoses, at the share that stands the night, in the product as it is sold', () => {
    const w = winter('-20 °C');
    const wet = w.circuits.filter((c) => !fillNames(w.rig).includes(c.name)).reduce((s, c) => s + c.wettedM3, 0);
    // Propylene glycol by volume: 30 % at -13 °C, 40 % at -21.3 °C (data-sheet table, from memory).
    const share = 0.3 + (0.1 * (20 - 13)) / (21.3 - 13);
    near(w.glycolShare!, share, 1e-9);
    near(w.antifreeze.value, (wet * share) / assumptionValues(w.rig.assumptions)['antifreeze-product'], 1e-9);
    near(w.cost, (w.antifreeze.value / GAL) * 14, 1e-9);
  });
  test('of one circuit by hand: every hose to its bore, and half a litre of pump', () => {
    const w = winter('-20 °C');
    const own = (l: (typeof w.rig.lines)[number]): number => l.parts.reduce((s, p) => s + (p.kind === 'hose' ? (Math.PI / 4) * p.bore ** 2 * p.length : 0), 0);
    const soft = w.rig.lines.filter((l) => l.role === 'chemical');
    const mix = w.circuits.find((c) => c.name === w.rig.mixes[0].name)!;
    near(mix.wettedM3, 0.5e-3 + soft.reduce((s, l) => s + own(l), 0), 1e-9);
  });
  test('takes none in a night without frost, or where nobody said how cold it gets', () => {
    for (const w of [winter('0 °C'), winter('5 °C'), winter(undefined)]) expect([w.antifreeze.value, w.cost, w.glycolShare]).toEqual([0, 0, 0]);
    expect(winter(undefined).coldestK).toBeUndefined();
  });
  test('is none at all for a night that it does not stand: the steps say to blow it dry, not to pour', () => {
    // A fifth of water that stays behind takes a product of 95 % down to 76 %, and the table ends at 60 %.
    const least = winter('-49 °C');
    expect([least.antifreeze.value, least.cost, least.glycolShare]).toEqual([Infinity, 0, null]);
    expect(least.away.join(' ')).toMatch(/blow every line, pump and gun dry/);
    expect(least.away.join(' ')).not.toMatch(/colour comes out/);
    expect(least.told.find((f) => f.code === 'antifreeze-short')?.message.template).toMatch(/No amount/);
    expect(winter('-48 °C').antifreeze.value).toBeLessThan(Infinity);
    // One of 50 % is down to 40 %, which stands -21.3 °C (data-sheet table, from memory).
    const weak = (coldest: string) => winter(coldest, (d) => void (d.assumptions['antifreeze-product'] = '50 %')).antifreeze.value;
    expect([weak('-21.2 °C') < Infinity, weak('-21.4 °C')]).toEqual([true, Infinity]);
  });
  test('on board is told short only where it is', () => {
    const need = winter('-20 °C').antifreeze.value;
    const holding = (gallons: number) =>
      winter('-20 °C', (d) => {
        const t = d.tanks.find((x) => x.liquid === 'antifreeze')!;
        t.shape = { kind: 'box', length: '40 in', width: '40 in', height: '40 in' };
        t.fullLevel = '40 in';
        t.startLevel = `${(gallons * 231) / 1600} in`;
      }).told.map((f) => f.code);
    expect(holding((need / GAL) * 0.99)).toContain('antifreeze-short');
    expect(holding((need / GAL) * 1.01)).not.toContain('antifreeze-short');
  });
});

describe('a battery in a cold night', () => {
  const battery = (coldest: string, capacity: string) => {
    const d = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
    d.brief.coldest = coldest;
    d.batteries![0].capacity = capacity;
    const a = judged(d);
    return { codes: codes(a), ...a.chemical.winter!.batteries[0] };
  };
  test('gives less by a share a degree under 25 °C, and its acid freezes sooner the less is left', () => {
    const [warm, cold] = [battery('25 °C', '100 Ah'), battery('-20 °C', '100 Ah')];
    const factor = 1 - assumptionValues({})['battery-cold'] * 45;
    near(cold.gives.value, warm.gives.value * factor, 1e-9);
    const some = ['20 Ah', '40 Ah', '80 Ah', '300 Ah'].map((ah) => battery('-20 °C', ah));
    for (let i = 1; i < some.length; i++) {
      expect(some[i].leftShare).toBeGreaterThanOrEqual(some[i - 1].leftShare);
      expect(some[i].freezesK!).toBeLessThanOrEqual(some[i - 1].freezesK!);
    }
    // Handbook tables (from memory): flat near -8 °C, full near -60 °C.
    for (const b of some) expect([b.freezesK! >= 213, b.freezesK! <= 265]).toEqual([true, true]);
  });
  test('is told to freeze exactly where the night is colder than its acid stands', () => {
    const kelvin = (k: number): string => `${(k - 273.15).toFixed(2)} °C`;
    const { freezesK } = battery('-20 °C', '40 Ah');
    expect(battery(kelvin(freezesK! - 0.5), '40 Ah').codes).toContain('battery-freezes');
    expect(battery(kelvin(freezesK! + 0.5), '40 Ah').codes).not.toContain('battery-freezes');
  });
});
