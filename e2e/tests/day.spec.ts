import { choose, expect, expectAccessible, newBuild, openStation, saved, test, unfold } from './pozzo.js';

const verdict = 'pz-day-station section.does h2';

test('sizing a rig in ten minutes, as the guide tells it', async ({ page, server }) => {
  await page.goto(server.url);
  await newBuild(page, 'Empty');
  for (const step of ['Add a tank', 'Add a machine', 'Connect a spigot']) await page.getByRole('button', { name: step }).click();
  await expect(page.locator('pz-folded-waterway .row')).toHaveCount(1);
  await openStation(page, 'Brief');
  await page.getByLabel('Build', { exact: true }).fill('Quay skid');
  await page.getByLabel('Customer').fill('Marina pontoon crew');
  await page.getByRole('link', { name: 'Open the day board' }).click();

  // The day: the usual one written down, a large driveway after it, the spigots as the customer finds them.
  await page.getByRole('button', { name: 'Customize this day' }).click();
  await page.getByRole('button', { name: 'Large driveway' }).click();
  await expect(page.locator('pz-day-board .job')).toHaveCount(2);
  await page.getByRole('button', { name: 'Enter flows' }).click();
  await page.getByLabel('Poorest', { exact: true }).fill('2 gpm');
  await page.getByLabel('Best', { exact: true }).fill('7 gpm');
  await expect(page.locator(verdict).first()).toContainText(/\d.*% of days go short of water/);
  await expect(page.locator('.sampled')).toContainText(/days sampled.*95% interval/);

  // The tank that would do.
  await page.getByRole('button', { name: 'Find the right tank size' }).click();
  const take = page.getByRole('button', { name: /^Make it [\d,]+/ });
  await expect(take).toBeVisible({ timeout: 60_000 });
  await page.getByRole('tab', { name: 'What matters most' }).click();
  await expect(page.getByText('What moves the answer most')).toBeVisible();
  await page.getByRole('tab', { name: 'Sizing', exact: true }).click();
  await take.click();
  // What sizing called enough is judged enough, by the same days.
  const judged = page.locator('pz-day-station aside .finding').first();
  await expect(judged).toContainText('Water on all but', { timeout: 60_000 });
  await expect(page.locator('.sampled')).toContainText(/days sampled.*95% interval/);
  await expect(judged).toContainText(/Water on all but (1\.\d|2)% of days/);

  // Another school on the same days.
  await openStation(page, 'Options');
  await page.getByRole('button', { name: 'Carry all the day’s water' }).click();
  await page.getByRole('button', { name: 'Two guns at half flow on Washer 1' }).click();
  await expect(page.locator('pz-options-station thead th')).toHaveCount(3, { timeout: 60_000 });
  await expect(page.locator('pz-options-station section.does h2').first()).toContainText(/Keep the build|Build “|Nothing here/);
  await page.getByRole('button', { name: 'Build Two guns at half flow on Washer 1' }).last().click();
  await unfold(page);
  await expect(page.locator('pz-waterway a.pipe.hose')).toHaveCount(2);
  await expect(page.getByLabel('Option', { exact: true }).nth(1)).toHaveValue('Before “Two guns at half flow on Washer 1”');
  await saved(page);
  await page.reload();
  await unfold(page);
  await expect(page.locator('pz-waterway a.pipe.hose')).toHaveCount(2);
  await expect(page.getByLabel('Option', { exact: true })).toHaveCount(2);
  await expectAccessible(page);
});

