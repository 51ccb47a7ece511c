import { spell } from '@pozzo/core/page';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { SUMS } from '@pozzo/core';
import { provideMockStore } from '@ngrx/store/testing';
import { settingsFeature } from '../state/settings.feature';
import { render } from '../testing/render';
import { SumsPage } from './sums.page';

function open(name?: string, units: 'us' | 'metric' = 'us') {
  TestBed.configureTestingModule({
    providers: [provideRouter([]), provideMockStore({ selectors: [{ selector: settingsFeature.selectUnits, value: units }] })],
  });
  const r = render(SumsPage, name ? { name } : {});
  const result = (): string => r.root.querySelector('section')!.textContent.replace(/\s+/g, ' ').trim();
  return { ...r, result };
}

describe('quick sums', () => {
  /** Printed nozzle charts: number 4 at 3000 psi, 3.5 gpm. */
  test('a nozzle’s flow, in both unit systems, with its equation and source', async () => {
    const s = open('nozzle-flow');
    await s.type('Nozzle number', '4');
    await s.type('Pressure', '3000 psi');
    expect(s.result()).toMatch(/3\.46.gpm\s*13\.1.L\/min/);
    expect(s.result()).toContain('Working');
    expect(s.result()).toMatch(/Source: .+\./);
  });
  test('metric first for who works so', async () => {
    const s = open('nozzle-flow', 'metric');
    await s.type('Nozzle number', '4');
    await s.type('Pressure', '207 bar');
    expect(s.result()).toMatch(/13\.1.L\/min\s*3\.47.gpm/);
  });
  test('a number without a unit is what the workshop of the shown system would mean, and the unit is written beside it', async () => {
    const s = open('hose-loss', 'metric');
    await s.type('Flow', '21');
    await s.type('Bore', '10');
    await s.type('Length', '60');
    const fields = [...s.root.querySelectorAll<HTMLInputElement>('form input')].map((x) => x.value);
    expect(fields).toEqual(expect.arrayContaining(['21 L/min', '10 mm', '60 m']));
    const metric = s.result();
    TestBed.resetTestingModule();
    const typed = open('hose-loss', 'metric');
    await typed.type('Flow', '21 L/min');
    await typed.type('Bore', '10 mm');
    await typed.type('Length', '60 m');
    expect(typed.result()).toBe(metric);
    TestBed.resetTestingModule();
    const us = open('hose-loss');
    await us.type('Flow', '4');
    await us.type('Bore', '3/8');
    await us.type('Length', '200');
    expect([...us.root.querySelectorAll<HTMLInputElement>('form input')].map((x) => x.value)).toEqual(expect.arrayContaining(['4 gpm', '3/8 in', '200 ft']));
    expect(us.result()).toMatch(/psi/);
  });
  test('what may be typed is told in the system that is shown', () => {
    for (const [units, other] of [
      ['metric', /psi|gpm|\bft\b|\bin\b|gal/],
      ['us', /\bbar\b|L\/min|\bmm\b/],
    ] as const)
      for (const name of ['hose-loss', 'nozzle-flow', 'mix', 'tank-volume'].filter((n) => SUMS.some((x) => x.name === n))) {
        TestBed.resetTestingModule();
        const s = open(name, units);
        for (const box of s.root.querySelectorAll<HTMLInputElement>('form input')) expect(box.placeholder).not.toMatch(other);
      }
  });
  test('another unit is put behind the number by a press', async () => {
    const s = open('hose-loss', 'metric');
    await s.type('Length', '60');
    const feet = [...s.root.querySelectorAll<HTMLButtonElement>('[aria-label="Unit of Length"] button')].find((b) => b.textContent.trim() === 'ft')!;
    feet.click();
    await s.settle();
    expect([...s.root.querySelectorAll<HTMLInputElement>('form input')].map((x) => x.value)).toContain('60 ft');
  });
  test('what is still wanted is named; what cannot be read is told beside its field with the bound', async () => {
    const s = open('nozzle-flow');
    await s.type('Nozzle number', '');
    expect(s.result()).toMatch(/Still needed: .*nozzle number/);
    await s.type('Nozzle number', '-3');
    const error = s.root.querySelector('form [role=alert]')!;
    expect(error.textContent).toMatch(/0\.1|at least/);
    expect(s.root.querySelector('dl')).toBeNull();
  });
  test('a name that is none shows the first sum and says so', () => {
    const s = open('moon');
    expect(s.text()).toContain('No calculation by that name');
    expect(s.root.querySelector('.title')!.textContent).toBe(SUMS[0].title);
  });
  test('what was typed for one sum is there again after another', async () => {
    const s = open('nozzle-flow');
    await s.type('Nozzle number', '7');
    s.fixture.componentRef.setInput('name', 'hose-volume');
    await s.settle();
    expect(s.root.querySelector('.title')!.textContent).toBe(SUMS.find((x) => x.name === 'hose-volume')!.title);
    s.fixture.componentRef.setInput('name', 'nozzle-flow');
    await s.settle();
    expect([...s.root.querySelectorAll<HTMLInputElement>('form input')][0].value).toBe('7');
  });
  test('every sum opens with sense on it, and answers once its fields have their fallbacks', () => {
    for (const { name, title } of SUMS) {
      const s = open(name);
      expect(s.root.querySelector('.title')!.textContent).toBe(spell(title));
      expect(s.text()).not.toMatch(/NaN|undefined|Infinity|\[object/);
      expect(s.result()).toMatch(/Still needed|Working/);
      s.fixture.destroy();
      TestBed.resetTestingModule();
    }
  });
  test('on a phone the list is a select that goes to the sum', async () => {
    const s = open();
    const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await s.choose('Quick sum', 'dilution');
    expect(go).toHaveBeenCalledWith(['/sums', 'dilution']);
  });
});
