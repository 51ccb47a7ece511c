import type { Assessment } from '../assessment';
import { pontoonRig } from '../../layouts/first-rig';
import type { RigDocument } from '../../rig/schema';
import { GPM, judge, judged } from '../../testing/judge';
import { along, falls, rises } from '../../testing/trend';

describe('a fill line', () => {
  test('a reading at the hose’s end means a better spigot than one at the tap', () => {
    const bare = judge().fills[0].arrives.value;
    const end = judge((d) => (d.spigots[0].readings[0].at = 'hose-end')).fills[0].arrives.value;
    expect(end).toBeGreaterThan(bare);
    // Inlet valve, filter and float still cost something.
    expect(end).toBeLessThan(5 * GPM);
  });
  test('a wider hose brings more, never more than the spigot has', () => {
    const f = judge().fills[0];
    expect(f.wider!.flowM3s).toBeGreaterThan(f.arrives.value);
    expect(f.wider!.flowM3s).toBeLessThan(f.spigotFlow.value);
    expect(f.poor).toBeLessThan(f.arrives.value);
    expect(f.good).toBeGreaterThan(f.arrives.value);
  });
});

describe('what arrives at the tank', () => {
  const arrives = (a: Assessment): number => a.fills[0].arrives.value;
  const hose = (d: RigDocument): RigDocument['lines'][number]['parts'][number] => d.lines[0].parts.find((p) => p.kind === 'hose')!;
  test('falls with the length of the hose', () =>
    falls(along(['25 ft', '50 ft', '100 ft', '200 ft', '300 ft'], (d, x) => void Object.assign(hose(d), { length: x }), arrives)));
  test('rises with its bore', () => rises(along(['1/2 in', '5/8 in', '3/4 in', '1 in'], (d, x) => void (hose(d).bore = x), arrives)));
  test('rises with the spigot’s flow', () =>
    rises(along(['1 gpm', '2 gpm', '4 gpm', '7 gpm', '10 gpm'], (d, x) => void (d.spigots[0].readings[0].flow = x), arrives)));
  test('falls with the height of the inlet', () => falls(along(['20 in', '36 in', '10 ft', '30 ft'], (d, x) => void (d.lines[0].to.height = x), arrives)));
  test('is nothing above what the spigot can push', () => {
    const a = judged({ ...pontoonRig(), spigots: [{ ...pontoonRig().spigots[0], staticPressure: '1 psi', height: '0 ft' }] });
    expect(a.fills[0].arrives.value).toBeLessThan(1e-8);
  });
  // An inlet at the brim lets air in, not water out; one under water is a siphon.
  test('never runs backwards out of an inlet above the water, whatever another line draws; out of one under it water does', () => {
    const two = (height: string): Assessment => {
      const d = { ...pontoonRig(), spigots: [{ ...pontoonRig().spigots[0], staticPressure: '2 psi', height: '0 ft' }] } as RigDocument;
      const low = JSON.parse(JSON.stringify(d.lines[0])) as RigDocument['lines'][number];
      d.lines[0].to.height = height;
      low.id = 'low';
      low.to.height = '2 in';
      low.parts = low.parts.filter((p) => p.kind !== 'valve');
      d.tanks[0].base = '3 ft';
      d.lines.push(low);
      return judged(d);
    };
    const [high] = two('34 in').fills;
    expect(high.arrives.value).toBeGreaterThan(-1e-8);
    // It came back at 0.68 gpm before.
    expect(two('34 in').fills[1].arrives.value).toBeLessThan(0.1 * GPM);
  });
});
