import { TestBed } from '@angular/core/testing';
import { compareOptionsSteps, LAYOUTS, pontoonRig, readRig, withoutOptions } from '@pozzo/core';
import { NEVER, of, throwError } from 'rxjs';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { OptionsStation } from './options.station';

function open(rig = new FakeRig(pontoonRig())) {
  const made = bench(rig);
  return { ...made, ...render(OptionsStation) };
}
/** Compares as the worker would. */
function compare({ rig, day }: ReturnType<typeof open>, days = 40): void {
  const doc = rig.document();
  const steps = compareOptionsSteps(
    [{ id: 'now', name: 'As built', rig: withoutOptions(doc) }, ...(doc.options ?? []).map((o) => ({ id: o.id, name: o.name, rig: o.rig }))],
    days,
    1,
  );
  let step = steps.next();
  while (!step.done) step = steps.next();
  day.comparison.set({ state: 'done', share: 1, value: step.value as never, error: null });
}

test('every school that fits the rig is offered; one kept is offered no more', async () => {
  const s = open();
  expect(s.text()).toContain('Carry all the day’s water');
  await s.press('Carry all the day’s water');
  expect(s.rig.document().options).toHaveLength(1);
  expect([...s.root.querySelectorAll('.acts button')].map((b) => b.textContent.trim())).not.toContain('Carry all the day’s water');
  expect(readRig(s.rig.document()).ok).toBe(true);
});
test('ways that are looked for, and one that is being made, hold the press; a worker that fails says why', async () => {
  const list = [{ id: 'larger', question: 'Water', title: 'Half as much water again' }];
  bench(new FakeRig(pontoonRig()), { most: 1, run: (kind: string) => (kind === 'variants' ? of({ state: 'done', value: list }) : NEVER) });
  const waits = render(OptionsStation);
  await waits.press('Half as much water again');
  const button = [...waits.root.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Half as much water again')!;
  expect(button.disabled).toBe(true);
  TestBed.resetTestingModule();
  bench(new FakeRig(pontoonRig()), { most: 1, run: () => NEVER });
  expect(render(OptionsStation).text()).toContain('Looking for other ways of building it');
  TestBed.resetTestingModule();
  const failing = bench(new FakeRig(pontoonRig()), { most: 1, run: () => throwError(() => new Error('out of memory')) });
  const s = render(OptionsStation);
  expect(s.root.querySelector('[role=alert]')!.textContent).toBe('out of memory');
  await s.press('Keep it as it stands');
  expect(failing.rig.document().options).toHaveLength(1);
});
test('it asks for the comparison when it opens and after each change', async () => {
  const s = open();
  expect(s.day.asked).toEqual(['compare']);
  await s.press(/A booster before/);
  expect(s.day.asked.filter((a) => a === 'compare').length).toBeGreaterThanOrEqual(2);
});
test('the table marks what differs, the advice says what to build, and building keeps what was', async () => {
  const s = open();
  await s.press('Two guns at half flow on Washer A');
  await s.press(/A booster before/);
  compare(s);
  await s.settle();
  expect([...s.root.querySelectorAll('thead th')].map((h) => h.textContent.trim().replace('recommended', ''))).toEqual([
    'As built',
    'Two guns at half flow on Washer A',
    'A booster before Washer A',
  ]);
  expect(s.root.querySelectorAll('thead th.best')).toHaveLength(1);
  const price = [...s.root.querySelectorAll('tbody tr')].find((r) => r.querySelector('th')?.textContent.trim() === 'Price')!;
  expect(price.textContent).toMatch(/as it is.*\+\$\d+.*worse/s);
  expect(s.root.querySelector('.does h2')!.textContent).toMatch(/Keep the build as it is|Build “|Nothing here/);
  s.root.querySelector<HTMLButtonElement>('[aria-label="Build A booster before Washer A"]')!.click();
  await s.settle();
  expect(s.rig.document().boosters).toHaveLength(1);
  expect(s.rig.document().options!.map((o) => o.name)).toContain('Before “A booster before Washer A”');
});
test('a press on what is compared puts the options in its order, the build in front; the third puts them back', async () => {
  const s = open();
  await s.press('Two guns at half flow on Washer A');
  await s.press(/A booster before/);
  await s.press('Carry all the day’s water');
  compare(s, 10);
  await s.settle();
  const price = () => [...s.root.querySelectorAll('tbody tr')].find((r) => r.querySelector('th')?.textContent.trim().startsWith('Price'))!;
  const prices = (): number[] =>
    [...price().querySelectorAll('td')].map((c) =>
      Number(
        c.textContent
          .replace('saves ', '-')
          .replace('as it is', '0')
          .replace(/[^-\d]/g, ''),
      ),
    );
  const order = (): HTMLButtonElement => price().querySelector('button')!;
  const own = prices();
  const rising = (list: readonly number[]): number[] => [...list].sort((a, b) => a - b);
  order().click();
  await s.settle();
  expect(price().querySelector('th')!.getAttribute('aria-sort')).toBe('ascending');
  expect(prices()).toEqual([own[0], ...rising(own.slice(1))]);
  order().click();
  await s.settle();
  expect(prices()).toEqual([own[0], ...rising(own.slice(1)).reverse()]);
  order().click();
  await s.settle();
  expect(prices()).toEqual(own);
  expect(new Set(own).size).toBeGreaterThan(2);
});
test('a comparison of options that are gone is not shown', async () => {
  const s = open();
  await s.press(/A booster before/);
  compare(s, 10);
  await s.settle();
  expect(s.root.querySelector('table')).not.toBeNull();
  await s.press('Drop');
  expect(s.root.querySelector('table')).toBeNull();
  expect(s.rig.document().options).toBeUndefined();
});
test('eight at the most, by hand too', async () => {
  const s = open(new FakeRig(LAYOUTS.find((l) => l.id === 'plain-first' || l.id === 'carried-water')!.make()));
  for (let i = 0; i < 8; i++) await s.press(/Keep it as it stands/);
  expect(s.text()).toContain('A build keeps 8 options. Drop one to keep another.');
});
test('working, stopped and failed are shown', async () => {
  const s = open();
  s.day.comparison.set({ state: 'working', share: 0.5, value: null, error: null });
  await s.settle();
  await s.press('Cancel');
  s.day.comparison.set({ state: 'cancelled', share: 0.5, value: null, error: null });
  await s.settle();
  await s.press('Compare again');
  s.day.comparison.set({ state: 'failed', share: 0, value: null, error: 'no days' });
  await s.settle();
  expect(s.root.querySelector('[role=alert]')!.textContent).toBe('no days');
  expect(s.day.asked).toEqual(['compare', 'cancel comparison', 'compare']);
});
test('alone, the build says how it stands and nothing is advised; two dangerous ones are told so', async () => {
  const s = open();
  compare(s, 30);
  await s.settle();
  expect(s.root.querySelector('.does h2')!.textContent).toMatch(/^As built, short of water on [\d.]+% of days; 2% allowed$/);
  expect(s.root.querySelector('thead th.best')).toBeNull();
  expect(s.text()).toContain('Nothing to compare with yet');
  s.rig.judge((d) => {
    d.tanks[0].lid = 'closed';
    d.tanks[0].ventBore = '0 in';
  });
  await s.press(/A booster before/);
  compare(s, 10);
  await s.settle();
  expect(s.root.querySelector('.does h2')!.textContent).toBe('Every option is unsafe. Fix those problems first.');
});
