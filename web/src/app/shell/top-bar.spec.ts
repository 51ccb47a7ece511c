import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { MockStore, provideMockStore } from '@ngrx/store/testing';
import { RigStore } from '../state/rig-store';
import { SettingsActions, settingsFeature } from '../state/settings.feature';
import { WorkshopStore } from '../state/workshop-store';
import { render } from '../testing/render';
import { RELOAD, TopBar } from './top-bar';

function open(more: object = {}, name: string | null = 'Quay trailer', units: 'us' | 'metric' = 'us') {
  const done: string[] = [];
  const rig = {
    of: { kind: 'build' },
    document: signal(name === null ? null : { name }),
    name: signal(name ?? ''),
    state: signal({ id: 'a', version: 3, kept: true, keptRevision: 2, revision: 2, save: 'saved', savedAt: null, past: [], future: [], ...more }),
    held: signal<object | null>(null),
    undo: () => done.push('undo'),
    redo: () => done.push('redo'),
    hold: () => done.push('hold'),
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: RigStore, useValue: rig },
      { provide: RELOAD, useValue: () => void done.push('reload') },
      { provide: WorkshopStore, useValue: { of: { kind: 'workshop' }, document: signal(null) } },
      provideMockStore({
        selectors: [
          { selector: settingsFeature.selectUnits, value: units },
          { selector: settingsFeature.selectTheme, value: 'light' },
        ],
      }),
    ],
  });
  jest.spyOn(TestBed.inject(MockStore), 'dispatch').mockImplementation(((a: unknown) => void done.push(JSON.stringify(a))) as never);
  const r = render(TopBar);
  const key = (init: KeyboardEventInit, target: EventTarget = document): KeyboardEvent => {
    const event = new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init });
    target.dispatchEvent(event);
    return event;
  };
  return { rig, done, key, ...r };
}
const button = (root: HTMLElement, label: string): HTMLButtonElement => root.querySelector(`[aria-label="${label}"]`)!;

test('in the yard it shows no build, nothing to undo, and the way to the quick sums', () => {
  const s = open({}, null);
  expect(s.text()).toContain('Quick sums');
  expect(s.text()).not.toContain('Compare from here');
  expect(button(s.root, 'Undo')).toBeNull();
});
test.each([
  ['changed', 'Saving…', false],
  ['saving', 'Saving…', false],
  ['offline', 'Offline: saved in this browser', true],
  ['conflict', 'Conflict: also saved elsewhere', true],
  ['refused', 'Not saved', true],
  ['saved', 'Saved', false],
])('while it is %s it says “%s”', (save, words, warn) => {
  const s = open({ save });
  const status = s.root.querySelector('[role=status]')!;
  expect(status.textContent).toBe(words);
  expect(status.classList.contains('warn')).toBe(warn);
});
test('what neither the server nor this browser keeps is told loudly, until it is saved', () => {
  expect(open({ save: 'offline', keptRevision: 1 }).root.querySelector('[role=status]')!.textContent).toBe('Keeping…');
  TestBed.resetTestingModule();
  const s = open({ save: 'offline', kept: false });
  expect(s.root.querySelector('[role=status].warn')!.textContent).toBe('Not saved: keep this tab open');
  TestBed.resetTestingModule();
  expect(open({ save: 'saved', kept: false }).root.querySelector('[role=status].warn')).toBeNull();
});
test('once saved it says when', () => {
  expect(open({ savedAt: '2026-03-01T10:15:00' }).text()).toMatch(/Saved 10:15/);
});
test('undo names what it takes back, and rests while there is nothing', () => {
  expect(button(open().root, 'Undo').disabled).toBe(true);
  TestBed.resetTestingModule();
  const s = open({ past: [{ label: 'Add a tank' }], future: [{}] });
  button(s.root, 'Undo: Add a tank').click();
  button(s.root, 'Redo').click();
  expect(s.done).toEqual(['undo', 'redo']);
});
test('by keyboard from anywhere, but not out of a field that is being typed in', () => {
  const s = open();
  expect(s.key({ key: 'z', ctrlKey: true }).defaultPrevented).toBe(true);
  s.key({ key: 'Z', ctrlKey: true, shiftKey: true });
  s.key({ key: 'y', metaKey: true });
  expect(s.done).toEqual(['undo', 'redo', 'redo']);
  const box = document.createElement('input');
  box.dataset['dirty'] = 'true';
  s.root.appendChild(box);
  s.key({ key: 'z', ctrlKey: true }, box);
  s.key({ key: 'z' });
  s.key({ key: 'z', ctrlKey: true, altKey: true });
  expect(s.done).toHaveLength(3);
  delete box.dataset['dirty'];
  s.key({ key: 'z', ctrlKey: true }, box);
  expect(s.done).toHaveLength(4);
});
test('figures are held and let go', async () => {
  const s = open();
  await s.press('Compare from here');
  s.rig.held.set({});
  await s.settle();
  expect(s.text()).toContain('Stop comparing');
  expect(s.done).toEqual(['hold']);
});
test('units are swapped, and the label says which are shown', async () => {
  const s = open();
  await s.press('Units: US. Press to change.');
  expect(s.done).toEqual([JSON.stringify(SettingsActions.setUnits({ units: 'metric' }))]);
  TestBed.resetTestingModule();
  const m = open({}, 'x', 'metric');
  await m.press('Units: metric. Press to change.');
  expect(m.done).toEqual([JSON.stringify(SettingsActions.setUnits({ units: 'us' }))]);
});
test('whose English it is stands beside the units; another is kept, and the page loaded anew', async () => {
  const s = open();
  await s.press('English: American. Press to change.');
  expect(s.done).toEqual([JSON.stringify(SettingsActions.setLocale({ locale: 'en-GB' })), 'reload']);
});
test('the light is chosen from a menu that marks the present one', async () => {
  const s = open();
  await s.press('Light');
  const items = [...document.querySelectorAll<HTMLButtonElement>('.mat-mdc-menu-item')];
  expect(items.map((i) => i.textContent.trim())).toEqual(['Light ✓', 'Dark', 'Sunlight']);
  items[2].click();
  expect(s.done).toEqual([JSON.stringify(SettingsActions.setTheme({ theme: 'sunlight' }))]);
});
