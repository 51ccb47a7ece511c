import { advise, applyFix } from '../advise/advise';
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
