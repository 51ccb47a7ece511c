import { advise, applyFix } from '../advise/advise';
import { simulateDay } from '../day/index';
import { addBurner } from '../edit/energy';
import { meeting } from '../chemistry/index';
import { LAYOUTS } from '../layouts/layouts';
import { mend } from '../rig/mend';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { judged } from '../testing/judge';

/*
 * Rigs that nothing was said about. Each kind has its grade, a fix where one can be made, and a sound twin beside it that stays
 * calm.
 */
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const grades = (d: RigDocument, code: string): readonly string[] =>
  judged(d)
    .findings.filter((f) => f.code === code)
    .map((f) => f.verdict);
const fixed = (d: RigDocument, code: string): readonly string[] => {
  const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === code && f.cures);
  return fix ? grades(applyFix(d, fix), code) : ['no fix'];
};

describe('fuel', () => {
  // Gasoline flashes far below a firebox's heat; diesel and kerosene do not (common practice; burner makers forbid it).
  const burner = (fuel: 'petrol' | 'diesel'): RigDocument => {
    const d = layout('two-gun-split');
    addBurner(d, d.machines[0].id, { set: '150 °F', heat: '60 kW', fuel });
    for (const l of d.lines) if (l.role === 'pressure') for (const p of l.parts) p.stands = '300 °F';
    return d;
  };
  test('gasoline in a burner is unsafe, and so is the build; diesel burns as it should', () => {
    const d = burner('petrol');
    expect(grades(d, 'burner-fuel')).toEqual(['stop']);
    expect(judged(d).verdict).toBe('stop');
    expect(fixed(d, 'burner-fuel')).toEqual([]);
    expect(grades(burner('diesel'), 'burner-fuel')).toEqual([]);
  });
});

test('an engine said to have no tank, with no line to it, does not run; of which nobody said it is only asked', () => {
  const d = layout('buffer-skid');
  d.machines[0].engine = { own: '0 gal' };
  expect(grades(d, 'no-fuel')).toEqual(['starved']);
  expect(fixed(d, 'no-fuel')).toEqual([]);
  delete d.machines[0].engine;
  expect(grades(d, 'no-fuel')).toEqual([]);
  expect(grades(layout('buffer-skid'), 'no-fuel')).toEqual([]);
});

describe('what works by name only', () => {
  const set = (setting: string): RigDocument => {
    const d = layout('buffer-skid');
    d.machines[0].unloader.setting = setting;
    d.machines[0].ratedPressure = '3000 psi';
    return d;
  };
  test.each([
    ['2900 psi', []],
    ['3000 psi', []],
    ['3100 psi', ['starved']],
    ['3299 psi', ['starved']],
    ['3350 psi', ['stop']],
  ])('an unloader set to %s on a pump of 3000 psi: %j', (setting, told) => expect(grades(set(setting), 'unloader-high')).toEqual(told));

  test('an engine a little short bogs down, one far short does not do the work; one with power to spare says nothing', () => {
    const d = layout('buffer-skid');
    const need = judged(d).machines[0].enginePower.value / judged(d).machines[0].engineAvailable.value;
    const was = parseRig(d).machines[0].enginePower;
    const engine = (share: number): RigDocument => {
      const e = layout('buffer-skid');
      e.machines[0].enginePower = `${Math.round(was * need * share)} W`;
      return e;
    };
    expect(grades(engine(1.05), 'engine-small')).toEqual([]);
    expect(grades(engine(0.95), 'engine-small')).toEqual(['tight']);
    expect(grades(engine(0.8), 'engine-small')).toEqual(['starved']);
  });
});

describe('an engine too small keeps its torque', () => {
  const set = (share: number) => {
    const d = layout('buffer-skid');
    const full = judged(d);
    const need = full.machines[0].enginePower.value / full.machines[0].engineAvailable.value;
    d.machines[0].enginePower = `${parseRig(d).machines[0].enginePower * need * share} W`;
    return { full, slow: judged(d), d };
  };
  // p falls with the square of the flow, torque with p: at half the torque √½ of the flow.
  test('at half the torque 71 % of the flow comes out of the gun; under half speed it stalls', () => {
    const { full, slow } = set(0.5);
    expect(slow.outlets[0].flow.value / full.outlets[0].flow.value).toBeCloseTo(Math.SQRT1_2, 2);
    expect(slow.outlets[0].pressure.value / full.outlets[0].pressure.value).toBeCloseTo(0.5, 1);
    expect(slow.findings.find((f) => f.code === 'engine-small')).toMatchObject({ verdict: 'starved' });
    expect(set(0.2).slow.outlets[0].flow.value).toBeLessThan(0.01 * full.outlets[0].flow.value);
    expect(slow.tanks[0].fullDraw.value).toBeLessThan(0.75 * full.tanks[0].fullDraw.value);
  });
  test('what it needs stays what full speed takes, and one that is strong enough gives all', () => {
    const { full, slow } = set(0.5);
    expect(slow.machines[0].enginePower.value / full.machines[0].enginePower.value).toBeCloseTo(1, 2);
    expect(set(1.01).slow.outlets[0].flow.value).toBeCloseTo(full.outlets[0].flow.value, 9);
  });
  test('the day goes by what it gives', () => {
    const { d } = set(0.5);
    expect(simulateDay(parseRig(d)).used).toBeLessThan(0.8 * simulateDay(parseRig(layout('buffer-skid'))).used);
  });
});

