import { AxeBuilder } from '@axe-core/playwright';
import { test as base, expect, type Page } from '@playwright/test';
import { Server } from './server.js';

interface Fixtures {
  server: Server;
  /** Fails the test on any request that leaves the server, and on any error in the page. */
  guard: void;
}

export const test = base.extend<Fixtures>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the fixtures wanted from this pattern
  server: async ({}, use) => {
    const server = new Server();
    await server.start();
    await use(server);
    await server.end();
  },
  guard: [
    async ({ page, server }, use) => {
      const away: string[] = [];
      const errors: string[] = [];
      page.on('request', (r) => {
        if (!r.url().startsWith(server.url) && !/^(data|blob|about):/.test(r.url())) away.push(r.url());
      });
      page.on('pageerror', (e) => errors.push(e.message));
      page.on('console', (m) => {
        // A size told a frame later is a notice of the browser, no fault.
        if (m.type() === 'error' && !/Failed to load resource|ERR_CONNECTION|ResizeObserver loop completed/.test(m.text())) errors.push(m.text());
      });
      await use();
      expect(away, 'requests that leave the server').toEqual([]);
      expect(errors, 'errors in the page').toEqual([]);
    },
    { auto: true },
  ],
});

/** No accessibility finding of WCAG 2.2 AA on the page as it stands. */
export const expectAccessible = (page: Page): Promise<void> =>
  nothingFound(new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']));
/** No words too faint on what they stand on: all that another theme can change. */
export const expectReadable = (page: Page): Promise<void> => nothingFound(new AxeBuilder({ page }).withRules(['color-contrast']));

async function nothingFound(rules: AxeBuilder): Promise<void> {
  const found = await rules.analyze();
  expect(
    found.violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    ),
  ).toEqual([]);
}

/** Addresses of all stations, as the list of an open build has them. */
export async function stationsOf(page: Page): Promise<string[]> {
  const links = page.locator('pz-station-list a[href*="/rig/"]');
  await expect(links.first()).toBeAttached();
  const all = await links.evaluateAll((as) => as.map((a) => new URL((a as HTMLAnchorElement).href).pathname.split('/').at(-1)!));
  return [...new Set(all)];
}
export const station = (page: Page, name: string) => page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: new RegExp(`^${name}`) });
/** Goes to a station by the list: its group is opened where it is shut. */
export async function openStation(page: Page, name: string): Promise<void> {
  const within = page.locator('a', { hasText: new RegExp(`^\\s*${name}`) });
  const panel = page.locator('pz-station-list mat-expansion-panel').filter({ has: within });
  const link = panel.locator(within);
  // A group that is just opening is not pressed shut: it is looked at again.
  await expect(async () => {
    if (!(await link.isVisible()) && (await panel.locator('mat-expansion-panel-header').getAttribute('aria-expanded')) === 'false')
      await panel.locator('mat-expansion-panel-header').click();
    await expect(link).toBeVisible({ timeout: 1000 });
  }).toPass();
  await link.click();
}
/** From the yard to a new build of a starting layout, or an empty one. */
export async function newBuild(page: Page, title: string): Promise<void> {
  await page.getByRole('link', { name: 'New build' }).click();
  await page.getByRole('button', { name: new RegExp(`^${title}`) }).click();
  await page.waitForURL('**/rig/**');
}
export const headline = (page: Page) => page.locator('.verdict .told');

/** What stands over a rig whose straight job is fed: that it is, and as soon as its days are judged what these say. */
export const FED = /^Washer A is fed, all through the job\.$|of days go short of water; |^No day in /;
/** Draws the waterway whole. */
export const unfold = (page: Page) => page.getByRole('button', { name: 'The whole waterway' }).click();
export const saved = (page: Page) => expect(page.locator('header .save')).toHaveText(/^Saved \d/);
export { expect };

/** Chooses in one of the selects: by the words of the choice. */
export async function choose(page: Page, label: string, words: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: words, exact: typeof words === 'string' }).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
}
