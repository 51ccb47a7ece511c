import type { Page } from '@playwright/test';
import { expect, saved, test } from './pozzo.js';

/** A PNG of one pixel (ISO/IEC 15948), whole. */
const PNG = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
const name = (page: Page) => page.getByRole('textbox', { name: 'Name', exact: true });

test('the workshop: name, address, currency and logo are kept, by whom is in its history, and undone by key', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Workshop' }).click();
  await page.getByRole('menuitem', { name: 'Name, address and terms' }).click();
  await page.getByRole('textbox', { name: 'Your name' }).fill('Crew A');
  await name(page).fill('Lanternfell Rigworks');
  await page.getByRole('textbox', { name: 'Address and contact' }).fill('Slipway 4\nLanternfell Basin');
  await page.getByRole('combobox', { name: 'Currency' }).click();
  await page.getByRole('option', { name: /^GBP/ }).click();
  await page.getByLabel('Logo file').setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('<svg/>') });
  await expect(page.getByRole('alert')).toContainText('neither, whatever it is called');
  await page.getByLabel('Logo file').setInputFiles({ name: 'logo.bin', mimeType: 'image/png', buffer: PNG });
  await expect(page.getByRole('img', { name: 'Logo' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(name(page)).toHaveValue('Lanternfell Rigworks');
  await expect(page.getByRole('textbox', { name: 'Address and contact' })).toHaveValue('Slipway 4\nLanternfell Basin');
  // The picture is drawn: the page may load it.
  expect(await page.getByRole('img', { name: 'Logo' }).evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(1);
  await page.getByRole('button', { name: 'Remove' }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('img', { name: 'Logo' })).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'History of this workshop' }).click();
  await expect(page.getByText('by Crew A').first()).toBeVisible();
  await page
    .getByRole('button', { name: /^Restore/ })
    .last()
    .click();
  await expect(page.getByRole('heading', { name: 'Workshop' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Logo' })).toHaveCount(0);
});

test('the workshop in two tabs: the second is asked; and with the server away an edit is kept and sent later', async ({ page, server, context }) => {
  await page.goto(`${server.url}/workshop`);
  await name(page).waitFor();
  const other = await context.newPage();
  await other.goto(`${server.url}/workshop`);
  await name(other).fill('First');
  await saved(other);
  await other.close();
  await name(page).fill('Second');
  await expect(page.getByRole('alertdialog')).toContainText('This workshop was saved elsewhere');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  await server.kill('SIGKILL');
  await name(page).fill('While it was away');
  await expect(page.locator('header .save')).toHaveText('Offline: saved in this browser');
  await server.start();
  await page.goto(server.url);
  await expect
    .poll(async () => ((await (await fetch(`${server.url}/api/v1/workshop/own`)).json()) as { document: { name: string } }).document.name)
    .toBe('While it was away');
});

for (const [version, store] of [
  [1, 'edits'],
  [2, 'kept'],
] as const)
  test(`edits that a browser keeps since version ${version} of its store are lifted and saved`, async ({ page, server }) => {
    await page.goto(`${server.url}/api/v1/health`);
    await page.evaluate(
      async ({ version, store }) => {
        const { document: rig, version: of } = (await (await fetch('/api/v1/builds/marina-pontoon')).json()) as { document: object; version: number };
        const edit = { id: 'marina-pontoon', version: of, document: { ...rig, customer: `Kept by version ${version}` } };
        await new Promise<void>((done, fail) => {
          const ask = indexedDB.open('pozzo', version);
          ask.onupgradeneeded = () => {
            const made = ask.result.createObjectStore(store, { keyPath: version === 1 ? 'id' : ['id', 'tab'] });
            made.put(version === 1 ? edit : { ...edit, tab: 'gone', request: 'of-then', unanswered: [], at: '2026-11-01T00:00:00.000Z' });
          };
          ask.onerror = () => fail(new Error('no store'));
          ask.onsuccess = () => {
            ask.result.close();
            done();
          };
        });
      },
      { version, store },
    );
    await page.goto(server.url);
    await expect
      .poll(async () => ((await (await fetch(`${server.url}/api/v1/builds/marina-pontoon`)).json()) as { document: { customer: string } }).document.customer)
      .toBe(`Kept by version ${version}`);
  });
