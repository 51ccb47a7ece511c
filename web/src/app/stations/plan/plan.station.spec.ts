import { assess, LAYOUTS, parseRig, readRig, type RigDocument, textWidth } from '@pozzo/core';
import { of, throwError } from 'rxjs';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { scaleOf, sideOf, snapped, WIDE, widestClear } from './deck-layout';
import { PlanStation } from './plan.station';
import { deckSheet } from './print-deck';

jest.mock('./scene', () => ({ DeckScene: class {} }));

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const open = (of_?: string, doc = layout('big-tank'), heavy?: object) => {
  const { rig } = bench(new FakeRig(doc), heavy);
  return { rig, ...render(PlanStation, of_ ? { of: of_ } : {}) };
};
const placeOf = (rig: FakeRig, thing: string) => rig.document().placements!.find((p) => p.thing === thing)!;
const thing = (root: HTMLElement, id: string): SVGGElement => root.querySelector<SVGGElement>(`[data-thing="${id}"]`)!;
const key = (root: HTMLElement, id: string, name: string, shiftKey = false): void =>
  void thing(root, id).dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }));

describe('the plan', () => {
  test('draws every thing that has a place as a button that says where it stands', () => {
    const s = open();
    expect(s.root.querySelectorAll('[data-thing]')).toHaveLength(s.rig.document().placements!.length);
    expect(thing(s.root, 'water').getAttribute('aria-label')).toMatch(/^Water, 64.in from the front, 2.in from the curb side$/);
  });
  test('arrow keys move a thing by an inch, with shift by six, and what stands on it goes along', async () => {
    const s = open('reel-fill');
    const [x, y] = ['x', 'y'].map((k) => Number.parseFloat(placeOf(s.rig, 'reel-hose-a')[k as 'x']));
    key(s.root, 'reel-fill', 'ArrowRight');
    key(s.root, 'reel-fill', 'ArrowUp', true);
    await s.settle();
    expect(Number.parseFloat(placeOf(s.rig, 'reel-hose-a').x)).toBeCloseTo(x + 1, 6);
    expect(Number.parseFloat(placeOf(s.rig, 'reel-hose-a').y)).toBeCloseTo(y + 6, 6);
    expect(s.rig.labels.at(-1)).toBe('Move Reel 1');
  });
  test('what is pinned stays where it is', async () => {
    const s = open('water');
    await s.press('Pin it');
    const before = placeOf(s.rig, 'water').x;
    key(s.root, 'water', 'ArrowRight');
    await s.settle();
    expect(placeOf(s.rig, 'water').x).toBe(before);
    await s.press('Let it move');
    expect(placeOf(s.rig, 'water').pinned).toBeUndefined();
  });
  test('typed inches move it, and what cannot be stays in the field with its bound', async () => {
    const s = open('water');
    await s.type('From the front', '60 in');
    expect(placeOf(s.rig, 'water').x).toBe('60 in');
    await s.type('From the front', '900 in');
    expect(placeOf(s.rig, 'water').x).toBe('60 in');
    expect(s.text()).toContain('at most 60 ft');
  });
  test('turned, put into the tray and stood up again', async () => {
    const s = open('drum');
    await s.press('Turn it');
    expect(placeOf(s.rig, 'drum').turned).toBe('90');
    await s.press('Take off deck');
    expect(placeOf(s.rig, 'drum')).toBeUndefined();
    expect(s.text()).toContain('It has no place yet.');
    expect(s.rig.assessment().weight!.judged).toBe(false);
    await s.press('Stand it on the deck');
    expect(placeOf(s.rig, 'drum')).toBeDefined();
    expect(s.rig.assessment().weight!.judged).toBe(true);
  });
  test('gear is added, held by straps or bolts, and taken off again', async () => {
    const s = open();
    await s.choose('What else rides along', 'shelf');
    const id = s.rig.document().gear!.at(-1)!.id;
    expect(placeOf(s.rig, id)).toBeDefined();
    await s.choose('Tie-downs', 'straps');
    expect(placeOf(s.rig, id).held).toMatchObject({ by: 'straps', working: '1000 lbf' });
    await s.choose('Tie-downs', 'bolts');
    expect(placeOf(s.rig, id).held).toMatchObject({ by: 'bolts', bolt: '3/8-16' });
    await s.choose('Tie-downs', '');
    expect(placeOf(s.rig, id).held).toBeUndefined();
    await s.press('Remove it');
    expect(s.rig.document().gear!.some((g) => g.id === id)).toBe(false);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('handles and bowls are listed with their heights, where a hand gets at them from', async () => {
    const s = open();
    const panels = [...s.root.querySelectorAll<HTMLElement>('mat-expansion-panel-header')];
    panels.find((x) => x.textContent.includes('Reach: valves'))!.click();
    await s.settle();
    const table = s.root.querySelector('table[aria-label="What a hand gets at"]')!;
    expect(table.querySelectorAll('tbody tr').length).toBe(s.rig.assessment().plan!.hands.length);
    expect(table.textContent).toMatch(/from the (ground|deck)/);
  });
  test('doors of a closed body are ticked; without one nobody gets in', async () => {
    const s = open();
    s.root.querySelector<HTMLElement>('mat-expansion-panel-header')!.click();
    await s.settle();
    await s.type('Height inside a closed body', '80 in');
    const box = (name: string): HTMLInputElement =>
      [...s.root.querySelectorAll('mat-checkbox')].find((x) => x.textContent.includes(name))!.querySelector<HTMLInputElement>('input')!;
    expect(s.root.textContent).toContain('has no door');
    box('Rear').click();
    await s.settle();
    expect(s.rig.document().platform!.doors).toEqual(['rear']);
    expect(s.root.textContent).not.toContain('has no door');
    box('Street side').click();
    box('Rear').click();
    await s.settle();
    expect(s.rig.document().platform!.doors).toEqual(['street']);
  });
  test('wheel boxes, floor that stays free and what rides along are put in, judged and taken out again', async () => {
    const s = open();
    const told = (code: string): number => s.rig.assessment().findings.filter((f) => f.code === code).length;
    s.root.querySelector<HTMLElement>('mat-expansion-panel-header')!.click();
    await s.settle();
    if (s.rig.document().platform!.wheelBoxes) await s.press('No wheel wells');
    expect(told('wheel-box')).toBe(0);
    await s.press('It has wheel wells');
    await s.type('Wide, each side', '4 ft');
    expect(told('wheel-box')).toBeGreaterThan(0);
    await s.press('No wheel wells');
    expect(told('wheel-box')).toBe(0);
    expect(told('keep-free')).toBe(0);
    await s.press('Keep a piece free');
    await s.type('From the curb side', '0 ft');
    const free = s.rig.document().platform!.free!;
    s.rig.edit('all of it', (d) => Object.assign(d.platform!.free![0], { length: d.platform!.length, width: d.platform!.width }));
    await s.settle();
    expect(free).toHaveLength(1);
    expect(told('keep-free')).toBeGreaterThan(0);
    await s.press('Use Kept free again');
    expect(told('keep-free')).toBe(0);
    expect(s.rig.document().platform!.free).toBeUndefined();
    const riding = s.rig.document().platform!.riding?.length ?? 0;
    await s.press('Add a load');
    expect(s.rig.document().platform!.riding).toHaveLength(riding + 1);
    await s.press('Leave Tools behind');
    expect(s.rig.document().platform!.riding?.length ?? 0).toBe(riding);
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
  test('without a platform it asks for one; another keeps every place', async () => {
    const doc = layout('big-tank');
    delete doc.platform;
    delete doc.placements;
    const s = open(undefined, doc);
    expect(s.text()).toContain('Pick a trailer, truck or skid.');
    await s.press(/Open trailer, two axles, 14/);
    expect(s.rig.document().platform!.name).toBe('Heavy tandem-axle trailer');
    await s.press('Place all of it');
    expect(s.text()).toContain('Not placed: nothing');
    const places = s.rig.document().placements!.length;
    await s.press('Change');
    await s.choose('Stand it on', 'tandem-16');
    expect(s.rig.document().placements).toHaveLength(places);
  });
  test('how full the tanks are is one press, and the loads follow', async () => {
    const s = open();
    const tongue = (): string => [...s.root.querySelectorAll('g.load')].find((t) => t.textContent.includes('tongue'))!.textContent;
    const full = tongue();
    [...s.root.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Empty')!.click();
    await s.settle();
    expect(tongue()).not.toBe(full);
  });
  test('an arrangement is offered in words and taken as one step; a failure is told', async () => {
    const placements = layout('big-tank').placements!.map((p) => (p.thing === 'cones' ? { ...p, x: '20 in' } : p));
    const done = (way: string) =>
      of({ state: 'done', value: { way, placements, before: 9, after: 3, hoseM: 4, told: 1, axlesKg: [900, 900], tongueShare: 0.12 } });
    const s = open(undefined, layout('big-tank'), { most: 1, run: (_kind: string, ask: { way: string }) => done(ask.way) });
    await s.press('Arrange it for me');
    expect(s.text()).toMatch(/12% tongue weight, full, 13.1.ft of hose between things, 1 thing still to mend/);
    await s.press('Take: Reels at the curb');
    expect(placeOf(s.rig, 'cones').x).toBe('20 in');
    s.fixture.destroy();
  });
  test('work that dies says so', async () => {
    const s = open(undefined, layout('big-tank'), { most: 1, run: () => throwError(() => new Error('The calculation stopped.')) });
    await s.press('Arrange it for me');
    expect(s.text()).toContain('The calculation stopped.');
  });
});

describe('the drawing', () => {
  test('a name stands where nothing nearer hides it, or nowhere', () => {
    const tank = { x0: 0, x1: 3, y0: 1, y1: 2, z0: 0, z1: 1 };
    const before = (x0: number, x1: number, z1 = 1) => ({ box: { x0, x1, y0: 0, y1: 0.5, z0: 0, z1 } });
    expect(widestClear(tank, [])).toEqual({ from: 0, to: 3, low: 0, high: 1 });
    expect(widestClear(tank, [before(2, 2.5), before(-1, 0.5)])).toEqual({ from: 0.5, to: 2, low: 0, high: 1 });
    // Too low to hide the middle third: the name stands over it.
    expect(widestClear(tank, [before(0, 3, 0.3)])).toEqual({ from: 0, to: 3, low: 0.3, high: 1 });
    const none = widestClear(tank, [before(-1, 2), before(1, 4)]);
    expect(none.to - none.from).toBe(0);
  });
  test('no name of any layout from the side is under something nearer', () => {
    for (const l of LAYOUTS) {
      const rig = parseRig(l.make());
      const scale = scaleOf(rig, 'side');
      const things = sideOf(
        rig,
        assess(rig).plan!,
        scale,
        rig.tanks.map((t) => t.fullLevel),
        500,
      );
      things.forEach((t, i) => {
        if (!t.label) return;
        const { x, y, text, size, upright } = t.label;
        const [long, thick] = [textWidth(text, size) / 2, size / 2];
        const [dx, dy] = upright ? [thick, long] : [long, thick];
        for (const near of things.slice(i + 1))
          expect([l.id, text, x + dx > near.x && x - dx < near.x + near.width && y + dy > near.y && y - dy < near.y + near.height]).toEqual([
            l.id,
            text,
            false,
          ]);
      });
    }
  });
  const box = (x0: number, x1: number, y0: number, y1: number) => ({ x0, x1, y0, y1, z0: 0, z1: 1 });
  const deck = { length: 4, width: 2 };
  test('clings to edges, neighbours and middles within reach, and to nothing beyond', () => {
    expect(snapped(box(0.02, 1.02, 0.5, 1), [], deck, 0.035)).toEqual({ dx: -0.02, dy: 0 });
    expect(snapped(box(1.02, 2.02, 0.5, 1), [box(0, 1, 0, 0.4)], deck, 0.035).dx).toBeCloseTo(-0.02, 9);
    expect(snapped(box(1.51, 2.51, 0.3, 0.8), [], deck, 0.035).dx).toBeCloseTo(-0.01, 9);
    expect(snapped(box(0.3, 0.9, 0.31, 0.83), [], deck, 0.035)).toEqual({ dx: 0, dy: 0 });
  });
  test('every layout fits across, alone and with its view from the side', () => {
    for (const l of LAYOUTS) {
      const rig = parseRig(l.make());
      for (const show of ['both', 'above', 'side'] as const) {
        const s = scaleOf(rig, show);
        expect(s.x(0)).toBeGreaterThanOrEqual(0);
        expect(s.x(rig.platform!.length)).toBeLessThanOrEqual(WIDE);
      }
    }
  });
});

describe('the sheet that is printed', () => {
  test('has the drawing, every filling and the ratings; names cannot break out of it', () => {
    const doc = layout('big-tank');
    doc.tanks[0].name = '<img src=x onerror=alert(1)>';
    doc.name = '<b>Rig</b>';
    const rig = new FakeRig(doc);
    const html = deckSheet(rig.rig(), rig.assessment().weight, [0.5, 0.3], 'us');
    expect(html).toContain('<svg');
    expect(html).not.toMatch(/<img|<b>/);
    expect(html).toContain('Made for');
    expect((html.match(/<tr>/g) ?? []).length).toBe(rig.assessment().weight!.states.length + 2);
  });
  test('says what is not placed, and that masses are estimates', () => {
    const doc = layout('big-tank');
    doc.placements = doc.placements!.filter((p) => p.thing !== 'drum');
    const rig = new FakeRig(doc);
    expect(deckSheet(rig.rig(), rig.assessment().weight, [0.5, 0.3], 'metric')).toMatch(/Not placed, and not counted: SH drum\.[\s\S]*estimates/);
  });
  test('a rig without a platform prints nothing', () => {
    const doc = layout('big-tank');
    delete doc.platform;
    delete doc.placements;
    expect(deckSheet(parseRig(doc), undefined, [], 'us')).toBe('');
  });
});
