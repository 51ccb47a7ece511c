import type { Type } from '@angular/core';
import { LAYOUTS, parseRig, readRig, si, sizingSteps, sensitivitySteps, volumeOf } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { DayStation } from './day.station';
import { SizingPanel } from './sizing-panel';
import { SwingsPanel } from './swings-panel';

jest.mock('../../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const layout = (id: string) => LAYOUTS.find((l) => l.id === id)!.make();
const whole = <T>(steps: Generator<number, T>): T => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};

describe('the station of the work day', () => {
  function open(id = 'small-buffer', days = 60, part = 'board') {
    const { rig, day } = bench(new FakeRig(layout(id)));
    day.work(days);
    return { rig, day, ...render(DayStation, { part }) };
  }
  const block = (root: HTMLElement, key: string): HTMLButtonElement => root.querySelector(`[data-block="${key}"]`)!;

  test('watches the day while it is open and leaves it when it closes', () => {
    const s = open();
    expect(s.day.asked).toEqual(['watch']);
    s.fixture.destroy();
    expect(s.day.asked).toEqual(['watch', 'leave']);
  });
  test('says how many days go short, how sure that is, and what is allowed', () => {
    const s = open('small-buffer', 200, 'levels');
    expect(s.text()).toMatch(/[\d.]+% of days go short of water; 2% allowed/);
    expect(s.text()).toMatch(/200 days sampled.*95% interval [\d.]+% to [\d.]+%/);
    expect(s.text()).toMatch(/of days: Buffer runs dry/);
  });
  test('each part has an address of its own; one that there is not is the board', () => {
    const s = open();
    expect([...s.root.querySelectorAll('[mat-tab-link]')].map((a) => a.getAttribute('href'))).toEqual([
      '/?part=board',
      '/?part=levels',
      '/?part=sizing',
      '/?part=moves',
    ]);
    s.fixture.componentRef.setInput('part', 'none-such');
    s.fixture.detectChanges();
    expect(s.root.querySelector('pz-day-board')).not.toBeNull();
  });
  test('the heading tells all that runs short, not the water alone', () => {
    const s = open('small-buffer', 40);
    const value = s.day.sample().value!;
    const chance = { ...value.short, chance: 1 };
    const stock = { cause: 'stock' as const, id: 'sh', name: 'SH', chance, lostMeanS: 0, firstMedianS: 60 };
    const reach = { ...stock, cause: 'reach' as const, id: 'gun', name: 'Gun', chance: { ...chance, chance: 0.12 } };
    s.day.sample.set({ ...s.day.sample(), value: { ...value, short: { ...value.short, chance: 0.04 }, causes: [reach, stock] } });
    s.fixture.detectChanges();
    expect(s.root.querySelector('h2[aria-live]')!.textContent).toMatch(/4% of days go short of water, 100% of SH, 12% with work out of reach; 2% allowed/);
  });
  test('a made-up day is written down by the first press on the board, and its phase can be set', async () => {
    const s = open();
    expect(s.text()).toContain('A typical day, built from the brief.');
    block(s.root, '0:2').click();
    await s.settle();
    expect(s.rig.labels).toEqual(['Customize this day']);
    expect(s.text()).toContain('Phase: Wash');
    await s.choose('Kind', 'rinse');
    await s.choose('Done by', '2');
    expect(s.rig.document().brief.day!.jobs[0].phases[2]).toMatchObject({ kind: 'rinse', crew: '2' });
    await s.choose('Tool', '');
    expect(s.rig.document().brief.day!.jobs[0].phases[2].gun).toBeUndefined();
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('jobs are added, moved and removed; the board follows once the day is worked again', async () => {
    const s = open();
    await s.press('Large driveway');
    expect(s.rig.document().brief.day!.jobs).toHaveLength(4);
    s.day.work(20);
    await s.settle();
    expect([...s.root.querySelectorAll('pz-day-board .job')].map((j) => j.textContent)).toContain('Large driveway');
    await s.press('Earlier');
    expect(s.rig.document().brief.day!.jobs[2].name).toBe('Large driveway');
    await s.press('Remove job');
    expect(s.rig.document().brief.day!.jobs).toHaveLength(3);
  });
  test('the season sets the water; winter asks for its shut taps, and short days are told season by season', async () => {
    const s = open('buffer-skid', 60, 'levels');
    await s.press('Customize this day');
    expect(s.text()).not.toContain('Taps shut in winter');
    await s.choose('The rig works in', 'year');
    expect(s.text()).toMatch(/Water from 41°F to 86°F\./);
    await s.type('Taps shut in winter', '100 %');
    expect(s.rig.document().brief.day).toMatchObject({ season: 'year', dryWinter: '100 %' });
    s.day.work(80);
    await s.settle();
    expect(s.text()).toMatch(/Short of water: .* of spring days, .* of summer days, .* of autumn days, [1-9]\d*.% of winter days\./);
    await s.choose('The rig works in', 'summer');
    expect(s.text()).not.toContain('Taps shut in winter');
    await s.choose('The rig works in', '');
    expect(s.rig.document().brief.day!.season).toBeUndefined();
  });
  test('sites near and far: hands that do not reach are told with the days they miss', async () => {
    const s = open('buffer-skid', 60, 'levels');
    await s.press('Customize this day');
    await s.press('Enter distances and heights');
    expect(s.rig.document().brief.day!.distance).toBeDefined();
    await s.type('Farthest', '3000 ft');
    s.day.work(60);
    await s.settle();
    expect(s.text()).toMatch(/of days: Gun does not reach the work/);
    expect(s.text()).toMatch(/On [\d.]+% of days Gun does not reach the work\. More hose on the reel/);
    await s.press('Leave them out');
    expect(s.rig.document().brief.day!.distance).toBeUndefined();
    expect(s.rig.document().brief.day!.height).toBeUndefined();
  });
  test('a refill place is added, chosen for a phase, and takes its name out of the phase when it goes', async () => {
    const s = open('carried-water');
    const day = () => s.rig.document().brief.day!;
    expect(s.text()).not.toContain('The customers’ spigots');
    block(s.root, '1:1').click();
    await s.settle();
    await s.press('Add a refill place');
    expect(day().refills!.map((r) => r.id)).toEqual(['spring', 'place-1']);
    expect(day().refills![1].flow).toBe('20 gpm');
    await s.choose('Where', 'place-1');
    expect(day().jobs[1].phases[1].place).toBe('place-1');
    await s.press('Remove Refill place 2');
    expect(day().jobs[1].phases[1].place).toBeUndefined();
    expect(readRig(s.rig.document()).ok).toBe(true);
    await s.choose('Gives', 'sh');
    expect(day().refills![0].gives).toBe('sh');
  });
  test('a rig that never goes short says so without a share', () => {
    const s = open('carried-water', 40);
    expect(s.text()).toMatch(/Water on every day sampled; 2% may go short\./);
  });
  test('blocks answer to the keyboard', async () => {
    const s = open();
    await s.press('Customize this day');
    const key = async (of: string, init: KeyboardEventInit): Promise<void> => {
      block(s.root, of).dispatchEvent(new KeyboardEvent('keydown', { bubbles: true, ...init }));
      await s.settle();
    };
    const phases = () => s.rig.document().brief.day!.jobs[0].phases;
    await key('0:2', { key: '+' });
    expect(phases()[2].time).toBe('45 min');
    await key('0:2', { key: '-' });
    await key('0:2', { key: 'ArrowUp', altKey: true });
    expect(phases()[2]).toMatchObject({ time: '40 min', crew: 'all' });
    await key('0:2', { key: 'ArrowRight', altKey: true });
    expect(phases()[3].kind).toBe('wash');
    await key('0:0', { key: 'ArrowRight' });
    expect(document.activeElement).toBe(block(s.root, '0:1'));
    await key('0:1', { key: 'Delete' });
    expect(phases().map((p) => p.kind)).not.toContain('connect');
    await key('0:0', { key: 'x' });
    expect(s.rig.labels).toEqual([
      'Customize this day',
      'Length of the phase',
      'Length of the phase',
      'Pass to another hand',
      'Move the phase',
      'Remove the phase',
    ]);
  });
  test('a time of day that is none is told and not taken', async () => {
    const s = open();
    await s.press('Customize this day');
    const box = s.root.querySelector<HTMLInputElement>('pz-clock input')!;
    const type = async (text: string) => {
      box.value = text;
      box.dispatchEvent(new Event('input'));
      box.dispatchEvent(new Event('change'));
      await s.settle();
    };
    await type('half past');
    expect(s.root.querySelector('[role=alert]')!.textContent).toContain('A time of day reads like 7:30');
    expect(box.value).toBe('half past');
    expect(s.rig.document().brief.day!.starts).toBe('8:00');
    await type('6:45');
    expect(s.root.querySelector('[role=alert]')).toBeNull();
    expect(s.rig.document().brief.day!.starts).toBe('6:45');
  });
  test('the customers’ spigots begin from the rig’s own', async () => {
    const s = open();
    await s.press('Customize this day');
    await s.press('Enter flows');
    expect(s.rig.document().brief.day!.spigot).toMatchObject({ usual: s.rig.document().spigots[0].readings[0].flow });
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('sliding to a minute shows its levels, guns and strengths', async () => {
    const s = open();
    const phase = s.day.usual()!.phases.find((p) => p.mixId === 'blend')!;
    s.day.look((phase.fromS + phase.toS) / 2);
    await s.settle();
    const panel = s.root.querySelector('pz-minute-panel')!.textContent;
    expect(panel).toMatch(/At \d+:\d\d/);
    expect(panel).toContain('Apply mix');
    expect(panel).toMatch(/Proportioner 3\.\d+% at the wall/);
    expect(panel).toContain('SH tank');
    await s.press('Whole day');
    expect(s.day.minute()).toBeNull();
  });
  test('more days are sampled, and stopped', async () => {
    const s = open();
    await s.press(/Run 10/);
    s.day.sample.update((w) => ({ ...w, state: 'working', share: 0.3 }));
    await s.settle();
    await s.press('Cancel');
    expect(s.day.asked).toEqual(['watch', 'sample 10000', 'cancel sample']);
    s.day.sample.update((w) => ({ ...w, state: 'failed', error: 'It stopped.' }));
    await s.settle();
    expect(s.root.querySelector('[role=alert]')!.textContent).toContain('It stopped.');
  });
  test('a rig that runs dry on the usual day says when, beside what would help', async () => {
    const { rig, day } = bench(new FakeRig(layout('small-buffer')));
    rig.edit('weak', (d) => void (d.spigots[0].readings[0].flow = '1.5 gpm'));
    day.work(60);
    const s = render(DayStation);
    expect(s.text()).toMatch(/On the usual day Buffer runs dry at \d+:\d\d; .* of work lost/);
    await s.press('Find the right tank size');
    expect(day.asked).toContain('size');
  });
});

describe('sizing', () => {
  function sized(days = 40, panel: Type<unknown> = SizingPanel) {
    const { rig, day } = bench(new FakeRig(layout('small-buffer')));
    rig.edit('weak', (d) => void (d.spigots[0].readings[0].flow = '4 gpm'));
    const doc = JSON.parse(JSON.stringify(rig.document()));
    day.sizing.set({ state: 'done', share: 1, value: whole(sizingSteps(doc, days, 1)) as never, error: null });
    day.swings.set({ state: 'done', share: 1, value: whole(sensitivitySteps(doc, days, 1)) as never, error: null });
    return { rig, day, ...render<unknown>(panel) };
  }
  test('the smallest tank in words, in a table with price and weight, and put on by one press', async () => {
    const s = sized();
    expect(s.text()).toMatch(/The smallest Buffer for 2% of days is [\d.]+.gal; [\d.]+.gal goes short on/);
    expect(s.root.querySelectorAll('pz-table tbody tr').length).toBeGreaterThanOrEqual(4);
    expect(s.root.querySelectorAll('pz-table tr.best')).toHaveLength(1);
    const before = parseRig(s.rig.document()).tanks[0].shape;
    await s.press(/^Make it/);
    expect(parseRig(s.rig.document()).tanks[0].shape).not.toEqual(before);
    expect(s.rig.labels[1]).toMatch(/^Make it .* \(\+\$\d+, \+[\d.]+.lb full\)$/);
  });
  test('says how many days each size was judged by, and when the rig has met more since', async () => {
    const s = sized();
    expect(s.text()).toContain('40 days, the same for every size: as many as it takes to know.');
    s.day.work(60);
    await s.settle();
    expect(s.text()).toContain('The rig has been put through 60 since: size again for as many.');
  });
  test('sizes of hose and feed are pressed to be put in', async () => {
    const s = sized(20);
    const now = [...s.root.querySelectorAll('.size.now')].map((t) => t.textContent.trim());
    expect(now.length).toBeGreaterThanOrEqual(2);
    await s.press(/^2 in/);
    expect(
      s.rig
        .document()
        .lines.find((l) => l.role === 'feed')!
        .parts.every((p) => p.bore === '2 in'),
    ).toBe(true);
  });
  test('what moves the answer is ordered, and says what to ask the customer', () => {
    const s = sized(40, SwingsPanel);
    const rows = [...s.root.querySelectorAll('ol li')].map((l) => l.textContent);
    expect(rows.length).toBeGreaterThanOrEqual(6);
    expect(rows.some((r) => r.includes('ask the customer'))).toBe(true);
    expect(rows[rows.length - 1]).not.toContain('ask the customer');
  });
  test('while it works it shows how far it is and can be stopped; a failure is told', async () => {
    const { day } = bench();
    const s = render(SizingPanel);
    await s.press('Size it for these days');
    day.sizing.set({ state: 'working', share: 0.4, value: null, error: null });
    await s.settle();
    expect(s.root.querySelector('mat-progress-bar')!.getAttribute('aria-valuenow')).toBe('40');
    await s.press('Cancel');
    expect(day.asked).toEqual(['size', 'cancel sizing', 'cancel swings']);
    day.sizing.set({ state: 'failed', share: 0, value: null, error: 'out of memory' });
    await s.settle();
    expect(s.text()).toContain('out of memory');
    day.sizing.set({ state: 'done', share: 1, value: null, error: null });
    await s.settle();
    expect(s.text()).toContain('Nothing to size');
  });
  test('stock that runs short is sized too, and taken with a press; without a water tank nothing is said of one', async () => {
    const { rig, day } = bench(new FakeRig(layout('two-batch')));
    const tank = rig.document().tanks.find((t) => t.liquid !== 'water')!;
    const short = (chance: number) => ({ days: 400, chance, low: chance, high: chance });
    const size = (text: string, chance: number, now = false) => ({ text, now, short: short(chance), price: 0, massKg: 0, refused: undefined });
    const s = render(SizingPanel);
    day.sizing.set({
      state: 'done',
      share: 1,
      value: {
        tolerance: 0.02,
        most: 400,
        tank: undefined,
        fills: [],
        feeds: [],
        stores: [{ kind: 'stock', id: tank.id, name: tank.name, sizes: [size('35 gal', 0.4, true), size('70 gal', 0)], smallest: '70 gal' }],
      } as never,
      error: null,
    });
    await s.settle();
    expect(s.text()).toContain('Stock, batteries and fuel');
    expect(s.root.querySelector('pz-chart')).toBeNull();
    await s.press(`${tank.name} 70 gal: short on 0% of days`);
    const grown = rig.document().tanks.find((t) => t.id === tank.id)!;
    expect(volumeOf(grown.shape)).toBeCloseTo(si('70 gal', 'volume'), 3);
  });
});
