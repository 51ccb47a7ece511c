import { LAYOUTS, readRig } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { TanksStation } from './tanks.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id = 'buffer-skid', of?: string) => {
  const { rig } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
  return { rig, ...render(TanksStation, of ? { of } : {}) };
};

describe('the tank station', () => {
  test('says how long the water lasts on each kind of spigot', async () => {
    const s = open();
    expect(s.text()).toMatch(/Water lasts the job/);
    await s.type('At the job’s start', '8 in');
    expect(s.text()).toMatch(/The water lasts [\d.]+.min on a typical spigot, [\d.]+.min on a poor one/);
  });
  test('another shape keeps about the same size, and its own measures are asked for', async () => {
    const s = open();
    const full = (): number => s.rig.assessment().tanks[0].fullVolumeM3;
    const before = full();
    await s.choose('Shape', 'upright-cylinder');
    expect(s.rig.document().tanks[0].shape.kind).toBe('upright-cylinder');
    expect(s.text()).toContain('Diameter');
    expect(full() / before).toBeGreaterThan(0.4);
    expect(full() / before).toBeLessThan(1.5);
    await s.choose('Shape', 'box');
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('a tank of chemicals asks for its liquid, vent, drop tube and bund', async () => {
    const s = open(
      'small-buffer',
      LAYOUTS.find((l) => l.id === 'small-buffer')!
        .make()
        .tanks.find((t) => t.holds)!.id,
    );
    for (const label of ['Liquid', 'Vents to', 'Drop tube', 'Containment tray']) expect(s.text()).toContain(label);
    expect(s.text()).toMatch(/[\d.]+.gal, [\d.]+.lb: lasts [\d.]+.days of work\./);
    expect(s.text()).not.toMatch(/typical spigot|triggers held/);
    expect(s.text()).not.toContain('Tie to Soap tank');
    await s.choose('Vents to', 'deck');
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('fumes-deck');
    await s.choose('Drop tube', 'false');
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('no-drop-tube');
  });
  test('a bund too small for its tank is told, and the tank that a mix is made in is called by the mix', async () => {
    const s = open('mix-tank-truck', 'batch-tank');
    expect(s.text()).toContain('Batch on board');
    expect(s.text()).toMatch(/Containment tray\s*125.gal/);
    await s.type('Containment tray', '40 gal');
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('bund-small');
    await s.type('Containment tray', '');
    expect(s.text()).toMatch(/Containment tray\s*none/);
    expect(s.rig.assessment().findings.map((f) => f.code)).not.toContain('bund-small');
  });
  test('a tank turned from chemicals to water holds none any more', async () => {
    const s = open('mix-tank-truck', 'batch-tank');
    const tank = () => s.rig.document().tanks.find((t) => t.id === 'batch-tank')!;
    await s.choose('Carries', 'water');
    expect(tank()).toMatchObject({ liquid: 'water' });
    for (const key of ['holds', 'ventTo', 'dropTube', 'bund']) expect(tank()).not.toHaveProperty(key);
    expect(s.text()).toContain('Water on board');
    expect(readRig(s.rig.document()).ok).toBe(true);
    expect(s.rig.assessment().chemical.tanks).toEqual([]);
  });
  test('a chemical that nothing uses up is weighed, not counted in days', async () => {
    const s = open('mix-tank-truck', 'batch-tank');
    s.rig.edit('No way out', (d) => void (d.lines = d.lines.filter((l) => l.from.id !== 'batch-tank')));
    await s.settle();
    expect(s.text()).toMatch(/lb\. Nothing on this rig uses it up\./);
    expect(s.text()).not.toContain('days of work');
  });
  test('antifreeze is held against what the winter takes', async () => {
    const s = open('winter-split', 'antifreeze');
    expect(s.text()).toContain('Antifreeze on board');
    expect(s.text()).toMatch(/[\d.]+.gal of antifreeze; the winter takes [\d.]+.gal\./);
    expect(s.text()).not.toMatch(/Runs dry, triggers held|typical spigot/);
  });
  test('tanks are tied, told how far they differ, and untied', async () => {
    const s = open();
    await s.press('Add a tank');
    expect(s.rig.document().tanks).toHaveLength(2);
    const first = s.rig.document().tanks[0].name;
    await s.press(`Tie to ${first}`);
    expect(s.rig.document().lines.some((l) => l.role === 'tie')).toBe(true);
    expect(s.text()).toContain('Tied tanks differ by');
    expect(s.root.textContent).not.toContain(`Tie to ${first}`);
    await s.press('Untie');
    expect(s.rig.document().lines.some((l) => l.role === 'tie')).toBe(false);
  });
  test('a tank goes with its lines, and an empty rig says what a tank is for', async () => {
    const s = open();
    for (let n = s.rig.document().tanks.length; n > 0; n--) await s.press('Remove');
    expect(s.rig.document().tanks).toEqual([]);
    expect(s.rig.document().lines.some((l) => l.from.at === 'tank' || l.to.at === 'tank')).toBe(false);
    expect(s.text()).toContain('No tank yet.');
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
});
