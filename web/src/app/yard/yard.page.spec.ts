import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { of } from 'rxjs';
import { provideRouter } from '@angular/router';
import { chanceOf, type Judgement, LAYOUTS, message } from '@pozzo/core';
import { MockStore, provideMockStore } from '@ngrx/store/testing';
import { buildsFeature, BuildsActions, type BuildSummary } from '../state/builds.feature';
import { settingsFeature } from '../state/settings.feature';
import { Api } from '../state/api';
import { keptFeature, type KeptLeft } from '../state/kept.feature';
import { HeavyClient } from '../workers/heavy-client';
import { BackupTrouble } from './backup-trouble';
import { RigFiles } from './rig-files';
import { YardPage } from './yard.page';

const judged = (more: Partial<Judgement> = {}): Judgement => ({
  verdict: 'fed',
  scale: 'feeding',
  headline: message('Washer is fed, all through the job.'),
  sampled: true,
  chance: { short: chanceOf(0, 300), tolerance: 0.02 },
  ...more,
});
const build = (id: string, more: Partial<BuildSummary> = {}): BuildSummary => ({
  id,
  version: 3,
  updatedAt: '2026-03-01T10:00:00Z',
  name: `Rig ${id}`,
  customer: 'Tram depot',
  damaged: false,
  deletedAt: null,
  machines: 1,
  tanks: 2,
  judged: judged(),
  ...more,
});

let backups: () => Promise<{ trouble: string | null }>;
beforeEach(() => (backups = () => Promise.resolve({ trouble: null })));

async function open(rows: (BuildSummary | null)[], load: 'loaded' | 'loading' | 'failed' = 'loaded', left: KeptLeft[] = []) {
  const read: string[] = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: MatDialog, useValue: {} },
      { provide: Api, useValue: { backups: () => backups() } },
      {
        provide: HeavyClient,
        useValue: {
          run: (kind: string, ask: { name: string }) => (
            read.push(kind),
            of({ state: 'done', value: { ok: false, name: ask.name, problems: ['by a worker'] } })
          ),
        },
      },
      provideMockStore({
        selectors: [
          { selector: settingsFeature.selectUnits, value: 'us' },
          { selector: buildsFeature.selectLoad, value: load },
          { selector: buildsFeature.selectError, value: load === 'failed' ? 'The server is away.' : null },
          { selector: buildsFeature.selectFind, value: '' },
          { selector: buildsFeature.selectAll, value: rows.length },
          { selector: buildsFeature.selectRows, value: rows },
          { selector: keptFeature.selectLeft, value: left },
        ],
      }),
    ],
  });
  const sent: { type: string }[] = [];
  jest.spyOn(TestBed.inject(MockStore), 'dispatch').mockImplementation(((a: { type: string }) => sent.push(a)) as never);
  const fixture = TestBed.createComponent(YardPage);
  fixture.detectChanges();
  for (let i = 0; i < 5; i++) {
    await new Promise((done) => setTimeout(done));
    fixture.detectChanges();
  }
  const root = fixture.nativeElement as HTMLElement;
  const row = (id: string) => [...root.querySelectorAll('[role=listitem]')].find((l) => l.textContent.includes(`Rig ${id}`))!;
  /** What was sent beside the rows that come into view. */
  const said = () => sent.filter((a) => a.type !== BuildsActions.show.type && a.type !== BuildsActions.find.type);
  return { fixture, root, row, sent, said, read, text: (e: Element) => e.textContent.replace(/\s+/g, ' ').trim() };
}

