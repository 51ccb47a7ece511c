import { choose, expect, expectAccessible, headline, openStation, saved, test } from './pozzo.js';

test('a metering valve opened too far is too strong; the setting offered brings it back', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/mix`);
  await expect(page.locator('pz-blend-drawing')).toContainText('target 1%');
  await page.getByLabel(/SH tank valve/).fill('40 %');
  await expect(headline(page)).toContainText('stronger than the');
  const mend = page.locator('.fix', { hasText: 'clears this page' }).first();
  await mend.getByRole('button').click();
  await expect(headline(page)).not.toContainText('stronger than the');
  await saved(page);
});

test('SH and acid in one pump are a stop with the reason; undo takes it back', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/liquids?of=soap`);
  await choose(page, 'Kind', 'Acid');
  await expect(page.locator('.verdict')).toContainText('Unsafe');
  await expect(headline(page)).toContainText('chlorine gas');
  await expect(page.getByRole('row', { name: /SH and Soap/ })).toContainText('Never');
  await page.getByLabel('Kind', { exact: true }).blur();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.verdict')).not.toContainText('Unsafe');
});

test('what was titrated today overrides the estimate and weakens the mix', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/liquids?of=sh`);
  await page.getByLabel(/Titrated today/).fill('6 %');
  await expect(headline(page)).toContainText(/hits the wall at|is at 6/);
  await expect(page.locator('pz-liquids-station')).toContainText('6% trade today');
});

test('the five ways are compared, one is tried, and the rig still washes', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/mix`);
  const rows = page.locator('pz-ways-table tbody tr');
  await expect(rows).toHaveCount(5);
  await expect(page.locator('pz-ways-table tr.now')).toContainText('Proportioner');
  await page.getByRole('button', { name: 'Try Downstream' }).click();
  await expect(page.getByRole('heading', { name: /Downstream: .* at the wall/ })).toBeVisible();
  await expect(page.getByLabel(/Draw ratio/)).toBeVisible();
  await expect(page.locator('pz-ways-table tr.now')).toContainText('Downstream');
});

test('a first mix is put on a rig that had none', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/dairy/mix`);
  const none = page.getByRole('heading', { name: 'No chemicals on this rig yet' });
  if (await none.isVisible()) await page.getByRole('button', { name: 'Add a mix' }).click();
  await expect(page.locator('pz-blend-drawing svg')).toBeVisible();
  await openStation(page, 'Liquids');
  await expect(page.locator('pz-liquids-station')).toContainText('trade today');
  await saved(page);
});

test('a soft wash pump shows its duty, and the chemical stations are accessible', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/machines?of=small-pump`);
  await expect(page.locator('pz-soft-pump-panel')).toContainText('through this hose');
  await expectAccessible(page);
  for (const name of ['mix', 'liquids', 'brief']) {
    await page.goto(`${server.url}/rig/crew/${name}`);
    // The brief is judged by nothing.
    if (name !== 'brief') await expect(page.locator('pz-help .finding').first()).toBeVisible();
    await expectAccessible(page);
  }
});

test('a tank of chemicals tells its days of work; a bund too small for it is told and mended', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/depot-box/tanks?of=batch-tank`);
  await expect(page.getByRole('heading', { name: 'Batch on board' })).toBeVisible();
  await expect(page.locator('pz-chemical-tank')).toContainText(/112.gal, 979.lb: lasts 1\.9.days of work/);
  await page.getByLabel(/Containment tray/).fill('40 gal');
  await expect(headline(page)).toContainText('The containment tray under Mix tank holds 40');
  await page.getByRole('button', { name: 'Try it: A containment tray of 125 gal' }).click();
  await expect(headline(page)).toContainText('Every pump is fed');
  await expect(page.getByLabel(/Containment tray/)).toHaveValue('125 gal');
  await expectAccessible(page);
  await saved(page);
});
