import { TestBed } from '@angular/core/testing';
import { LAYOUTS, type RigDocument } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { WeightStation } from './weight.station';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const open = (id: string, change: (d: RigDocument) => void = () => undefined) => {
  const doc = layout(id);
  change(doc);
  const { rig, day } = bench(new FakeRig(doc));
  day.work(1);
  return { rig, ...render(WeightStation) };
};
const bars = (root: HTMLElement) =>
  [...root.querySelectorAll('pz-load-bars .row')].map((r) => ({ words: r.textContent.replace(/\s+/g, ' ').trim(), verdict: r.className }));

describe('weight', () => {
  test('a bar for everything that has a rating, over it in words', () => {
    const s = open('two-batch');
    const [first] = bars(s.root);
    expect(first.words).toMatch(/^The trailer ?2,211.lb of 2,000.lb: over$/);
    expect(first.verdict).toContain('stop');
    expect(s.text()).toContain('Overloaded: don’t drive it');
  });
  test('tyres that say nothing their axle does not are left out', () => {
    expect(bars(open('big-tank').root).some((b) => b.words.startsWith('Tires'))).toBe(false);
    TestBed.resetTestingModule();
    const weak = open('big-tank', (d) => void (d.platform!.axles[0].tyres = '3400 lb'));
    expect(bars(weak.root).some((b) => b.words.startsWith('Tires of axle 1'))).toBe(true);
  });
  test('another filling shows its own loads; the day’s end is among them', async () => {
    const s = open('big-tank');
    const full = bars(s.root)[0].words;
    await s.press('Empty');
    expect(bars(s.root)[0].words).not.toBe(full);
    expect([...s.root.querySelectorAll('button')].some((b) => b.textContent.trim() === 'Day ends')).toBe(true);
  });
  test('every filling stands in the table, those of the day too', () => {
    const s = open('big-tank');
    const rows = [...s.root.querySelectorAll('tbody tr')].map((r) => r.textContent.replace(/\s+/g, ' ').trim());
    expect(rows.some((r) => r.startsWith('With only Water full'))).toBe(true);
    expect(rows.some((r) => r.startsWith('Heaviest on the road, '))).toBe(true);
  });
  test('a ticket typed in stands beside the reckoning, and goes again', async () => {
    const s = open('big-tank');
    await s.press('Add a ticket');
    expect(s.rig.document().platform!.ticket!.axles).toHaveLength(2);
    expect(s.text()).toContain('Ticket and calculation');
    await s.type('Axle 1', '5000 lb');
    expect(s.rig.assessment().findings.map((f) => f.code)).toContain('ticket-off');
    await s.press('Remove ticket');
    expect(s.rig.document().platform!.ticket).toBeUndefined();
  });
  test('slopes tell what stays on the coupling and what the outlet does not reach', async () => {
    const s = open('big-tank');
    await s.press('Add a sloped site');
    expect(s.text()).toMatch(/the coupler keeps [\d.]+.lb at least/);
    expect(s.text()).toMatch(/Kept from the outlet that a level stand would give: Water [\d.]+.gal.*Inlet head left: Washer A/);
    await s.press('Level sites only');
    expect(s.rig.document().platform!.slope).toBeUndefined();
  });
  test('nothing is called within ratings while something has no place', () => {
    const s = open('big-tank', (d) => void (d.placements = d.placements!.filter((p) => p.thing !== 'water')));
    expect(s.text()).toMatch(/Not judged: 1 thing has no place yet \(Water\)/);
    expect(s.text()).not.toContain('Within ratings');
  });
  test('in metric every load is in kilograms', async () => {
    const s = open('metric-header');
    s.rig.units.set('metric');
    await s.settle();
    expect(bars(s.root).every((b) => / kg of .*kg/.test(b.words.replace(/\u00a0/g, ' ')))).toBe(true);
  });
  test('without a platform it leads to the plan', () => {
    const s = open('big-tank', (d) => {
      delete d.platform;
      delete d.placements;
    });
    expect(s.text()).toContain('No platform yet');
  });
});