describe('pairs that make gas', () => {
  // CAMEO Chemicals' reactive groups (NOAA; from memory): thiosulphates with acids give sulphur dioxide, ammonium salts with bases ammonia.
  test('acid with neutraliser and caustic with ammonia never meet; acid with soap only spoils', () => {
    expect(meeting('acid', 'neutraliser').verdict).toBe('never');
    expect(meeting('ammonia', 'caustic').verdict).toBe('never');
    expect(meeting('acid', 'soap').verdict).toBe('care');
    expect(meeting('soap', 'degreaser').verdict).toBe('ok');
  });
});

describe('electrics', () => {
  const main = (fuse: string): RigDocument => {
    const d = layout('tied-tanks');
    d.wires!.find((w) => w.to === d.panels![0].id)!.fuse = fuse;
    return d;
  };
  test('a main fuse that blows with everything on is told, with one that does not; a larger one, and one that Pozzo chose, are not', () => {
    const all = judged(layout('tied-tanks')).cables.find((c) => c.to === layout('tied-tanks').panels![0].id)!.currentA;
    expect(all).toBeGreaterThan(30);
    expect(grades(main('30 A'), 'main-fuse-small')).toEqual(['starved']);
    expect(fixed(main('30 A'), 'main-fuse-small')).toEqual([]);
    expect(grades(main('60 A'), 'main-fuse-small')).toEqual([]);
    const chosen = layout('tied-tanks');
    delete chosen.wires!.find((w) => w.to === chosen.panels![0].id)!.fuse;
    expect(grades(chosen, 'main-fuse-small')).toEqual([]);
  });

  const charged = (change: (d: RigDocument) => void): RigDocument => {
    const d = layout('two-batch');
    change(d);
    return d;
  };
  test('a battery that the day draws on and nothing charges is told; with a shore charger it is not', () => {
    const none = charged((d) => void delete d.chargers);
    expect(grades(none, 'no-charger')).toEqual(['tight']);
    expect(fixed(none, 'no-charger')).toEqual([]);
    expect(
      grades(
        charged((d) => void (d.chargers![0].current = '0 A')),
        'no-charger',
      ),
    ).toEqual(['tight']);
    expect(grades(layout('two-batch'), 'no-charger')).toEqual([]);
    expect(
      grades(
        charged((d) => {
          delete d.chargers;
          d.batteries![0].vehicle = true;
          mend(d);
        }),
        'no-charger',
      ),
    ).toEqual([]);
  });
  test('a charger too large for its battery is told at what its kind takes; that size is well', () => {
    // 100 Ah of AGM at 0.35 A an Ah: 35 A (common practice).
    const at = (current: string): RigDocument => charged((d) => void (d.chargers![0].current = current));
    expect(grades(at('60 A'), 'charger-large')).toEqual(['tight']);
    expect(fixed(at('60 A'), 'charger-large')).toEqual([]);
    expect(grades(at('35 A'), 'charger-large')).toEqual([]);
    expect(judged(at('35 A')).assumptionsUsed).toContain('charge-most-agm');
    // A coil is held by its regulator.
    expect(
      grades(
        charged((d) => void Object.assign(d.chargers![0], { kind: 'coil', current: '60 A' })),
        'charger-large',
      ),
    ).toEqual([]);
  });
});

test('no layout is told of any of these', () => {
  const kinds = ['burner-fuel', 'unloader-high', 'engine-small', 'main-fuse-small', 'no-charger', 'charger-large'];
  for (const l of LAYOUTS)
    expect([
      l.id,
      judged(l.make())
        .findings.filter((f) => kinds.includes(f.code))
        .map((f) => f.code),
    ]).toEqual([l.id, []]);
});
