import { LAYOUTS, readRig } from '@pozzo/core';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';
import { BypassStation } from './bypass/bypass.station';
import { DumpStation } from './dump/dump.station';
import { ReelsStation } from './reels/reels.station';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const rigOf = (id: string): FakeRig => bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make())).rig;

describe('the bypass station', () => {
  test('back to the tank it warms by little; back to its own inlet it is hot in minutes', async () => {
    const rig = rigOf('buffer-skid');
    const s = render(BypassStation);
    expect(s.text()).toMatch(/The tank takes up [\d.,]+.(BTU\/h|W|kW) of heat and warms by [\d.]+°F an hour/);
    await s.choose('Returns to', '');
    expect(rig.document().lines.some((l) => l.role === 'bypass')).toBe(false);
    expect(s.text()).toMatch(/The same water loops .* hot in [\d.]+.min\./);
    expect(rig.assessment().findings.map((f) => f.code)).toContain('bypass-hot');
  });
  test('led to a tank again, it comes down away from the outlet', async () => {
    const rig = rigOf('buffer-skid');
    const s = render(BypassStation);
    await s.choose('Returns to', '');
    await s.choose('Returns to', rig.document().tanks[0].id);
    const line = rig.document().lines.find((l) => l.role === 'bypass')!;
    expect(line.to).toMatchObject({ at: 'tank', apart: '36 in' });
    expect(readRig(rig.document()).ok).toBe(true);
  });
  test('a return that falls beside the outlet brings bubbles', async () => {
    const rig = rigOf('buffer-skid');
    const s = render(BypassStation);
    await s.type('From the outlet', '0 in');
    expect(s.text()).toContain('and reach the outlet below');
    expect(rig.assessment().findings.map((f) => f.code)).toContain('return-bubbles');
  });
});

describe('the dump station', () => {
  test('says how long a full tank takes and what leaves the axle', () => {
    rigOf('buffer-skid');
    const s = render(DumpStation);
    expect(s.text()).toMatch(/A full tank drains in [\d.]+.min; [\d,.]+.lb come off the rig\./);
  });
  test('a closed lid without a vent is a stop; a vent or an open lid settles it', async () => {
    const rig = rigOf('buffer-skid');
    const s = render(DumpStation);
    await s.choose('Lid', 'closed');
    await s.type('Vent', '0 in');
    expect(rig.assessment().verdict).toBe('stop');
    await s.choose('Lid', 'open');
    expect(rig.assessment().verdict).not.toBe('stop');
  });
  test('a tank without a dump line is offered a wide one', async () => {
    const rig = rigOf('buffer-skid');
    rig.judge((d) => void (d.lines = d.lines.filter((l) => l.role !== 'dump')));
    const s = render(DumpStation);
    expect(s.text()).toContain('No dump line: this tank empties only through the pumps.');
    await s.press('Add a 2 in dump valve');
    expect(rig.document().lines.some((l) => l.role === 'dump' && l.parts.some((p) => p.item === 'ball-valve-full-2'))).toBe(true);
    expect(s.text()).toMatch(/A full tank drains in/);
  });
});

describe('the reel station', () => {
  test('a reel says what it takes, carries and weighs, and a larger core takes less', async () => {
    const rig = rigOf('buffer-skid');
    const s = render(ReelsStation);
    for (const label of ['Takes', 'Carries', 'Weighs, dry', 'Weighs, full']) expect(s.text()).toContain(label);
    const before = rig.assessment().reels[0].capacity.value;
    const reel = rig.document().reels![0];
    await s.type('Core diameter', reel.core === '12 in' ? '14 in' : '12 in');
    if (Number.parseFloat(reel.core) < 12) expect(rig.assessment().reels[0].capacity.value).toBeLessThan(before);
  });
  test('every line that is wound has a reel to be had, once', async () => {
    const rig = rigOf('buffer-skid');
    const s = render(ReelsStation);
    const offered = (): string[] => [...s.root.querySelectorAll('button')].map((b) => b.textContent.trim()).filter((t) => t.startsWith('Reel for'));
    while (offered().length) await s.press(offered()[0]);
    const wound = rig.document().lines.filter((l) => l.role === 'pressure' || l.role === 'fill');
    expect(rig.document().reels!.length).toBeGreaterThanOrEqual(wound.length);
    expect(s.text()).toContain('Reel plan');
    const n = rig.document().reels!.length;
    await s.press('Remove this reel');
    expect(rig.document().reels).toHaveLength(n - 1);
  });
  test('brass is warned of where chemicals run', async () => {
    rigOf('buffer-skid');
    const s = render(ReelsStation);
    await s.choose('Swivel', 'brass');
    expect(s.text()).toContain('eat brass and plated swivels');
    await s.choose('Swivel', 'plastic');
    expect(s.text()).toContain('not washer pressure');
    await s.choose('Swivel', 'stainless');
    expect(s.text()).not.toContain('swivels: couple');
  });
  test('a run too long for the hose is told at the far corner', async () => {
    const rig = rigOf('buffer-skid');
    rig.judge((d) => void delete d.site);
    const s = render(ReelsStation);
    await s.press('Plan the hose run');
    expect(s.text()).toContain('At the far corner');
    await s.type('Curb to far corner', '900 ft');
    expect(s.root.querySelector('td.shout')).not.toBeNull();
    await s.type('Curb to far corner', '20 ft');
    expect(s.root.querySelector('td.shout')).toBeNull();
  });
});
