import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { CATALOGUE } from '@pozzo/core';
import { RigStore } from '../state/rig-store';
import { render } from '../testing/render';
import { RenameDialog } from '../yard/rename-dialog';
import { CatalogueDialog } from './catalogue-dialog';

const closed: unknown[] = [];
const providers = [provideRouter([]), { provide: MatDialogRef, useValue: { close: (x: unknown) => closed.push(x) } }];
beforeEach(() => (closed.length = 0));

describe('renaming', () => {
  function open() {
    TestBed.configureTestingModule({ providers: [...providers, { provide: MAT_DIALOG_DATA, useValue: { name: 'Quay', customer: 'Tram depot' } }] });
    return render(RenameDialog);
  }
  test('gives both names, without stray spaces', async () => {
    const s = open();
    await s.type('Build', '  Quay trailer ');
    await s.press('Rename');
    expect(closed).toEqual([{ name: 'Quay trailer', customer: 'Tram depot' }]);
  });
  test('an empty name is told and not taken, by Enter neither', async () => {
    const s = open();
    await s.type('Build', '   ');
    expect(s.text()).toContain('Give it a name.');
    expect([...s.root.querySelectorAll('button')].find((b) => b.textContent === 'Rename')!.disabled).toBe(true);
    s.root.querySelector('#build-name')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(closed).toEqual([]);
  });
});

describe('the shelf', () => {
  function open(units: 'us' | 'metric' = 'us') {
    TestBed.configureTestingModule({ providers: [...providers, { provide: RigStore, useValue: { units: signal(units) } }] });
    return render(CatalogueDialog);
  }
  test('shows everything in groups with its source and price; words narrow it', async () => {
    const s = open();
    expect(s.text()).toContain(`${CATALOGUE.length} of ${CATALOGUE.length} parts.`);
    expect(s.root.querySelectorAll('li')).toHaveLength(CATALOGUE.length);
    expect(s.root.querySelectorAll('h3').length).toBeGreaterThan(3);
    await s.type('Find', '1 in ball valve');
    const left = s.root.querySelectorAll('li');
    expect(left.length).toBeGreaterThan(0);
    expect(left.length).toBeLessThan(5);
    expect([...left].every((l) => /ball valve/i.test(l.textContent) && /\$\d+/.test(l.textContent))).toBe(true);
  });
  test('hose is priced by the foot where lengths are in feet, by the metre elsewhere', () => {
    const us = open().text();
    expect(us).toMatch(/\$\d+(\.\d+)? a foot/);
    expect(us).not.toContain('a metre');
    TestBed.resetTestingModule();
    const metric = open('metric').text();
    expect(metric).toMatch(/\$\d+(\.\d+)? a metre/);
    expect(metric).not.toContain('a foot');
  });
  test('a press takes a part; Enter takes the first found; nothing found takes nothing', async () => {
    const s = open();
    await s.type('Find', '1 in ball valve');
    s.root.querySelector<HTMLButtonElement>('li button')!.click();
    const enter = (): boolean => s.root.querySelector('#find')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    enter();
    expect(closed).toHaveLength(2);
    expect(closed[0]).toEqual(closed[1]);
    expect(closed[0]).toMatchObject({ kind: 'fitting', is: 'ball-valve', bore: '1 in' });
    await s.type('Find', 'unobtainium');
    enter();
    expect(closed).toHaveLength(2);
    expect(s.text()).toContain(`0 of ${CATALOGUE.length} parts.`);
  });
});