test('each build shows its chance of a short day, in orange where more than its customer allows', async () => {
  const chance = (hits: number) => judged({ chance: { short: chanceOf(hits, 300), tolerance: 0.02 } });
  const y = await open([
    build('a'),
    build('b', { judged: chance(30) }),
    build('c', { judged: chance(3) }),
    build('d', { judged: judged({ sampled: false, chance: null }) }),
  ]);
  expect(y.text(y.row('a'))).toContain('0 of 300 days short');
  expect(y.text(y.row('b'))).toMatch(/10% short days/);
  expect(y.row('b').querySelector('.chance .shout')).not.toBeNull();
  expect(y.row('c').querySelector('.chance .shout')).toBeNull();
  expect(y.text(y.row('d'))).toContain('…');
});
test('a build not judged yet says so and calls nothing fed; a damaged one says what to do', async () => {
  const y = await open([build('a', { judged: null }), build('b', { damaged: true, judged: null }), build('c', { judged: judged({ chance: null }) }), null]);
  expect(y.text(y.row('a'))).toContain('Checking…');
  expect(y.text(y.row('a'))).not.toMatch(/fed/i);
  expect(y.text(y.row('b'))).toMatch(/Unsafe.*record is damaged/);
  expect(y.text(y.row('c'))).toContain('days not checked');
  expect(y.root.querySelectorAll('.card.waiting')).toHaveLength(1);
});
test('of ten thousand builds only what is near the screen is drawn, each with its place', async () => {
  const y = await open(Array.from({ length: 10_000 }, (_, i) => (i < 100 ? build(String(i)) : null)));
  const items = [...y.root.querySelectorAll('[role=listitem]')];
  expect(items.length).toBeGreaterThan(5);
  expect(items.length).toBeLessThan(80);
  expect(items[2].getAttribute('aria-posinset')).toBe('3');
  expect(items[2].getAttribute('aria-setsize')).toBe('10000');
});
test('it loads when it opens, and lets go of what runs for it when it is left', async () => {
  const y = await open([]);
  expect(y.said()).toEqual([BuildsActions.load()]);
  y.fixture.destroy();
  expect(y.said()[1]).toEqual(BuildsActions.leave());
});
test('what is looked for is asked of the server; an empty yard says how to begin', async () => {
  const y = await open([build('a')]);
  const box = y.root.querySelector<HTMLInputElement>('#find')!;
  box.value = ' quay ';
  box.dispatchEvent(new Event('input'));
  expect(y.sent.at(-1)).toEqual(BuildsActions.find({ find: 'quay' }));
  y.fixture.destroy();
  TestBed.resetTestingModule();
  expect((await open([])).root.textContent).toContain('Start from a layout');
});
test('while it loads it says so, and a failure can be tried again', async () => {
  expect((await open([], 'loading')).root.textContent).toContain('Loading builds');
  TestBed.resetTestingModule();
  const y = await open([], 'failed');
  expect(y.root.querySelector('[role=alert]')!.textContent).toContain('The server is away.');
  [...y.root.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Try again')!.click();
  expect(y.said()).toEqual([BuildsActions.load(), BuildsActions.load()]);
});
test('edits kept here only are told, with what can be done about each', async () => {
  const k = { kind: 'build' as const, id: 'a', tab: 't', name: 'Quay', at: '2026-03-01T10:00:00Z', message: 'It was saved elsewhere since.' };
  const y = await open([], 'loaded', [
    { ...k, why: 'clash' },
    { ...k, tab: 'u', why: 'deleted' },
  ]);
  const [clash, deleted] = [...y.root.querySelectorAll('.kept')];
  expect(y.text(clash)).toMatch(/Edits of “Quay” are only in this browser.*saved elsewhere/);
  expect([...clash.querySelectorAll('a, button')].map((b) => b.textContent.trim())).toEqual(['Open', 'Keep as a new build', 'Discard']);
  expect(deleted.querySelector('a')).toBeNull();
});
test('edits of the workshop kept here lead to its page, and can be no second workshop', async () => {
  const y = await open([], 'loaded', [{ kind: 'workshop', id: 'own', tab: 't', name: 'Rigworks', at: '2026-03-01T10:00:00Z', message: 'x', why: 'clash' }]);
  const kept = y.root.querySelector('.kept')!;
  expect([...kept.querySelectorAll('a, button')].map((b) => b.textContent.trim())).toEqual(['Open', 'Discard']);
  expect(kept.querySelector('a')!.getAttribute('href')).toBe('/workshop');
});

describe('rig files', () => {
  const file = (name: string, text: string, size = text.length) => ({ name, size, text: () => Promise.resolve(text) });
  const sound = () => LAYOUTS[0].make();

  test('one is taken in and opened; several are taken in side by side', async () => {
    const y = await open([]);
    await y.fixture.componentInstance.takeIn([file('a.json', JSON.stringify(sound()))]);
    expect(y.said()[1]).toEqual(BuildsActions.add({ document: sound(), open: true }));
    await y.fixture.componentInstance.takeIn([file('a.json', JSON.stringify(sound())), file('b.json', JSON.stringify(LAYOUTS[1].make()))]);
    expect(y.said().slice(2)).toEqual([BuildsActions.add({ document: sound(), open: false }), BuildsActions.add({ document: LAYOUTS[1].make(), open: false })]);
  });
  test('what is wrong is told by field, the sound ones beside it are taken, and the message can be closed', async () => {
    const y = await open([]);
    const bad = sound();
    bad.machines[0].flow = '9000 gpm';
    await y.fixture.componentInstance.takeIn([file('bad.json', JSON.stringify(bad)), file('good.json', JSON.stringify(sound()))]);
    y.fixture.detectChanges();
    expect(y.said()).toHaveLength(2);
    const alert = y.root.querySelector('.refused')!;
    expect(y.text(alert)).toContain('bad.json wasn’t imported.');
    expect(y.text(alert)).toMatch(/Washer A, flow: .*100.gpm/);
    alert.querySelector('button')!.click();
    y.fixture.detectChanges();
    expect(y.root.querySelector('.refused')).toBeNull();
  });
  test.each([
    ['not JSON', file('x.json', '{"format":'), /File is cut off at line 1/],
    ['a slip in line 3', file('x.json', '{\n"format": 1,\n"version" 2\n}'), /It is not JSON: line 3 cannot be read/],
    ['an empty one', file('x.json', ' \n'), /It is empty/],
    ['another kind of file', file('x.json', '{"format":"table"}'), /This is not a rig file/],
    ['a later version', file('x.json', JSON.stringify({ ...LAYOUTS[0].make(), version: 99 })), /This file is of version 99/],
    ['a huge one', file('x.json', '{}', 9e6), /larger than 4 MB/],
    ['one with many faults', file('x.json', '{"format":"pozzo-rig","version":1}'), /And \d+ more\./],
  ])('%s is refused in words', async (_name, bad, words) => {
    TestBed.configureTestingModule({ providers: [{ provide: HeavyClient, useValue: {} }] });
    const read = await TestBed.inject(RigFiles).read(bad);
    expect(read.ok ? '' : read.problems.join(' ')).toMatch(words);
  });
  test('a large one is read by a worker, and one that cannot be read is told', async () => {
    const y = await open([]);
    await y.fixture.componentInstance.takeIn([
      file('big.json', ' '.repeat(200_000)),
      { name: 'torn.json', size: 9, text: () => Promise.reject(new Error('torn')) },
    ]);
    y.fixture.detectChanges();
    expect(y.read).toEqual(['read']);
    const told = [...y.root.querySelectorAll('.refused')].map((r) => y.text(r));
    expect(told[0]).toContain('by a worker');
    expect(told[1]).toContain('It could not be read: torn.');
  });
  test('files may be dropped on the yard; other things may not', async () => {
    const y = await open([]);
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
    expect(y.said()[1]).toEqual(BuildsActions.add({ document: sound(), open: true }));
  });
});

test('a daily backup that does not work is told in the yard; one that works, and a server that is away, are not', async () => {
  for (const [answer, told] of [
    [() => Promise.resolve({ trouble: 'The disk is full.' }), 'Last daily backup failed: The disk is full.'],
    [() => Promise.resolve({ trouble: null }), ''],
    [() => Promise.reject(new Error('away')), ''],
  ] as const) {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideRouter([]), { provide: Api, useValue: { backups: answer } }] });
    const f = TestBed.createComponent(BackupTrouble);
    await f.whenStable();
    expect((f.nativeElement as HTMLElement).querySelector('span')?.textContent ?? '').toBe(told);
  }
});
