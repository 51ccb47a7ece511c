import { LAYOUTS, readRig } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { LiquidsStation } from './liquids.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const open = (id = 'two-batch', of?: string) => {
  const { rig } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
  return { rig, ...render(LiquidsStation, of ? { of } : {}) };
};
const today = (rig: FakeRig): number => rig.assessment().chemical.liquids[0].today.value;

describe('the liquids station', () => {
  test('stock ages: older and warmer is weaker, and a titration overrules it', async () => {
    const s = open();
    await s.type('Age', '10 d');
    const young = today(s.rig);
    await s.type('Age', '60 d');
    const old = today(s.rig);
    expect(old).toBeLessThan(young);
    await s.type('Kept at', '100 °F');
    expect(today(s.rig)).toBeLessThan(old);
    await s.type('Titrated today', '9 %');
    expect(today(s.rig)).toBeCloseTo(0.09, 9);
  });
  test('a label in weight percent is a stronger stock than the same number in trade percent', async () => {
    const s = open();
    await s.choose('The label means', 'trade');
    const trade = today(s.rig);
    await s.choose('The label means', 'weight');
    expect(today(s.rig)).toBeGreaterThan(trade);
  });
  test('a transfer pump moves stock from tank to tank, tells how long it takes, and goes again', async () => {
    const s = open();
    expect(s.text()).toContain('Pouring by hand.');
    await s.press('Add a transfer pump');
    const [r] = s.rig.assessment().chemical.transfers;
    const d = s.rig.document();
    const name = (id: string): string => d.tanks.find((t) => t.id === id)!.name;
    expect(s.text()).toMatch(new RegExp(`[\\d.]+.gal from ${name(r.fromId)} to ${name(r.toId)} in [\\d.]+.min\\.`));
    await s.type('Open flow', '1 gpm');
    expect(s.rig.assessment().chemical.transfers[0].flow.value).toBeLessThan(r.flow.value / 2);
    expect(s.text()).toContain('takes');
    await s.press('Remove Transfer pump');
    expect(s.rig.assessment().chemical.transfers).toEqual([]);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('what is in a tank, a mix or at a refill place stays on the list; what is not, goes', async () => {
    const s = open();
    const remove = (): HTMLButtonElement => [...s.root.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Remove')!;
    expect(remove().disabled).toBe(true);
    expect(s.text()).toContain('it stays on the list');
    const n = s.rig.document().liquids!.length;
    await s.press('Add a liquid');
    expect(s.rig.document().liquids).toHaveLength(n + 1);
    expect(remove().disabled).toBe(false);
    const added = s.rig.document().liquids![n].id;
    s.rig.judge((d) => {
      d.brief.day = {
        starts: '8:00',
        tolerance: '2 %',
        jobs: [{ id: 'a', name: 'A', water: 'tap', phases: [] }],
        refills: [{ id: 'x', name: 'X', gives: added, flow: '5 gpm' }],
      };
    });
    await s.settle();
    expect(remove().disabled).toBe(true);
    s.rig.judge((d) => void delete d.brief.day!.refills);
    await s.settle();
    await s.press('Remove');
    expect(s.rig.document().liquids).toHaveLength(n);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('another kind leaves behind what only the old one had', async () => {
    const s = open();
    await s.press('Add a liquid');
    const at = (): NonNullable<ReturnType<FakeRig['document']>['liquids']>[number] => s.rig.document().liquids!.at(-1)!;
    await s.choose('Kind', 'oxygen-bleach');
    expect(at()).toMatchObject({ kind: 'oxygen-bleach', dose: '60 g/L', useBy: '8 h' });
    expect(s.text()).toContain('Use within, once mixed');
    await s.choose('Kind', 'hypochlorite');
    expect(at().dose).toBeUndefined();
    expect(at().strength).toBeDefined();
    await s.choose('Kind', 'acid');
    expect(at().strength).toBeUndefined();
  });
  test('pairs that must not meet are named with the reason and where they could', async () => {
    const s = open();
    await s.press('Add a liquid');
    await s.choose('Kind', 'acid');
    const row = [...s.root.querySelectorAll('tr')].find((r) => /Never/.test(r.textContent))!;
    expect(row.textContent).toMatch(/chlorine/i);
    expect(row.textContent).toContain('no shared line found');
  });
  test('winter: how much antifreeze for how cold, what to drain first, and when draining is enough', async () => {
    const s = open('winter-split');
    await s.type('Coldest night', '10 °F');
    expect(s.text()).toMatch(/[\d.]+.gal of antifreeze, about \$[\d.]+, for 10°F: \d+% glycol in the lines\./);
    expect(s.text()).toContain('Before the frost');
    await s.type('Coldest night', '40 °F');
    expect(s.text()).toContain('Coldest night is above freezing: no antifreeze needed, drain only.');
    await s.type('Coldest night', '-58 °F');
    expect(s.text()).toContain('Colder than the antifreeze can stand');
  });
});
