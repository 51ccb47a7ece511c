import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { provideMockStore } from '@ngrx/store/testing';
import { settingsFeature } from '../state/settings.feature';
import { SHORTCUTS } from './keys';
import { Shortcuts } from './shortcuts';

function keys(letters = true, dialogs = 0) {
  TestBed.configureTestingModule({
    providers: [
      provideMockStore({ initialState: { [settingsFeature.name]: { units: 'us', theme: 'light', letters, read: [] } } }),
      { provide: MatDialog, useValue: { openDialogs: Array.from({ length: dialogs }) } },
    ],
  });
  const shortcuts = TestBed.inject(Shortcuts);
  return (key: string, on: HTMLElement = document.body, more: KeyboardEventInit = {}) => {
    const event = new KeyboardEvent('keydown', { key, ...more });
    Object.defineProperty(event, 'target', { value: on });
    return shortcuts.of(event);
  };
}

test('every key of the list does what it says, upper case too', () => {
  const press = keys();
  for (const s of SHORTCUTS) expect(press(s.key)).toBe(s.does);
  expect(press('W')).toBe('unfold');
  expect(press('x')).toBeNull();
});
test('nothing happens while something is typed, chosen or held, but Escape', () => {
  const press = keys();
  const box = document.createElement('input');
  const select = document.createElement('div');
  select.setAttribute('role', 'combobox');
  expect(press('w', box)).toBeNull();
  expect(press('w', select)).toBeNull();
  expect(press('Escape', box)).toBe('close');
  for (const held of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }]) expect(press('n', document.body, held)).toBeNull();
});
test('letters can be turned off, and a dialog has its own keys', () => {
  const press = keys(false);
  expect(press('w')).toBeNull();
  expect(press('?')).toBeNull();
  expect(press('Escape')).toBe('close');
  TestBed.resetTestingModule();
  expect(keys(true, 1)('Escape')).toBeNull();
});
