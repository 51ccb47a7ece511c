import { LAYOUTS } from '../layouts/layouts';
import { pontoonRig } from '../layouts/first-rig';
import { typeableQuantity } from '../quantity/format';
import { si } from '../quantity/parse';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { assess } from './assess';
import { VERDICTS, worse, worstOf } from '../subject/verdict';

/** Figures that a builder expects to move one way when one thing changes, over a range of that thing. */
function along<T>(
  values: readonly T[],
  set: (d: RigDocument, value: T) => void,
  read: (a: ReturnType<typeof assess>) => number,
  start: () => RigDocument = pontoonRig,
): number[] {
  return values.map((value) => {
    const d = start();
    set(d, value);
    return read(assess(parseRig(d)));
  });
}
/** Falls all the way, and by more than the solver leaves behind: a figure that does not hang on what is changed fails. */
function falls(xs: readonly number[]): void {
  expect(xs.every(Number.isFinite)).toBe(true);
  xs.slice(1).forEach((x, i) => expect(x).toBeLessThanOrEqual(xs[i] + 1e-9));
  expect(xs[0] - xs[xs.length - 1]).toBeGreaterThan(1e-4 * Math.max(...xs.map(Math.abs)));
}
const rises = (xs: readonly number[]): void => falls(xs.map((x) => -x));
const margin = (a: ReturnType<typeof assess>): number => a.feeds[0].margin.value;

describe('the inlet margin', () => {
  test.each<[string, readonly string[], (d: RigDocument, x: string) => void]>([
    ['with the machine’s flow', ['4 gpm', '6 gpm', '8 gpm', '10 gpm', '12 gpm'], (d, x) => void (d.machines[0].flow = x)],
    ['with the pump’s height', ['6 in', '12 in', '24 in', '48 in'], (d, x) => void (d.machines[0].inletHeight = x)],
    ['with the length of the feed', ['2 ft', '5 ft', '10 ft', '25 ft'], (d, x) => d.lines[1].parts.forEach((p) => p.kind === 'hose' && (p.length = x))],
    ['with the count of elbows', ['1', '2', '4', '8'], (d, x) => d.lines[1].parts.forEach((p) => p.kind === 'fitting' && p.is === 'elbow-90' && (p.count = x))],
    ['with warm water', ['60 °F', '90 °F', '120 °F', '150 °F'], (d, x) => void (d.assumptions['summer-water'] = x)],
    ['with the altitude', ['0 ft', '3000 ft', '6000 ft', '9000 ft'], (d, x) => void (d.brief.altitude = x)],
    ['with what the pump needs', ['5 ft', '10 ft', '15 ft', '25 ft'], (d, x) => void (d.machines[0].npshRequired = x)],
    ['with dirt', ['25 Cv', '15 Cv', '8 Cv', '4 Cv'], (d, x) => d.lines[1].parts.forEach((p) => p.kind === 'strainer' && (p.cvDirty = x))],
    ['with the outlet’s height, on an unchanged level', ['4 in', '3 in'], (d, x) => void (d.lines[1].from.height = x)],
  ])('falls %s', (_name, values, set) => falls(along(values, set, margin)));

  test.each<[string, readonly string[], (d: RigDocument, x: string) => void]>([
    [
      'with the tank’s height',
      ['0 in', '6 in', '12 in', '24 in'],
      (d, x) => {
        const by = si(x, 'length') - si(d.tanks[0].base, 'length');
        d.tanks[0].base = x;
        for (const l of d.lines)
          for (const e of [l.from, l.to]) if (e.at === 'tank' && e.height) e.height = typeableQuantity(si(e.height, 'length') + by, 'length', 'in');
      },
    ],
    [
      'with the bore of the feed',
      ['1/2 in', '3/4 in', '1 in', '1 1/4 in', '1 1/2 in'],
      (d, x) => d.lines[1].parts.forEach((p) => p.kind === 'hose' && (p.bore = x)),
    ],
  ])('rises %s', (_name, values, set) => rises(along(values, set, margin)));

  test('falls with the level, to the last inch', () => {
    const points = assess(parseRig(pontoonRig())).feeds[0].byLevel;
    expect(points).toHaveLength(9);
    falls(points.map((p) => p.marginM));
    falls(points.map((p) => p.surfaceM));
  });
});

