import { expect, test } from './pozzo.js';

test('a browser from Britain reads its own trade’s words; pressed, the page speaks American, and keeps to it', async ({ browser, server }) => {
  const context = await browser.newContext({ locale: 'en-GB' });
  const page = await context.newPage();
  await page.goto(`${server.url}/rig/marina-pontoon/fill`);
  await expect(page.getByRole('heading', { name: 'Fill: outside tap to tank' })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-GB');
  // Units are apart from it.
  await expect(page.getByRole('button', { name: 'Units: US. Press to change.' })).toBeVisible();
  await page.getByRole('button', { name: 'English: British. Press to change.' }).click();
  await expect(page.getByRole('heading', { name: 'Fill: spigot to tank' })).toBeVisible();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-US');
  await context.close();
});