test('the board by keyboard: pick, move, pass, stretch, remove, undo', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/depot-service/day`);
  const block = (key: string) => page.locator(`[data-block="${key}"]`);
  await block('0:2').click();
  await expect(page.getByRole('heading', { name: 'Phase: Wash' })).toBeVisible();
  await expect(page.getByLabel('Takes', { exact: true })).toHaveValue('40 min');
  await block('0:2').focus();
  await page.keyboard.press('+');
  await expect(page.getByLabel('Takes', { exact: true })).toHaveValue('45 min');
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.locator('pz-day-board .rowname').nth(1)).toHaveText('Hand 2');
  await page.keyboard.press('ArrowRight');
  await expect(block('0:3')).toBeFocused();
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-block^="0:"]')).toHaveCount(3);
  await page.locator('h2').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-block^="0:"]')).toHaveCount(4);
  await page.getByLabel('Starts at', { exact: true }).fill('99:00');
  await page.getByLabel('Starts at', { exact: true }).blur();
  await expect(page.getByRole('alert')).toContainText('A time of day reads like 7:30');
  // What was typed stays until Escape; an arrow opens the quarter hours at the time of now.
  const starts = page.getByLabel('Starts at', { exact: true });
  await expect(starts).toHaveValue('99:00');
  await starts.press('Escape');
  await expect(starts).toHaveValue('8:00');
  await starts.press('ArrowDown');
  await expect(page.getByRole('option')).toHaveCount(96);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(starts).toHaveValue('8:15');
  await expect(starts).toBeFocused();
  await expect(page.locator('pz-day-station')).toContainText('The usual day: 8:15');
  await saved(page);
});

test('the board by mouse: a longer phase, another order', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 1100 });
  await page.goto(`${server.url}/rig/depot-service/day`);
  await page.getByRole('button', { name: 'Customize this day' }).click();
  await page.locator('[data-block="0:2"]').click();
  const takes = page.getByLabel('Takes', { exact: true });
  await expect(takes).toHaveValue('40 min');
  // Days are sampled meanwhile, and the board stands still under the hand.
  const drag = async (selector: string, from: { x: number; y: number }, by: number): Promise<void> => {
    const part = page.locator(selector);
    await part.hover({ position: from });
    const box = (await part.boundingBox())!;
    await page.mouse.down();
    await page.mouse.move(box.x + from.x + by, box.y + from.y, { steps: 8 });
    await page.mouse.up();
  };
  await drag('[data-block="0:2"] .edge', { x: 3, y: 8 }, 30);
  await expect(takes).not.toHaveValue('40 min');
  await drag('[data-block="0:2"]', { x: 30, y: 10 }, -170);
  await expect(page.locator('[data-block="0:0"]')).toHaveAttribute('aria-label', /^Wash/);
  await expect(page.locator('.block.held')).toHaveCount(0);
});

test('a minute of the day shows on the waterway, the side view and the levels; escape from it to the whole day', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/depot-service/day`);
  const wash = page.locator('[data-block="0:2"]');
  await wash.click();
  const scrub = page.getByLabel('Minute of the day');
  const field = (await page.locator('pz-day-board .field').boundingBox())!;
  const box = (await wash.boundingBox())!;
  const middle = String(Math.round((1000 * (box.x + box.width / 2 - field.x)) / field.width));
  await scrub.fill(middle);
  await expect(page.locator('pz-minute-panel')).toContainText(/At 8:4\d/);
  await expect(page.locator('pz-minute-panel')).toContainText('Gun 3,019');
  await expect(page.locator('pz-waterway')).toContainText(/at 8:4\d/);
  await expect(page.locator('pz-waterway')).toContainText('running');
  await scrub.fill('5');
  await expect(page.locator('pz-waterway')).not.toContainText('running');
  await page.getByRole('button', { name: 'Whole day' }).click();
  await expect(page.locator('pz-waterway')).not.toContainText('at 8:');
  await scrub.fill(middle);
  await openStation(page, 'Tanks');
  await expect(page.locator('pz-waterway')).not.toContainText(/at 8:4\d/);
});

test('many days are sampled in the background, can be stopped, and the page answers meanwhile', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/day`);
  await expect(page.locator('.sampled')).toContainText('95% interval');
  await page.getByRole('button', { name: 'Run 10,000 days' }).click();
  await expect(page.getByRole('progressbar', { name: 'Sampling days' })).toBeVisible();
  await page.getByLabel('Minute of the day').fill('400');
  await expect(page.locator('pz-minute-panel')).toContainText('At ');
  await expect(page.getByRole('progressbar', { name: 'Sampling days' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.locator('.sampled')).toContainText('stopped');
});

test('seasons, sites and refill places are the customer’s own; what does not reach is told, and all is there after a reload', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/hill-village/day`);
  await choose(page, 'The rig works in', 'the whole year');
  await expect(page.getByText('Water from 41°F to 86°F.')).toBeVisible();
  await page.locator('[data-block="1:1"]').click();
  await expect(page.getByRole('heading', { name: 'Phase: Refill' })).toBeVisible();
  await expect(page.getByLabel('In hand', { exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Add a refill place' }).click();
  await page.getByRole('group', { name: 'Refill place 2' }).getByLabel('Flow', { exact: true }).fill('60 gpm');
  await choose(page, 'Where', 'Refill place 2');
  await page.getByRole('button', { name: 'Enter distances and heights' }).click();
  await page.getByRole('textbox', { name: /^Farthest corner/ }).fill('900 ft');
  await expect(page.getByText(/On [\d.]+% of days Gun does not reach the work/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('textbox', { name: /^Nearest corner/ }).fill('2000 ft');
  await expect(page.getByRole('alert').filter({ hasText: 'The usual distance lies between' })).toBeVisible();
  await page.getByRole('textbox', { name: /^Nearest corner/ }).fill('20 ft');
  await saved(page);
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByLabel('The rig works in', { exact: true })).toHaveText('the whole year');
  await expect(page.getByRole('group', { name: 'Refill place 2' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Refill place 2' }).click();
  await page.locator('[data-block="1:1"]').click();
  await expect(page.getByLabel('Where', { exact: true })).toHaveText('a hydrant, typical');
});

test('the yard tells each build’s chance of a short day', async ({ page, server }) => {
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /Pontoon skid/ })).toContainText(/short days|of \d+ days short/, { timeout: 30_000 });
  await expectAccessible(page);
});

test('day and options are accessible in light and dark, and fit a tablet', async ({ page, server }) => {
  for (const theme of ['light', 'dark']) {
    await page.goto(server.url);
    await page.evaluate((t) => localStorage.setItem('pozzo.settings', JSON.stringify({ units: 'metric', theme: t })), theme);
    await page.goto(`${server.url}/rig/dairy/day`);
    await expect(page.locator('.sampled')).toContainText('95% interval');
    await page
      .getByRole('button', { name: 'Customize this day' })
      .or(page.getByRole('heading', { name: 'Job', exact: true }))
      .first()
      .click();
    await page.locator('[data-block]').first().click();
    await expect(page.getByRole('heading', { name: /^Phase:/ })).toBeVisible();
    await expectAccessible(page);
    await page.goto(`${server.url}/rig/dairy/options`);
    await expect(page.locator('pz-options-station table')).toBeVisible({ timeout: 30_000 });
    await expectAccessible(page);
  }
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.goto(`${server.url}/rig/dairy/day`);
  await expect(page.locator('pz-day-board')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
});
