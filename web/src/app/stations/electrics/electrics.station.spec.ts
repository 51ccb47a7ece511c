import { LAYOUTS, type RigDocument } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { ElectricsStation } from './electrics.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id: string, change: (d: RigDocument) => void = () => undefined, of?: string) => {
  const doc = LAYOUTS.find((l) => l.id === id)!.make();
  change(doc);
  const { rig, day } = bench(new FakeRig(doc));
  day.work(1);
  return { rig, ...render(ElectricsStation, of ? { of } : {}) };
};
const rows = (root: HTMLElement) => [...root.querySelectorAll('tbody tr')].map((r) => r.textContent.replace(/\s+/g, ' ').trim());

describe('electrics and air', () => {
  test('the one line shows every battery, panel and load with volts and amps', () => {
    const s = open('tied-tanks');
    const svg = s.root.querySelector('pz-one-line svg')!;
    expect(svg.querySelectorAll('.block').length).toBe(7);
    expect(svg.getAttribute('aria-label')).toMatch(/12 V pump, 12\.\d.V · \d/);
    expect(svg.querySelectorAll('.fuse').length).toBe(3);
  });
  test('each cable tells its gauge, fuse, what arrives and what is lost', () => {
    const s = open('tied-tanks');
    expect(rows(s.root).find((r) => r.includes('12 V pump'))).toMatch(/Fuse panel *AWG 6 .*ft.*40.A.*A.*V.*%/);
  });
  test('lengths are those of the deck', () => expect(open('two-unequal').text()).toContain('Lengths that are not typed are those of the deck'));
  test('a length that is only the usual one says so', () => {
    const s = open('two-batch', (d) => void (d.placements = d.placements!.filter((p) => p.thing !== 'battery')));
    expect(s.text()).toContain('one end has no place yet');
  });
  test('a chosen cable is written down and set by hand; too thin for its fuse it is a stop', async () => {
    const s = open('two-batch', undefined, 'cable-0');
    expect(s.text()).toContain('Cable and fuse are chosen');
    await s.press('Set it yourself');
    expect(s.rig.document().wires).toMatchObject([{ from: 'battery', gauge: expect.any(String), fuse: expect.stringContaining('A') }]);
    await s.choose('Cable', '18');
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('cable-thin');
    await s.type('Color', 'blue');
    expect(s.rig.document().wires![0].colour).toBe('blue');
  });
  test('a battery and a load are added, and the load hangs on a cable of its own', async () => {
    const s = open('carried-water');
    expect(s.text()).toContain('No battery on board');
    await s.press('Add a battery');
    await s.press('Add a load');
    await s.type('In a day', '2 h');
    expect(s.rig.assessment().batteries[0].taken.value).toBeCloseTo(4 * 7200, 3);
    await s.press('Remove');
    expect(s.rig.document().loads).toEqual([]);
  });
  test('an electric washer without a word on its RCD is told; without one it is a stop', async () => {
    const s = open('gravity-van', (d) => void (d.mains = { from: 'site' }), 'mains');
    expect(s.rig.assessment().findings.find((f) => f.code === 'no-rcd')).toMatchObject({ verdict: 'tight' });
    await s.choose('GFCI', 'false');
    expect(s.rig.assessment().findings.find((f) => f.code === 'no-rcd')).toMatchObject({ verdict: 'stop' });
    await s.choose('GFCI', 'true');
    expect(s.rig.assessment().findings.some((f) => f.code === 'no-rcd')).toBe(false);
  });
  test('air lines are drawn to the pumps, and their loss is told', async () => {
    const s = open('small-buffer', undefined, 'compressor');
    await s.press('Draw the air lines');
    expect(s.rig.document().airLines).toMatchObject([{ from: 'compressor', to: 'air-pump' }]);
    expect(s.rig.assessment().air.pumps[0].lineLoss!.value).toBeGreaterThan(0);
    await s.press('Add a receiver');
    expect(s.rig.document().receivers).toMatchObject([{ compressor: 'compressor' }]);
  });
});
