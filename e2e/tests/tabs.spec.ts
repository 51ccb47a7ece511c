import type { BrowserContext, Page } from '@playwright/test';
import { expect, test } from './pozzo.js';
import { type Mood, UnsteadyLine } from './unsteady-line.js';

/** Seeds of the runs: five every day, as many as asked for otherwise (`1-500`). */
const [FIRST, LAST] = (process.env['POZZO_TABS'] ?? '1-5').split('-').map(Number);
const STEPS = 26;
const RIG = 'marina-pontoon';

function chance(seed: number) {
  let s = (seed * 2654435761) % 2147483647 || 1;
  const next = (): number => (s = (s * 48271) % 2147483647) / 2147483647;
  const whole = (n: number): number => Math.floor(next() * n);
  return { whole, pick: <T>(list: readonly T[]): T => list[whole(list.length)] };
}

/** A tab and what its person typed last; '' for nothing that still has to be somewhere. */
interface Tab {
  readonly page: Page;
  readonly name: string;
  typed: string;
}

/** What the person's edits have come to: all that was typed last, and what was declined for another's. */
interface Book {
  readonly owed: Set<string>;
  typed: number;
  readonly declined: Set<string>;
}

const customer = (page: Page) => page.getByRole('textbox', { name: 'Customer' });
const clash = (page: Page) => page.getByRole('alertdialog', { name: 'Conflict: also saved elsewhere' });
const saveWords = async (page: Page): Promise<string> =>
  (await page
    .locator('header .save')
    .textContent({ timeout: 2000 })
    .catch(() => '')) ?? '';
const isOpen = (page: Page): Promise<boolean> => customer(page).isVisible();

/** The choice between two versions; what is not taken was declined by the person. */
async function decide(tab: Tab, book: Book, mine: boolean): Promise<void> {
  const { page } = tab;
  if (!(await clash(page).isVisible())) return;
  const own = await customer(page).inputValue();
  const button = clash(page).getByRole('button', { name: mine ? 'Keep mine' : 'Take the other' });
  if (
    !(await button.click({ timeout: 3000 }).then(
      () => true,
      () => false,
    ))
  )
    return;
  if (mine) return;
  book.declined.add(own);
  if (tab.typed === own) tab.typed = '';
}

async function type(tab: Tab, text: string, book: Book): Promise<void> {
  const quick = { timeout: 3000 };
  if (!(await isOpen(tab.page))) return;
  const before = await customer(tab.page)
    .inputValue(quick)
    .catch(() => '');
  const done = await customer(tab.page)
    .fill(text, quick)
    .then(
      () => true,
      () => false,
    );
  if (!done) return;
  // Typed over by hand, its own or what a tab that is gone had left: nobody wants that any more, unless it was said to be saved.
  book.owed.delete(before);
  tab.typed = text;
  book.typed++;
  book.owed.add(text);
}

/** Every name that any version, or this browser, has. */
async function allKept(url: string, page: Page): Promise<Set<string>> {
  const out = new Set<string>();
  const builds = (await (await fetch(`${url}/api/v1/builds?count=200`)).json()) as { builds: { id: string; customer: string }[] };
  for (const b of builds.builds) out.add(b.customer);
  for (let before = 999_999_999; ;) {
    const { revisions } = (await (await fetch(`${url}/api/v1/builds/${RIG}/revisions?before=${before}&count=50`)).json()) as {
      revisions: { version: number }[];
    };
    for (const { version } of revisions) {
      const r = (await (await fetch(`${url}/api/v1/builds/${RIG}/revisions/${version}`)).json()) as { document: { customer: string } };
      out.add(r.document.customer);
    }
    if (revisions.length < 50) break;
    before = revisions.at(-1)!.version;
  }
  const here = await page.evaluate(
    () =>
      new Promise<string[]>((done, fail) => {
        const open = indexedDB.open('pozzo');
        open.onerror = () => fail(new Error('no store'));
        open.onsuccess = () => {
          const all = open.result.transaction('outbox').objectStore('outbox').getAll();
          all.onsuccess = () => {
            open.result.close();
            done((all.result as { document: { customer: string } }[]).map((e) => e.document.customer));
          };
        };
      }),
  );
  for (const name of here) out.add(name);
  return out;
}

