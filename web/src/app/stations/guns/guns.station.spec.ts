import { LAYOUTS, readRig } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { GunsStation } from './guns.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id = 'buffer-skid', of?: string) => {
  const { rig } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
  return { rig, ...render(GunsStation, of ? { of } : {}) };
};
const pressure = (rig: FakeRig, i = 0): number => rig.assessment().outlets[i].pressure.value;

describe('the gun station', () => {
  test('says pressure and flow at the nozzle, the loss on the way, and which number would fit', async () => {
    const s = open();
    expect(s.text()).toMatch(/[\d,]+.psi and [\d.]+.gpm at nozzle \d+; the line loses [\d.]+.psi\./);
    await s.type('Nozzle number', '12');
    expect(s.text()).toMatch(/Number [\d.]+ would give the target/);
  });
  test('a larger nozzle lowers the pressure; a fitting one is put in by a press', async () => {
    const s = open();
    const before = pressure(s.rig);
    await s.type('Nozzle number', '12');
    expect(pressure(s.rig)).toBeLessThan(before);
    const fits = [...s.root.querySelectorAll<HTMLButtonElement>('pz-nozzle-picker button')];
    expect(fits.length).toBeGreaterThan(4);
    expect(fits.filter((b) => b.getAttribute('aria-pressed') === 'true')).toHaveLength(1);
    fits[0].click();
    await s.settle();
    expect(Number(s.rig.document().outlets[0].nozzle.size)).toBeLessThan(12);
  });
  test('split to two guns: each gets a half nozzle; one goes again and the other is whole', async () => {
    const s = open();
    const whole = Number(s.rig.document().outlets[0].nozzle.size);
    await s.press('Tee off a second gun');
    expect(s.rig.document().outlets).toHaveLength(2);
    for (const o of s.rig.document().outlets) expect(Math.abs(Number(o.nozzle.size) / whole - 0.5)).toBeLessThan(0.15);
    await s.press('Remove this gun');
    expect(s.rig.document().outlets).toHaveLength(1);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('a gun shut off at its valve says so', async () => {
    const s = open();
    await s.choose('Valve', 'false');
    expect(s.rig.document().outlets[0].open).toBe(false);
    expect(s.text()).toContain('No water reaches this gun: it is shut, or no open line leads to it.');
  });
  test('what it works on sets the most that may arrive', async () => {
    const s = open();
    await s.choose('Surface', 'vehicle');
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('surface-harsh');
    await s.choose('Surface', '');
    expect(s.rig.document().outlets[0].surface).toBeUndefined();
  });
  test('a machine without a gun is offered one that suits its flow', async () => {
    const s = open();
    s.rig.judge((d) => {
      d.lines = d.lines.filter((l) => l.role !== 'pressure');
      d.outlets = [];
      d.reels = [];
      d.mixes = [];
      d.lines = d.lines.filter((l) => l.role !== 'chemical');
    });
    await s.settle();
    const machine = s.rig.document().machines[0];
    expect(s.text()).toContain(`${machine.name} has no gun.`);
    await s.press(`Add a gun to ${machine.name}`);
    expect(s.rig.assessment().outlets).toHaveLength(1);
    expect(s.text()).toContain('at nozzle');
  });
});
