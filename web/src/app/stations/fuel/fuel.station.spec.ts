import { LAYOUTS, type RigDocument } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { FuelStation } from './fuel.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id: string, change: (d: RigDocument) => void = () => undefined, of?: string) => {
  const doc = LAYOUTS.find((l) => l.id === id)!.make();
  change(doc);
  const { rig, day } = bench(new FakeRig(doc));
  day.work(1);
  return { rig, ...render(FuelStation, of ? { of } : {}) };
};

describe('fuel and heat', () => {
  test('a tank is drawn with what drinks from it, and each tank tells how many days it lasts', () => {
    const s = open('small-buffer');
    const drawing = s.root.querySelector('pz-fuel-side svg')!;
    expect(drawing.getAttribute('aria-label')).toMatch(/Shared fuel tank: .* usable\. Washer A: .* Compressor: /);
    expect(drawing.querySelectorAll('.carburettor').length).toBe(2);
    expect(s.text()).toMatch(/Shared fuel tank *[\d.]+.gal *[\d.]+.gal *[\d.]+ days/);
  });
  test('a tank too low for an engine without a pump shouts, and the words say so', async () => {
    const s = open('small-buffer', (d) => void (d.compressors![0].engine = { lift: 'gravity', carburettor: '30 in' }));
    expect(s.root.querySelectorAll('pz-fuel-side .carburettor.shout').length).toBe(1);
    expect(s.text()).toContain('short at the last');
  });
  test('a check box leads an engine’s fuel from a tank and takes it off', async () => {
    const s = open('small-buffer');
    const box = [...s.root.querySelectorAll('mat-checkbox')].find((x) => x.textContent.includes('Compressor'))!.querySelector('input')!;
    box.click();
    await s.settle();
    expect(s.rig.document().fuelLines!.map((l) => l.to)).toEqual(['washer-a']);
    expect(s.text()).toContain('No fuel set for Compressor');
    box.click();
    await s.settle();
    expect(s.rig.document().fuelLines!.map((l) => l.to)).toEqual(['washer-a', 'compressor']);
  });
  test('an engine’s own tank, carburettor and lift can be typed where nothing was said', async () => {
    const s = open('carried-water', (d) => void delete d.machines[0].engine, 'washer-a');
    expect(s.text()).toContain('No fuel set for');
    await s.type('Tank on the engine', '1.7 gal');
    expect(s.rig.document().machines[0].engine).toEqual({ own: '1.7 gal' });
    await s.type('Carburetor above engine base', '15 in');
    await s.choose('Fuel delivery', 'pulse');
    expect(s.rig.document().machines[0].engine).toEqual({ own: '1.7 gal', carburettor: '15 in', lift: 'pulse' });
    expect(s.text()).toMatch(/Washer, its own tank *1\.65.gal/);
  });
  test('a new tank feeds what has no fuel; a burner heats, and cold-water hose behind it is a stop', async () => {
    const s = open('carried-water', (d) => void delete d.machines[0].engine);
    await s.press('Add a fuel tank');
    expect(s.rig.document().fuelLines).toMatchObject([{ to: 'washer-a' }]);
    await s.press('Add a burner');
    expect(s.text()).toMatch(/Water comes out at/);
    expect(s.rig.assessment().findings.find((f) => f.code === 'too-hot')).toMatchObject({ verdict: 'stop' });
    await s.press('Remove');
    expect(s.rig.document().burners).toEqual([]);
  });
  test('nothing that burns fuel is told as that', () => expect(open('gravity-van').text()).toContain('Nothing on this rig burns fuel.'));
});
