import { LAYOUTS, readRig } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { FillStation } from './fill.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id = 'buffer-skid', of?: string) => {
  const { rig } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
  return { rig, ...render(FillStation, of ? { of } : {}) };
};
const arrives = (rig: FakeRig): number => rig.assessment().fills[0].arrives.value;

describe('the fill station', () => {
  test('says what arrives of what the spigot gives, what costs most, and what a wider hose would bring', () => {
    const s = open();
    expect(s.text()).toMatch(/The tank gets [\d.]+.gpm of the spigot’s [\d.]+.gpm\./);
    expect(s.text()).toMatch(/takes \d+% of the loss/);
    expect(s.text()).toMatch(/A \d.*in hose would bring [\d.]+.gpm/);
  });
  test('a better bucket brings more; a better static pressure too', async () => {
    const s = open();
    const before = arrives(s.rig);
    await s.type('Timed bucket', '9 gpm');
    const bucket = arrives(s.rig);
    expect(bucket).toBeGreaterThan(before);
    await s.type('Static pressure', '90 psi');
    expect(s.rig.document().spigots[0].staticPressure).toBe('90 psi');
  });
  test('a bucket timed at the hose’s end means a better spigot than the same flow at the bare tap', async () => {
    const s = open();
    await s.choose('measured at', 'spigot');
    const bare = arrives(s.rig);
    await s.choose('measured at', 'hose-end');
    expect(arrives(s.rig)).toBeGreaterThan(bare);
  });
  test('readings are added, numbered, and removed down to one', async () => {
    const s = open();
    expect(s.text()).not.toContain('Remove the last');
    await s.press('Add a reading');
    await s.type('Timed bucket 2', '3 gpm');
    expect(s.rig.document().spigots[0].readings.map((r) => r.flow)[1]).toBe('3 gpm');
    await s.press('Remove the last');
    expect(s.rig.document().spigots[0].readings).toHaveLength(1);
    expect(s.text()).not.toContain('Remove the last');
  });
  test('a fill line goes with its spigot, and comes back to any tank', async () => {
    const s = open();
    await s.press('Remove this fill line');
    expect(s.rig.document().spigots).toEqual([]);
    expect(s.text()).toContain('No fill line: this rig carries its water.');
    expect(s.text()).toContain('No fill: you work from what’s on board');
    const tank = s.rig.document().tanks[0];
    await s.press(`Fill ${tank.name} from a spigot`);
    expect(s.rig.document().spigots).toHaveLength(1);
    expect(arrives(s.rig)).toBeGreaterThan(0);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('a hand hose tells what it gives and leaves the tank; without its hose it is a bucket tap; it goes again', async () => {
    const s = open('small-buffer');
    const before = arrives(s.rig);
    await s.press('Add a hand hose');
    expect(s.text()).toMatch(/[\d.]+.gpm out of it while the tank fills; the tank still gets [\d.]+.gpm\. It’s closed during the workday\./);
    expect(s.text()).toContain('Fills a bucket in');
    expect(arrives(s.rig)).toBeCloseTo(before, 9);
    const gives = (): number => s.rig.assessment().fills[0].taps[0].gives.value;
    const hose = gives();
    await s.type('Its hose (0 for a bucket tap)', '0 ft');
    expect(gives()).toBeGreaterThan(hose);
    await s.press('Add a bucket tap');
    expect(s.rig.assessment().fills[0].taps).toHaveLength(2);
    await s.press('Remove Hand hose');
    await s.press('Remove Bucket tap');
    expect(s.text()).not.toContain('opened by hand');
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('two spigots have a line each to look at; the one asked for is shown', async () => {
    const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    const second = d.lines.filter((l) => l.role === 'fill')[1];
    const s = open('crew-of-four', second.from.id);
    const name = d.spigots.find((x) => x.id === second.from.id)!.name;
    expect((s.root.querySelector('pz-name input') as HTMLInputElement).value).toBe(name);
  });
});
