import { addReceiver, LAYOUTS, readRig } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { MachinesStation } from './machines.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id = 'buffer-skid', of?: string) => {
  const { rig } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
  return { rig, ...render(MachinesStation, of ? { of } : {}) };
};
const rows = (root: HTMLElement): string[] => [...root.querySelectorAll('tbody tr')].map((r) => r.textContent.replace(/\s+/g, ' ').trim());

describe('a washer', () => {
  test('two guns have four ways of holding the triggers, each with pump, guns, return and engine', () => {
    const s = open('two-gun-split');
    expect(rows(s.root)).toHaveLength(4);
    expect(rows(s.root).every((r) => /psi/.test(r) && /gpm/.test(r) && /%/.test(r))).toBe(true);
  });
  test('an engine too small for the pressure is told in the table', async () => {
    const s = open();
    expect(s.root.querySelector('td.shout')).toBeNull();
    await s.type('Engine', '3 hp');
    expect(s.root.querySelector('td.shout')!.textContent).toMatch(/\d{3}%/);
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('engine-small');
  });
  test('nozzle sets for one gun and for two are named by their codes', () => {
    const s = open();
    expect(s.text()).toMatch(/Nozzle set, one gun\D*\d{4,6}/);
    expect(s.text()).toMatch(/Nozzle set, two guns\D*\d{4,6}/);
  });
  test('another machine comes with its feed, hose, gun and return, and can be joined into the first one’s hose', async () => {
    const s = open();
    await s.press('Add a machine');
    expect(s.rig.document().machines).toHaveLength(2);
    expect(s.rig.assessment().feeds).toHaveLength(2);
    const gun = s.rig.document().outlets.find((o) => s.root.textContent.includes(`Tee into the hose of ${o.name}`))!;
    await s.press(`Tee into the hose of ${gun.name}`);
    expect(s.rig.document().manifolds.some((m) => m.name === 'Joined')).toBe(true);
    expect(s.rig.assessment().outlets.find((o) => o.outletId === gun.id)!.machineIds).toHaveLength(2);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('it goes with its guns, and the rig still reads', async () => {
    const s = open();
    await s.press('Remove');
    expect(s.rig.document().machines).toEqual([]);
    expect(s.rig.document().outlets).toEqual([]);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
});

describe('a soft wash pump', () => {
  const pumpOf = (id: string): string => LAYOUTS.find((l) => l.id === id)!.make().softPumps![0].id;

  test('electric: flow at its duty, current, and what the battery may give', () => {
    const s = open('two-batch', pumpOf('two-batch'));
    expect(s.text()).toMatch(/[\d.]+.gpm through this hose, [\d.]+.psi left at the tip\./);
    expect(s.text()).toMatch(/Volts that reach it[\s\d.]+V/);
  });
  test('air: what it breathes, what the compressor gives, and how long a receiver carries it', async () => {
    const s = open('small-buffer', pumpOf('small-buffer'));
    expect(s.text()).not.toContain('Receiver carries it');
    s.rig.edit('Less air', (d) => void (d.compressors![0].freeAir = '8 cfm'));
    await s.settle();
    expect(s.text()).toMatch(/Receiver carries it\s*not at all/);
    s.rig.edit('A receiver', (d) => void addReceiver(d, 'compressor', '60 gal'));
    await s.settle();
    expect(s.text()).toMatch(/Receiver carries it\s*[\d.]+.(s|min)/);
    s.rig.edit('It rests low', (d) => void (d.compressors![0].cutOut = '30 psi'));
    await s.settle();
    expect(s.text()).toMatch(/Receiver carries it\s*not at all/);
  });
  test('it is turned into another kind, and its limit changes its name', async () => {
    const s = open('two-batch', pumpOf('two-batch'));
    const names = new Set<string>();
    for (const kind of ['electric', 'engine', 'air']) {
      await s.choose('Kind', kind);
      expect(s.rig.document().softPumps![0].kind).toBe(kind);
      names.add([...s.root.querySelectorAll('pz-quantity label')][1].textContent.trim());
    }
    expect(names.size).toBe(3);
  });
  test('a spare on board is worth a line', async () => {
    const s = open('two-batch', pumpOf('two-batch'));
    await s.choose('Spare on board', 'true');
    expect(s.text()).toContain('A spare pump or its wear parts are on board.');
    await s.choose('Spare on board', 'false');
    expect(s.text()).toContain('No spare on board');
  });
});
