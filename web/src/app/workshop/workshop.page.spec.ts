import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { blankWorkshop, type WorkshopDocument } from '@pozzo/core';
import { MockStore, provideMockStore } from '@ngrx/store/testing';
import { produce } from 'immer';
import { SettingsActions, settingsFeature } from '../state/settings.feature';
import { WorkshopStore } from '../state/workshop-store';
import { render } from '../testing/render';
import { WorkshopPage } from './workshop.page';

/** A PNG of one pixel (ISO/IEC 15948), whole. */
const PNG = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');

function open(document: WorkshopDocument | null = blankWorkshop(), state: object = {}) {
  const doc = signal(document);
  const labels: string[] = [];
  const opened: string[] = [];
  const workshop = {
    of: { kind: 'workshop' },
    document: doc,
    state: signal({ loading: false, loadError: null, conflict: null, save: 'saved', kept: true, ...state }),
    open: (id: string) => void opened.push(id),
    close: () => void opened.push('closed'),
    edit: (label: string, recipe: (d: WorkshopDocument) => void) => {
      labels.push(label);
      doc.set(produce(doc()!, recipe));
    },
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideMockStore({ initialState: { [settingsFeature.name]: { units: 'us', theme: 'light', letters: true, by: '', read: [] } } }),
      { provide: WorkshopStore, useValue: workshop },
    ],
  });
  const page = render(WorkshopPage);
  const pick = async (bytes: Uint8Array): Promise<void> => {
    const box = page.root.querySelector<HTMLInputElement>('input[type=file]')!;
    const file = { arrayBuffer: () => Promise.resolve(new Uint8Array(bytes).buffer) };
    Object.defineProperty(box, 'files', { value: [file], configurable: true });
    box.dispatchEvent(new Event('change'));
    await new Promise((next) => setTimeout(next));
    await page.settle();
  };
  return { ...page, doc, labels, opened, pick };
}

test('the one workshop is opened, and left again', () => {
  const p = open();
  expect(p.opened).toEqual(['own']);
  expect(p.text()).toContain('Nothing to print yet. Start with the name.');
  p.fixture.destroy();
  expect(p.opened).toEqual(['own', 'closed']);
});
test('what is typed is stored as lines, and shown as it prints', async () => {
  const p = open();
  await p.type('Name', 'Lanternfell Rigworks');
  await p.type('Address and contact', 'Slipway 4\n  Lanternfell Basin \n\n');
  await p.type('Terms', 'Half on order.\nHalf when fetched.');
  expect(p.doc()).toEqual({
    ...blankWorkshop(),
    name: 'Lanternfell Rigworks',
    address: ['Slipway 4', 'Lanternfell Basin'],
    terms: 'Half on order.\nHalf when fetched.',
  });
  const sheet = p.root.querySelector('.sheet')!;
  expect(sheet.querySelector('strong')!.textContent).toBe('Lanternfell Rigworks');
  expect([...sheet.querySelectorAll('header span')].map((s) => s.textContent)).toEqual(['Slipway 4', 'Lanternfell Basin']);
  expect(sheet.querySelector('.terms')!.textContent).toContain('Half on order.');
  await p.type('Address and contact', '');
  expect(p.doc()!.address).toEqual([]);
});
test('nine lines, or one too long, are refused in words and not taken', async () => {
  const p = open();
  await p.type('Address and contact', Array.from({ length: 9 }, (_, i) => `line ${i}`).join('\n'));
  expect(p.text()).toContain('At most 8 lines.');
  await p.type('Address and contact', 'x'.repeat(81));
  expect(p.text()).toContain('A line has at most 80 characters.');
  await p.type('Name', 'x'.repeat(81));
  expect(p.text()).toContain('A name has at most 80 characters.');
  expect(p.labels).toEqual([]);
});
test('a currency is chosen by its code, and shown as it is written', async () => {
  const p = open({ ...blankWorkshop(), name: 'Rigworks' });
  expect(p.root.querySelector('.amount')!.textContent).toContain('$1,234.50');
  await p.choose('Currency', 'JPY');
  expect(p.doc()!.currency).toBe('JPY');
  // A currency without cents shows none (ISO 4217, minor unit 0).
  expect(p.root.querySelector('.amount')!.textContent).toMatch(/¥1,23[45]$/);
});
test('a logo is taken by what is in the file; another kind is refused and changes nothing; it can be removed', async () => {
  const p = open({ ...blankWorkshop(), name: 'Rigworks' });
  await p.pick(Buffer.from('<svg onload="alert(1)"/>'));
  expect(p.text()).toContain('A logo is a PNG or a JPEG; this file is neither, whatever it is called. The logo is unchanged.');
  expect(p.doc()!.logo).toBeUndefined();
  await p.pick(PNG);
  expect(p.doc()!.logo).toBe(`data:image/png;base64,${PNG.toString('base64')}`);
  expect(p.text()).not.toContain('unchanged');
  expect(p.root.querySelector('img')!.src).toBe(p.doc()!.logo);
  await p.press('Remove');
  expect('logo' in p.doc()!).toBe(false);
});
test('who works here is a setting of this device', async () => {
  const p = open();
  const sent: unknown[] = [];
  jest.spyOn(TestBed.inject(MockStore), 'dispatch').mockImplementation(((a: unknown) => sent.push(a)) as never);
  await p.type('Your name', 'Crew A');
  expect(sent).toEqual([SettingsActions.setBy({ by: 'Crew A' })]);
});
test('one that cannot be opened says why, and can be tried again', async () => {
  const p = open(null, { loadError: 'The server is away.' });
  expect(p.text()).toContain('The workshop cannot be opened: The server is away.');
  await p.press('Try again');
  expect(p.opened).toEqual(['own', 'own']);
});
