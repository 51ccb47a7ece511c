import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { chanceOf, LAYOUTS, message } from '@pozzo/core';
import { MockStore, provideMockStore } from '@ngrx/store/testing';
import { buildsFeature, BuildsActions, type BuildChance, type BuildSummary } from '../state/builds.feature';
import { settingsFeature } from '../state/settings.feature';
import { readRigFile } from './rig-file';
import { YardPage } from './yard.page';

const build = (id: string, more: Partial<BuildSummary> = {}): BuildSummary => ({
  id,
  version: 3,
  updatedAt: '2026-03-01T10:00:00Z',
  name: `Rig ${id}`,
  customer: 'Tram depot',
  verdict: 'fed',
  headline: message('Washer is fed, all through the job.'),
  machines: 1,
  tanks: 2,
  ...more,
});
const chance = (hits: number, version = 3): BuildChance => ({ version, tolerance: 0.02, short: chanceOf(hits, 300) });

function open(builds: BuildSummary[], chances: Record<string, BuildChance>, load: 'loaded' | 'loading' | 'failed' = 'loaded') {
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: MatDialog, useValue: {} },
      provideMockStore({
        selectors: [
          { selector: settingsFeature.selectUnits, value: 'us' },
          { selector: buildsFeature.selectLoad, value: load },
          { selector: buildsFeature.selectError, value: load === 'failed' ? 'The server is away.' : null },
          { selector: buildsFeature.selectAll, value: builds },
          { selector: buildsFeature.selectChances, value: chances },
        ],
      }),
    ],
  });
  const sent: unknown[] = [];
  jest.spyOn(TestBed.inject(MockStore), 'dispatch').mockImplementation(((a: unknown) => sent.push(a)) as never);
  const fixture = TestBed.createComponent(YardPage);
  fixture.detectChanges();
  const root = fixture.nativeElement as HTMLElement;
  const row = (id: string) => [...root.querySelectorAll('li')].find((l) => l.textContent!.includes(`Rig ${id}`))!;
  return { fixture, root, row, sent, text: (e: Element) => e.textContent!.replace(/\s+/g, ' ').trim() };
}

test('each build shows its chance of a short day, in orange where more than its customer allows', () => {
  const y = open([build('a'), build('b'), build('c'), build('d')], { a: chance(0), b: chance(30), c: chance(3), d: chance(30, 2) });
  expect(y.text(y.row('a'))).toContain('no short day in 300');
  expect(y.text(y.row('b'))).toMatch(/10.% short days/);
  expect(y.row('b').querySelector('.chance .shout')).not.toBeNull();
  expect(y.row('c').querySelector('.chance .shout')).toBeNull();
  // What was found of an older version says nothing of this one.
  expect(y.text(y.row('d'))).toContain('…');
});
test('it loads when it opens, and lets go of what runs for it when it is left', () => {
  const y = open([], {});
  expect(y.sent).toEqual([BuildsActions.load()]);
  y.fixture.destroy();
  expect(y.sent[1]).toEqual(BuildsActions.leave());
});
test('builds are found by words in any order; an empty yard says how to begin', () => {
  const y = open([build('a', { name: 'Rig a quay' }), build('b', { customer: 'Holiday park' })], {});
  const box = y.root.querySelector<HTMLInputElement>('#find')!;
  const find = (words: string): number => {
    box.value = words;
    box.dispatchEvent(new Event('input'));
    y.fixture.detectChanges();
    return y.root.querySelectorAll('li.card').length;
  };
  expect([find('quay rig'), find('park'), find('nobody'), find('')]).toEqual([1, 1, 0, 2]);
  y.fixture.destroy();
  TestBed.resetTestingModule();
  expect(open([], {}).root.textContent).toContain('Start with one tank and one washer');
});
test('while it loads it says so, and a failure can be tried again', () => {
  expect(open([], {}, 'loading').root.textContent).toContain('Looking over the yard');
  TestBed.resetTestingModule();
  const y = open([], {}, 'failed');
  expect(y.root.querySelector('[role=alert]')!.textContent).toContain('The server is away.');
  [...y.root.querySelectorAll('button')].find((b) => b.textContent === 'Try again')!.click();
  expect(y.sent).toEqual([BuildsActions.load(), BuildsActions.load()]);
});

describe('rig files', () => {
  const file = (name: string, text: string, size = text.length) => ({ name, size, text: () => Promise.resolve(text) });
  const sound = () => LAYOUTS[0].make();

  test('one is taken in and opened; several are taken in side by side', async () => {
    const y = open([], {});
    await y.fixture.componentInstance.takeIn([file('a.json', JSON.stringify(sound()))]);
    expect(y.sent[1]).toEqual(BuildsActions.add({ document: sound(), open: true }));
    await y.fixture.componentInstance.takeIn([file('a.json', JSON.stringify(sound())), file('b.json', JSON.stringify(LAYOUTS[1].make()))]);
    expect(y.sent.slice(2)).toEqual([BuildsActions.add({ document: sound(), open: false }), BuildsActions.add({ document: LAYOUTS[1].make(), open: false })]);
  });
  test('what is wrong is told by field, the sound ones beside it are taken, and the message can be closed', async () => {
    const y = open([], {});
    const bad = sound();
    bad.machines[0].flow = '9000 gpm';
    await y.fixture.componentInstance.takeIn([file('bad.json', JSON.stringify(bad)), file('good.json', JSON.stringify(sound()))]);
    y.fixture.detectChanges();
    expect(y.sent).toHaveLength(2);
    const alert = y.root.querySelector('.refused')!;
    expect(y.text(alert)).toContain('bad.json is not taken in.');
    expect(y.text(alert)).toMatch(/machines\.0\.flow: .*100.gpm/);
    alert.querySelector('button')!.click();
    y.fixture.detectChanges();
    expect(y.root.querySelector('.refused')).toBeNull();
  });
  test.each([
    ['not JSON', file('x.json', '{"format":'), /It is not JSON/],
    ['another kind of file', file('x.json', '{"format":"table"}'), /This is not a rig file/],
    ['a later version', file('x.json', JSON.stringify({ ...LAYOUTS[0].make(), version: 99 })), /This file is of version 99/],
    ['a huge one', file('x.json', '{}', 9e6), /larger than 5 MB/],
    ['one with many faults', file('x.json', '{"format":"pozzo-rig","version":1}'), /And \d+ more\./],
  ])('%s is refused in words', async (_name, bad, words) => {
    const read = await readRigFile(bad);
    expect(read.ok ? '' : read.problems.join(' ')).toMatch(words);
  });
  test('files may be dropped on the yard; other things may not', async () => {
    const y = open([], {});
    const drag = (type: string, types: string[], files: unknown[]): Event => {
      const event = new Event(type, { bubbles: true, cancelable: true });
      Object.assign(event, { dataTransfer: { types, files } });
      y.root.querySelector('main')!.dispatchEvent(event);
      y.fixture.detectChanges();
      return event;
    };
    expect(drag('dragover', ['text/plain'], []).defaultPrevented).toBe(false);
    expect(drag('dragover', ['Files'], []).defaultPrevented).toBe(true);
    expect(y.root.querySelector('main.hovering')).not.toBeNull();
    drag('drop', ['Files'], [file('a.json', JSON.stringify(sound()))]);
    await new Promise((done) => setTimeout(done));
    expect(y.root.querySelector('main.hovering')).toBeNull();
    expect(y.sent[1]).toEqual(BuildsActions.add({ document: sound(), open: true }));
  });
});
