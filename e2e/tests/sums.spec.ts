import { choose, expect, expectAccessible, test } from './pozzo.js';

test('a nozzle’s flow, any unit as typed, both ways round', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Quick sums' }).click();
  await page.getByLabel('Nozzle number', { exact: true }).fill('4');
  await expect(page.getByText('Still needed: pressure at the nozzle.')).toBeVisible();
  await page.getByLabel('Pressure at the nozzle', { exact: true }).fill('3000 psi');
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('3.46');
  await page.getByLabel('Pressure at the nozzle', { exact: true }).fill('206.8 bar');
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('3.46');
  await page.getByLabel('Pressure at the nozzle', { exact: true }).fill('207 gpm');
  await expect(page.getByRole('alert')).toContainText('a pressure is needed');
  await page.getByRole('link', { name: 'Nozzle for a flow and pressure' }).click();
  await page.getByLabel('Flow', { exact: true }).fill('8 gpm');
  await page.getByLabel('Pressure at the nozzle', { exact: true }).fill('3500 psi');
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('8.55');
  await expectAccessible(page);
});

test('quick sums work on a 390 px phone', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`${server.url}/sums/hose-loss`);
  await choose(page, 'Quick sum', 'What a hose holds');
  await expect(page).toHaveURL(/hose-volume$/);
  await page.getByLabel('Bore', { exact: true }).fill('1/2 in');
  await page.getByLabel('Length', { exact: true }).fill('300 ft');
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('3.06');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  await expectAccessible(page);
});