describe('what arrives at the tank', () => {
  const arrives = (a: ReturnType<typeof assess>): number => a.fills[0].arrives.value;
  const hose = (d: RigDocument): RigDocument['lines'][number]['parts'][number] => d.lines[0].parts.find((p) => p.kind === 'hose')!;
  test('falls with the length of the hose', () =>
    falls(along(['25 ft', '50 ft', '100 ft', '200 ft', '300 ft'], (d, x) => void Object.assign(hose(d), { length: x }), arrives)));
  test('rises with its bore', () => rises(along(['1/2 in', '5/8 in', '3/4 in', '1 in'], (d, x) => void (hose(d).bore = x), arrives)));
  test('rises with the spigot’s flow', () =>
    rises(along(['1 gpm', '2 gpm', '4 gpm', '7 gpm', '10 gpm'], (d, x) => void (d.spigots[0].readings[0].flow = x), arrives)));
  test('falls with the height of the inlet', () => falls(along(['20 in', '36 in', '10 ft', '30 ft'], (d, x) => void (d.lines[0].to.height = x), arrives)));
  test('is nothing above what the spigot can push', () => {
    const a = assess(parseRig({ ...pontoonRig(), spigots: [{ ...pontoonRig().spigots[0], staticPressure: '1 psi', height: '0 ft' }] }));
    expect(a.fills[0].arrives.value).toBeLessThan(1e-8);
  });
});

describe('the job', () => {
  const left = (a: ReturnType<typeof assess>): number => a.tanks[0].leftM3;
  test('leaves less the longer it lasts', () => falls(along(['10 min', '30 min', '60 min', '2 h', '4 h'], (d, x) => void (d.brief.job = x), left)));
  test('leaves less the more the trigger is pulled', () => falls(along(['10 %', '40 %', '70 %', '100 %'], (d, x) => void (d.brief.triggerShare = x), left)));
  test('leaves more with a larger tank', () =>
    rises(
      along(
        ['20 in', '32 in', '40 in'],
        (d, x) => {
          d.tanks[0].shape = { kind: 'box', length: '52 in', width: '36 in', height: x };
          d.tanks[0].fullLevel = d.tanks[0].startLevel = x;
        },
        left,
      ),
    ));
});

describe('the gun', () => {
  const at = (a: ReturnType<typeof assess>): number => a.outlets[0].pressure.value;
  test('loses pressure with the hose’s length', () =>
    falls(
      along(
        ['50 ft', '100 ft', '200 ft', '400 ft'],
        (d, x) =>
          void (
            d.lines[2].parts.filter((p) => p.kind === 'hose').at(-1)!.kind === 'hose' &&
            Object.assign(d.lines[2].parts.filter((p) => p.kind === 'hose').at(-1)!, { length: x, coiledLength: '0 ft' })
          ),
        at,
      ),
    ));
  test('loses pressure with a larger nozzle', () => falls(along(['7', '8', '9', '11', '14'], (d, x) => void (d.outlets[0].nozzle.size = x), at)));
  test('loses with its height', () => falls(along(['0 ft', '20 ft', '60 ft'], (d, x) => void (d.outlets[0].height = x), at)));
  test('never sees more than the unloader lets', () => {
    for (const l of LAYOUTS) {
      const rig = parseRig(l.make());
      const a = assess(rig);
      for (const c of a.cases)
        for (const m of c.machines) expect(m.pumpPressurePa).toBeLessThan(rig.machines.find((x) => x.id === m.machineId)!.unloader.setting * 1.01 + 3e4);
    }
  });
});

describe('every layout', () => {
  test.each(LAYOUTS.map((l) => [l.id, l] as const))('%s: flows balance, each machine is judged, nothing is undefined', (_id, layout) => {
    const rig = parseRig(layout.make());
    const a = assess(rig);
    expect(a.feeds).toHaveLength(rig.machines.length);
    expect(a.machines).toHaveLength(rig.machines.length);
    expect(a.tanks).toHaveLength(rig.tanks.length);
    for (const m of rig.machines) {
      const guns = a.outlets.filter((o) => o.machineIds.includes(m.id)).reduce((s, o) => s + o.flow.value, 0);
      const result = a.machines.find((x) => x.machineId === m.id)!;
      expect(guns + result.returned.value).toBeCloseTo(m.flow, 8);
    }
    expect(a.verdict).toBe(worstOf(a.findings.map((f) => f.verdict)));
    expect(JSON.parse(JSON.stringify(a))).toBeTruthy();
  });
});

test('verdicts have an order', () => {
  expect(VERDICTS.reduce(worse)).toBe('stop');
  expect(worse('tight', 'fed')).toBe('tight');
  expect(worstOf([])).toBe('fed');
});
