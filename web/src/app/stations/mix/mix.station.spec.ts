import { compareWays, LAYOUTS, readRig } from '@pozzo/core';
import { of, throwError } from 'rxjs';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { LiquidsStation } from '../liquids/liquids.station';
import { MixStation } from './mix.station';
import { WaysTable } from './ways-table';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const layout = (id: string) => LAYOUTS.find((l) => l.id === id)!.make();

describe('the station of the mix', () => {
  const open = (id: string, of_?: string) => {
    const made = bench(new FakeRig(layout(id)));
    return { ...made, ...render(MixStation, of_ ? { of: of_ } : {}) };
  };
  test('a proportioner shows its valves, its streams and what strays', () => {
    const s = open('crew-of-four');
    expect(s.text()).toMatch(/Proportioner: 1% at the wall/);
    expect([...s.root.querySelectorAll('label')].map((l) => l.textContent)).toEqual(expect.arrayContaining([expect.stringContaining('SH tank valve')]));
    expect(s.root.querySelectorAll('pz-blend-drawing path.stream').length).toBeGreaterThanOrEqual(4);
    expect(s.text()).toContain('tip a size smaller');
  });
  test('a pump in the address opens the mix that it serves', () => {
    expect(open('crew-of-four', 'engine-a').text()).toContain('Batch: 3.5');
  });
  test('a strength typed for one surface goes with it, and the page says so', async () => {
    const s = open('crew-of-four', 'roofs');
    const mix = () => s.rig.document().mixes!.find((m) => m.id === 'roofs')!;
    await s.type('Target strength', '4 %');
    expect(mix().wanted).toBe('4 %');
    await s.choose('Surface', 'house');
    expect([mix().surface, mix().wanted]).toEqual(['house', undefined]);
    expect(s.text()).toContain('4 % was set for another surface; undo brings it back.');
  });
  test('another way of mixing has its lines laid; soap comes on and off', async () => {
    const s = open('crew-of-four');
    await s.choose('Way of mixing', 'downstream');
    expect(s.rig.document().mixes![0]).toMatchObject({ way: 'downstream' });
    expect(s.text()).toMatch(/Downstream: .* at the wall/);
    await s.choose('Soap', 'none');
    expect(s.rig.document().mixes![0].soap).toBeUndefined();
    await s.choose('Soap', 'poured');
    expect(s.rig.document().mixes![0].soap).toMatchObject({ by: 'poured' });
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('a batch tells what to pour, over what is left of the last', async () => {
    const s = open('two-batch', 'walls');
    expect(s.text()).toMatch(/To mix:.*gal/);
    await s.press('Top up a part-used tank');
    expect(s.rig.document().mixes!.find((m) => m.id === 'walls')!.left).toBeDefined();
    expect(s.text()).toContain('Left from last batch');
  });
  test('the first mix is added on an empty side, and taken off again', async () => {
    const s = open('buffer-skid');
    expect(s.text()).toContain('No chemicals on this rig yet');
    await s.press('Add a mix');
    expect(s.text()).toMatch(/Downstream: .* at the wall/);
    await s.press('Remove');
    expect(s.text()).toContain('No chemicals on this rig yet');
  });
});

test('a worker that fails says why, instead of trying for ever', async () => {
  bench(new FakeRig(layout('crew-of-four')), { most: 1, run: () => throwError(() => new Error('out of memory')) });
  const s = render(WaysTable, { mixId: 'blend' });
  await new Promise((done) => setTimeout(done, 200));
  await s.settle();
  expect(s.root.querySelector('[role=alert]')!.textContent).toBe('out of memory');
  expect(s.text()).not.toContain('Trying');
});
test('the ways compared come from the worker, the one built is marked, another is tried', async () => {
  jest.useFakeTimers();
  const document = layout('crew-of-four');
  const ways = compareWays(document, 'blend');
  const asked: string[] = [];
  bench(new FakeRig(document), {
    run: (kind: string) => {
      asked.push(kind);
      return of({ state: 'done', value: ways });
    },
  });
  const s = render(WaysTable, { mixId: 'blend' });
  expect(s.text()).toContain('Trying the five ways');
  jest.advanceTimersByTime(200);
  jest.useRealTimers();
  await s.settle();
  s.fixture.detectChanges();
  expect(asked).toEqual(['ways']);
  expect(s.root.querySelectorAll('tbody tr')).toHaveLength(5);
  expect(s.root.querySelector('tr.now')!.textContent).toContain('Proportioner');
  let chosen = '';
  s.fixture.componentInstance.choose.subscribe((w) => (chosen = w));
  s.root.querySelector<HTMLButtonElement>('[aria-label="Try Draw stick"]')!.click();
  expect(chosen).toBe('draw-stick');
});

describe('the station of the liquids', () => {
  const open = (id: string, of_?: string) => {
    const made = bench(new FakeRig(layout(id)));
    return { ...made, ...render(LiquidsStation, of_ ? { of: of_ } : {}) };
  };
  test('SH tells today’s strength both ways, what a week takes, and both half-lives', () => {
    const text = open('crew-of-four').text();
    expect(text).toMatch(/12\.2% trade today, bought at 12\.5% \(10\.5% by weight today\)/);
    for (const label of ['Half-life, rate law', 'Half-life, handbook', 'Tank for a week', 'Weekly cost, stored']) expect(text).toContain(label);
  });
  test('a kind that must not meet another is told with its reason; what is in use stays', async () => {
    const s = open('crew-of-four', 'soap');
    await s.choose('Kind', 'acid');
    expect(s.text()).toMatch(/Never: .*chlorine/);
    expect([...s.root.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Remove')!.disabled).toBe(true);
    await s.press('Add a liquid');
    // The address names the new one; here the router is not there to hand it on.
    s.fixture.componentRef.setInput('of', 'liquid');
    await s.settle();
    await s.press('Remove');
    expect(s.rig.document().liquids).toHaveLength(2);
  });
  test('winter lists each circuit, and what to do in order; the glass line its resin', () => {
    const text = open('metric-header').text();
    expect(text).toMatch(/of antifreeze, about \$/);
    expect(text).toContain('Before the frost');
    expect(text).toContain('Until the resin is spent');
  });
  test('a site mix is given in grams a litre, with how long it is good', () => {
    const text = open('two-totes').text();
    expect(text).toContain('Powder for a liter');
    expect(text).toContain('Use within, once mixed');
  });
});