for (let seed = FIRST; seed <= LAST; seed++)
  test(`tabs on a server that comes and goes, seed ${seed}: every edit is in a version, kept, or was declined`, async ({ server, browser }) => {
    const { whole, pick } = chance(seed);
    const line = new UnsteadyLine(() => server.url);
    const url = await line.open();
    const context: BrowserContext = await browser.newContext();
    const book: Book = { owed: new Set(), typed: 0, declined: new Set() };
    const tabs: Tab[] = [];
    const address = `${url}/rig/${RIG}/brief`;
    const told: string[] = [];
    let up = true;
    let edits = 0;
    const open = async (): Promise<void> => {
      const tab: Tab = { page: await context.newPage(), name: `t${tabs.length}-${told.length}`, typed: '' };
      await tab.page.goto(address, { timeout: 20_000 }).catch(() => undefined);
      await customer(tab.page)
        .waitFor({ timeout: up && line.mood === 'well' ? 45_000 : 8000 })
        .catch(() => undefined);
      tabs.push(tab);
    };
    const note = (what: string): number => told.push(what);
    /** What a tab says is saved has to be in a version from then on, whatever is typed over it. */
    const held: string[] = [];
    const look = async (tab: Tab): Promise<void> => {
      if (!tab.typed || !(await isOpen(tab.page))) return;
      const [words, now] = [
        await saveWords(tab.page),
        await customer(tab.page)
          .inputValue({ timeout: 2000 })
          .catch(() => ''),
      ];
      // Said after the last edit: the words change with it at once.
      if (/^Saved \d/.test(words) && now === tab.typed && !(await clash(tab.page).isVisible())) held.push(tab.typed);
    };
    for (let n = 0; n < 2; n++) {
      await open();
      await type(tabs[n], `s${seed} e${++edits}`, book);
    }
    for (let step = 0; step < STEPS; step++) {
      const tab = pick(tabs);
      // No hand goes from the keys to the tab's cross in less.
      await tab.page.waitForTimeout(80);
      const what = pick(['type', 'type', 'type', 'type', 'burst', 'choose', 'mood', 'mood', 'server', 'reload', 'close', 'wait', 'wait'] as const);
      note(`${what} ${tab.name} ${line.mood} ${up ? 'up' : 'down'}`);
      if (what === 'type') await type(tab, `s${seed} e${++edits}`, book);
      if (what === 'burst') for (let n = 2 + whole(4); n > 0; n--) await type(tab, `s${seed} e${++edits}`, book);
      if (what === 'choose') await decide(tab, book, whole(2) === 0);
      if (what === 'mood') line.mood = pick<Mood>(['well', 'well', 'loses-asks', 'loses-answers', 'slow', 'cut']);
      if (what === 'server') {
        if (up) await server.kill(whole(2) ? 'SIGKILL' : 'SIGTERM');
        else await server.start();
        up = !up;
      }
      if (what === 'reload') {
        await tab.page.goto(address, { timeout: 5000 }).catch(() => undefined);
        tab.typed = '';
      }
      if (what === 'close') {
        await tab.page.close();
        tabs.splice(tabs.indexOf(tab), 1);
        if (!tabs.length || whole(2)) await open();
      }
      if (what === 'wait') await tab.page.waitForTimeout(200 + whole(1500));
      for (const t of tabs) await look(t);
    }
    // All is well again: everything that is under way comes to rest.
    line.mood = 'well';
    if (!up) await server.start();
    for (const tab of tabs) if (!(await isOpen(tab.page))) await tab.page.goto(address).catch(() => undefined);
    for (const tab of tabs)
      await expect(async () => {
        await decide(tab, book, true);
        expect(await saveWords(tab.page)).toMatch(/^Saved \d/);
      }).toPass({ timeout: 90_000 });
    const [page] = [tabs[0].page];
    const found = await allKept(server.url, page);
    const lost = [...new Set([...book.owed, ...held])].filter((e) => !found.has(e) && !book.declined.has(e));
    expect(lost, `${told.join(', ')}; declined ${[...book.declined].join(', ')}`).toEqual([]);
    // The run did something: edits were made, and some had to be found.
    expect(book.typed).toBeGreaterThan(2);
    expect(book.owed.size + held.length).toBeGreaterThan(0);
    await context.close();
    await line.close();
  });
